import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import type { InputFault, OutputFault } from '@keypost/core/switching';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

const HIDDEN =
  'What nothing sees, such as an output that is stuck, is found only by a test at intervals, or by a second way beside it.';

interface FaultRow {
  readonly what: Message;
  readonly says: string;
  readonly safe: boolean | undefined;
}

/** Faults with what each comes to; those on the wrong side first. */
export function FaultRows({
  title = 'With a fault',
  head = [],
  rows,
  note,
}: {
  title?: string;
  /** What follows from all of it together, said first. */
  head?: readonly Message[];
  rows: readonly FaultRow[];
  note: string;
}) {
  const sorted = [...rows].sort((a, b) => Number(a.safe ?? true) - Number(b.safe ?? true));
  return (
    <Card title={title} aside={<Text as="small">from the circuit</Text>}>
      {head.map((sentence, i) => (
        <Row key={i} first className="bg-failwash">
          <Text as="strong" className="text-fail">
            {textOf(sentence)}
          </Text>
        </Row>
      ))}
      {sorted.map(({ what, says, safe }, i) => (
        <Row key={`${textOf(what)} ${i}`} first={i === 0 && !head.length} className="flex-row gap-3 py-2">
          {safe !== undefined && (
            <StatusIcon
              kind={safe ? 'proven' : 'cannot'}
              size={20}
              label={safe ? 'safe side' : 'not on the safe side'}
            />
          )}
          <View className="min-w-0 flex-1">
            <Text as="body">{textOf(what)}</Text>
            <Text as="small">{says}</Text>
          </View>
        </Row>
      ))}
      <Row>
        <Text as="small">{note}</Text>
      </Row>
    </Card>
  );
}

/** What faults make of a threshold's output. */
export function OutputFaults({ faults }: { faults: readonly OutputFault[] }) {
  return (
    <FaultRows
      rows={faults.map(({ what, taken, on, safe, hidden }) => ({
        what,
        safe,
        says: [taken && textOf(taken), `output ${on ? 'on' : 'off'}`, hidden && 'nothing here sees it']
          .filter(Boolean)
          .join(', '),
      }))}
      note={HIDDEN}
    />
  );
}

const bitText = (bit: 0 | 1 | undefined): string => (bit === undefined ? 'between on and off' : String(bit));

/** What an input reads with faults. */
export function InputFaults({ faults }: { faults: readonly InputFault[] }) {
  return (
    <FaultRows
      note={HIDDEN}
      rows={faults.map(({ what, bits: [away, present], safe }) => ({
        what,
        safe,
        says:
          away === present
            ? `reads ${bitText(away)}, whatever the target does`
            : `reads ${bitText(away)} away, ${bitText(present)} present`,
      }))}
    />
  );
}
