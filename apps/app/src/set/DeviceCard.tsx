import type { JobView } from '@keypost/api';
import { spokenSheet, stepsTo, wayTo } from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import type { Sheet } from '@keypost/core/setting';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useDevice } from './useDevice';

/** How a part can be spoken to about its parameters, in words; nothing where it cannot. */
function wayText(index: JobIndex, itemId: string): string | undefined {
  const way = wayTo(index, itemId);
  switch (way?.kind) {
    case 'master':
      return `${way.module.tag} at ${way.link}`;
    case 'port':
      return way.device.descriptionId && `port ${way.port} of ${way.master.tag}`;
    case 'unit':
      if (!way.map.some(({ parameter }) => parameter)) return undefined;
      return way.on === 'line' ? `unit ${way.unit} on ${way.tag}` : `${way.tag} at ${way.link}`;
    default:
      return undefined;
  }
}

/** Reading and writing the devices of a point that can be spoken to. */
export function DeviceCard({ point, sheets }: { point: OpenPoint; sheets: readonly Sheet[] }) {
  return (
    <>
      {sheets.map((whole) => {
        const sheet = spokenSheet(point.index, whole);
        const way = wayText(point.index, sheet.itemId);
        return way === undefined ? null : (
          <OneDevice
            key={sheet.itemId}
            view={point.view}
            sheet={sheet}
            way={way}
            open={stepsTo(sheet.lines).length}
          />
        );
      })}
    </>
  );
}

/** @param open how many values are to be sent. */
export function OneDevice({
  view,
  sheet,
  way,
  open,
}: {
  view: JobView;
  sheet: Sheet;
  way: string;
  open: number;
}) {
  const exchange = useDevice(view, sheet);
  return (
    <Card title={`Speak to ${sheet.tag}`}>
      <Row first className="gap-3">
        <Text as="small">{`Over ${way}. Nothing counts as left that was not read back.`}</Text>
        <View className="flex-row flex-wrap gap-3">
          <Button
            label={`Read ${sheet.tag}`}
            grow
            disabled={exchange.busy === 'sending'}
            waiting={exchange.busy === 'reading'}
            onPress={() => void exchange.read()}
          />
          {open > 0 && exchange.busy !== 'sending' && (
            <Button
              label={exchange.stopped && exchange.sent ? `Go on, ${open} left` : `Write ${open} values`}
              kind="main"
              grow
              disabled={exchange.busy !== undefined}
              onPress={() => void exchange.send()}
            />
          )}
          {exchange.busy === 'sending' && <Button label="Stop" grow onPress={exchange.stop} />}
        </View>
        {exchange.busy === 'sending' && exchange.sent && (
          <Text as="number" role="status">{`${exchange.sent.done} of ${exchange.sent.all} read back`}</Text>
        )}
        {exchange.lines.length > 0 && (
          <View role="status" aria-label={`What ${sheet.tag} says`} className="gap-1">
            {exchange.lines.map((line) => (
              <Text as={exchange.stopped ? 'fail' : 'small'} key={line}>
                {line}
              </Text>
            ))}
          </View>
        )}
      </Row>
    </Card>
  );
}
