import type { JobView } from '@keypost/api';
import { spokenSheet, stepsTo, wayTo } from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import type { Sheet } from '@keypost/core/setting';
import { View } from 'react-native';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { useDevice } from './useDevice';

/** How a part can be spoken to about its parameters, in words; nothing where it cannot. */
export function wayWords(index: JobIndex, itemId: string): string | undefined {
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
export function DevicePlate({ point, sheets }: { point: OpenPoint; sheets: readonly Sheet[] }) {
  return (
    <>
      {sheets.map((whole) => {
        const sheet = spokenSheet(point.index, whole);
        const way = wayWords(point.index, sheet.itemId);
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
  const known = useKnown();
  const talk = useDevice(view, sheet);
  return (
    <Plate title={`Speak to ${sheet.tag}`}>
      <Row first className="gap-3">
        <Words as="small">{`Over ${way}. Nothing counts as left that was not read back.`}</Words>
        {!known && <WhoAmI />}
        <View className="flex-row flex-wrap gap-3">
          <Button
            label={`Read ${sheet.tag}`}
            grow
            disabled={!known || talk.busy === 'sending'}
            waiting={talk.busy === 'reading'}
            onPress={() => void talk.read()}
          />
          {open > 0 && talk.busy !== 'sending' && (
            <Button
              label={talk.stopped && talk.sent ? `Go on, ${open} left` : `Send ${open} values`}
              kind="main"
              grow
              disabled={!known || talk.busy !== undefined}
              onPress={() => void talk.send()}
            />
          )}
          {talk.busy === 'sending' && <Button label="Stop" grow onPress={talk.stop} />}
        </View>
        {talk.busy === 'sending' && talk.sent && (
          <Words as="number" role="status">{`${talk.sent.done} of ${talk.sent.all} read back`}</Words>
        )}
        {talk.lines.length > 0 && (
          <View role="status" aria-label={`What ${sheet.tag} says`} className="gap-1">
            {talk.lines.map((line) => (
              <Words as={talk.stopped ? 'fail' : 'small'} key={line}>
                {line}
              </Words>
            ))}
          </View>
        )}
      </Row>
    </Plate>
  );
}
