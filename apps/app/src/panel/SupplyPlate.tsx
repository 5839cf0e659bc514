import type { JobView } from '@keypost/api';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

/** The control supply and what hangs on its rails. */
export function SupplyPlate({ view }: { view: JobView }) {
  const router = useRouter();
  return (
    <>
      {view.content.supplies.map((supply) => {
        const on = (rail: string) =>
          view.content.wires.filter(({ from, to }) => [from, to].includes(`${supply.id}:${rail}`)).length;
        return (
          <Plate
            key={supply.id}
            title={`Supply ${supply.tag}`}
            aside={
              <Button
                label="Change"
                kind="bare"
                onPress={() => router.navigate(`/job/${view.id}/about` as never)}
              />
            }
          >
            <Row first className="flex-row flex-wrap items-center justify-between gap-x-6 gap-y-1">
              <Words as="number">
                {`${supply.volts.toFixed(1)} V DC`}
                <Words as="mono">{`  ±${supply.tolerancePercent} %`}</Words>
              </Words>
              <View className="flex-row gap-4">
                <Words as="mono">{`+ ${on('+')} wires`}</Words>
                <Words as="mono">{`0 V ${on('-')} wires`}</Words>
              </View>
            </Row>
          </Plate>
        );
      })}
    </>
  );
}
