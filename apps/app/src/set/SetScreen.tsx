import { deviceChannels } from '@keypost/core/switching';
import { countSet, sheetsOf } from '@keypost/core/setting';
import type { Sheet } from '@keypost/core/setting';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useSave } from '../data/useSave';
import { MoreRow } from '../ui/MoreRow';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { RadioGroup } from '../ui/RadioGroup';
import { Card } from '../ui/Card';
import { Text } from '../ui/Text';
import { AgreementCard } from './AgreementCard';
import { DescriptionCard } from './DescriptionCard';
import { DeviceCard } from './DeviceCard';
import { DisplayCodes } from './DisplayCodes';
import { SetDock } from './SetDock';
import { SheetCard } from './SheetCard';
import type { Arranged } from './SheetCard';

/** Set: the sheets of a point's device and of the ports that it is on. */
export function SetScreen() {
  return <PointFrame>{(point) => <SetPoint point={point} />}</PointFrame>;
}

function SetPoint({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const [arranged, setArranged] = useState<Arranged>('differences');
  const sheets = useMemo(() => sheetsOf(point.index, point.analysis.context.point.id), [point]);
  const teaches = deviceChannels(point.analysis).length > 0;
  const shown = sheets.filter((sheet) => sheet.lines.length > 0);
  return (
    <PointPage
      point={point}
      page="set"
      main={
        <>
          <Count sheets={sheets} />
          <DescriptionCard point={point} />
          <DeviceCard point={point} sheets={sheets} />
          <RadioGroup
            value={arranged}
            onChange={setArranged}
            options={[
              { value: 'differences', label: 'Differences first' },
              { value: 'order', label: 'In order' },
            ]}
          />
          {shown.map((sheet) => (
            <SheetCard key={sheet.itemId} view={point.view} sheet={sheet} arranged={arranged} />
          ))}
        </>
      }
      aside={
        <>
          <AgreementCard point={point} />
          <DisplayCodes point={point} />
          <Card title="More">
            {teaches && (
              <MoreRow
                first
                to={`${point.base}/switch/teach`}
                label="Teach"
                hint="its switching points, from readings"
              />
            )}
            <MoreRow
              first={!teaches}
              to={`${point.base}/history`}
              label="History, swap and files"
              hint="compare two dates, put a sheet back, CSV and JSON"
            />
          </Card>
        </>
      }
      dock={<SetDock sheets={sheets} saver={saver} />}
    />
  );
}

function Count({ sheets }: { sheets: readonly Sheet[] }) {
  const { done, required, differ } = countSet(sheets);
  return (
    <View className="flex-row flex-wrap items-baseline gap-x-3">
      <Text as="number">{`${done} of ${required} as required`}</Text>
      {differ > 0 && <Text as="fail">{`${differ} differ`}</Text>}
    </View>
  );
}
