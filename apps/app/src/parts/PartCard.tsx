import { printedAt, refText } from '@keypost/core/job';
import type { Device, Settings } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { AddPhoto, PhotoMarks } from '../photo/PhotoMarks';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { SettingRows } from './SettingRow';

/** A part: what it is, its switches, and what is on each of its terminals. */
export function PartCard({
  point,
  device,
  saver,
  removable = false,
}: {
  point: OpenPoint;
  device: Device;
  saver: Saver;
  removable?: boolean;
}) {
  const [asked, setAsked] = useState(false);
  const type = point.index.deviceType(device);
  const photographed = {
    view: point.view,
    subject: { kind: 'part', itemId: device.id },
    name: device.tag,
  } as const;
  const put = (settings: Settings) =>
    void saver.save({ kind: 'editDevice', id: device.id, patch: { settings } });
  return (
    <Card
      title={device.tag}
      aside={
        removable ? (
          <Button label={`Remove ${device.tag}`} kind="bare" onPress={() => setAsked(true)} />
        ) : undefined
      }
    >
      <Row first className="gap-4">
        <View className="flex-row items-center gap-3">
          <Text as="small" className="min-w-0 flex-1">
            {type.name}
          </Text>
          <AddPhoto {...photographed} />
        </View>
        <PhotoMarks {...photographed} />
        {asked && <Removal device={device} saver={saver} onKeep={() => setAsked(false)} />}
        <SettingRows type={type} chosen={device.settings} onChange={put} />
      </Row>
      <Terminals point={point} device={device} />
    </Card>
  );
}

function Removal({ device, saver, onKeep }: { device: Device; saver: Saver; onKeep: () => void }) {
  return (
    <Notice
      actions={
        <>
          <Button
            label={`Take ${device.tag} out`}
            kind="danger"
            onPress={() => void saver.save({ kind: 'removeHelper', id: device.id })}
          />
          <Button label="Keep it" onPress={onKeep} />
        </>
      }
    >
      {`This takes ${device.tag} and its wires out of the job.`}
    </Notice>
  );
}

function Terminals({ point: { index }, device }: { point: OpenPoint; device: Device }) {
  return (
    <Row className="gap-1">
      {index.deviceType(device).terminals.map(({ name, words, stacking }) => {
        const ends = index.across(`${device.id}:${name}`).map((ref) => refText(index, ref));
        const where = stacking ? `${stacking.row} row, ${stacking.level}` : '';
        const printed = printedAt(index, device.id, name);
        const notes = [printed && `socket ${printed}`, words, where].filter(Boolean).join(', ');
        return (
          <View key={name} className="flex-row gap-3">
            <Text as="number" className="w-[44px]">
              {name}
            </Text>
            <Text as="small" className="flex-1 pt-0.5">
              {notes}
            </Text>
            <Text as="small" className={`max-w-[55%] pt-0.5 text-right ${ends.length ? 'text-ink' : ''}`}>
              {ends.join(', ') || 'free'}
            </Text>
          </View>
        );
      })}
    </Row>
  );
}
