import type { JobView } from '@keypost/api';
import { networkPlaceOf, serialPlaceOf, spokenSheet, stepsTo } from '@keypost/core';
import type { JobIndex, Sheet } from '@keypost/core';
import { View } from 'react-native';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { useDevice } from './useDevice';

/** How a part can be spoken to, in words; nothing where it cannot. */
export function wayTo(index: JobIndex, itemId: string): string | undefined {
  const module = index.module(itemId);
  if (module) return module.link && `${module.tag} at ${module.link}`;
  const device = index.device(itemId);
  if (!device) return undefined;
  const place = index.placeOf(device);
  const master = place && index.module(place.moduleId);
  if (master?.link && place)
    return device.descriptionId === undefined ? undefined : `port ${place.channel + 1} of ${master.tag}`;
  const serial = serialPlaceOf(index.job, itemId);
  if (serial?.plan.link && serial.unit.map.some(({ parameter }) => parameter))
    return `unit ${serial.unit.unit} on ${serial.plan.tag}`;
  const net = networkPlaceOf(index.job, itemId);
  return net?.member.link && net.member.map.some(({ parameter }) => parameter)
    ? `${net.member.tag} at ${net.member.link}`
    : undefined;
}

/** Reading and writing the devices of a point that can be spoken to. */
export function DevicePlate({ point, sheets }: { point: OpenPoint; sheets: readonly Sheet[] }) {
  return (
    <>
      {sheets.map((whole) => {
        const sheet = spokenSheet(point.index, whole);
        const way = wayTo(point.index, sheet.itemId);
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
