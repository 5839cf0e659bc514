import type { JobView } from '@keypost/api';
import { textOf } from '@keypost/core/messages';
import { knownDescription } from '@keypost/core/ioLink';
import type { Description } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useDescriptionFile } from '../job/useDescriptionFile';
import { Button } from '../ui/Button';
import { FileUp } from '../ui/icons';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The description files of a job, and how another is brought in. */
export function DescriptionFiles({ view }: { view: JobView }) {
  const { ink } = useTokens();
  const saver = useSave(view);
  const { pick, refused, close } = useDescriptionFile((description) => {
    void saver.save({ kind: 'addDescription', description });
  });
  return (
    <Card
      title="Description files"
      aside={<Text as="number">{String(view.content.descriptions.length)}</Text>}
    >
      {view.content.descriptions.map((row, i) => (
        <FileRow key={row.id} view={view} row={row} first={i === 0} />
      ))}
      <Row first={view.content.descriptions.length === 0} className="gap-3">
        {refused && <Notice actions={<Button label="Close" onPress={close} />}>{refused}</Notice>}
        <SaveNotice saver={saver} />
        <Button
          label="Bring in a description file"
          icon={<FileUp size={20} color={ink} />}
          waiting={saver.saving}
          onPress={() => void pick()}
        />
        <Text as="small">The open device description of IO-Link (IODD), one XML file a device.</Text>
      </Row>
    </Card>
  );
}

function FileRow({ view, row, first }: { view: JobView; row: Description; first: boolean }) {
  const [open, setOpen] = useState(false);
  const { description, parameters } = knownDescription(row.text);
  const users = view.content.devices.filter(({ descriptionId }) => descriptionId === row.id);
  const nameOf = (id: string) => description.variables.find((v) => v.id === id)?.name ?? id;
  const records = description.processData.flatMap(({ condition, input, output }) => {
    const when = condition ? `, while ${nameOf(condition.variableId)} is ${condition.value}` : '';
    return [
      ...(input ? [[`from the device${when}`, input] as const] : []),
      ...(output ? [[`to the device${when}`, output] as const] : []),
    ];
  });
  return (
    <Row first={first} className="gap-1">
      <Text as="strong">{description.name}</Text>
      <Text as="small">{`${description.vendor}, ${description.vendorId} / ${description.deviceId}, ${description.bitrate}`}</Text>
      <Text as="small">
        {users.length ? `for ${users.map(({ tag }) => tag).join(', ')}` : 'for no device yet'}
      </Text>
      <View className="-ml-4 items-start">
        <Button
          label={`${open ? 'Close' : 'What is in'} ${row.fileName}`}
          kind="bare"
          onPress={() => setOpen(!open)}
        />
      </View>
      {open && (
        <View className="gap-2 pt-1">
          {records.map(([words, record]) => (
            <View key={words} className="gap-0.5">
              <Text
                as="small"
                className="font-wordsemi"
              >{`Process data ${words}, ${record.bitLength} bits`}</Text>
              {record.items.map((item) => (
                <Text as="small" key={item.name}>
                  {`bit ${item.bitOffset}: ${item.name}${item.scale ? ` × ${item.scale.gradient}${item.scale.offset ? ` + ${item.scale.offset}` : ''} ${item.scale.unit}` : ''}`}
                </Text>
              ))}
            </View>
          ))}
          {description.unread.length > 0 && (
            <Text as="small">
              {`Not understood, and left out: ${description.unread.map((left) => textOf(left)).join(', ')}.`}
            </Text>
          )}
          <Text as="small" className="font-wordsemi">{`${parameters.length} parameters`}</Text>
          {parameters.slice(0, 30).map(({ key, label, index, subindex }) => (
            <Text as="small" key={key}>{`${index}${subindex ? `.${subindex}` : ''}  ${label}`}</Text>
          ))}
        </View>
      )}
    </Row>
  );
}
