import type { Dictionary, Seen } from '@keypost/core/fault';
import { capital } from '@keypost/core/lists';
import { useState } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { indicatorText, lookLabel } from './suspectText';

/** What can be seen without a meter, told all at once, and whether it comes and goes. */
export function SymptomsCard({
  point,
  dictionary,
  seen,
  sometimes,
  onSometimes,
  onSee,
  onDrop,
}: {
  point: OpenPoint;
  dictionary: Dictionary;
  seen: readonly Seen[];
  sometimes: boolean;
  onSometimes: (sometimes: boolean) => void;
  onSee: (look: number, is: boolean) => void;
  onDrop: (look: number) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const looks = dictionary.looks.flatMap((look, i) =>
    'red' in look || look.kind === 'value' || look.kind === 'asSet' ? [] : [{ look, i }],
  );
  if (!looks.length) return null;
  if (!isOpen && !sometimes)
    return (
      <Button label="Tell at once what lights, and whether it comes and goes" onPress={() => setOpen(true)} />
    );
  return (
    <Card title="What is to be seen">
      <Sometimes sometimes={sometimes} onSometimes={onSometimes} />
      {looks.map(({ look, i }) => {
        const told = seen.find((one) => one.look === i)?.is;
        return (
          <Row key={look.id}>
            <RadioGroup
              label={lookLabel(point.analysis, look)}
              value={told === undefined ? 'open' : told ? 'yes' : 'no'}
              options={[
                { value: 'yes', label: capital(indicatorText(look.kind, true)) },
                { value: 'no', label: capital(indicatorText(look.kind, false)) },
                { value: 'open', label: 'Not looked' },
              ]}
              onChange={(value) => (value === 'open' ? onDrop(i) : onSee(i, value === 'yes'))}
            />
          </Row>
        );
      })}
      <Row>
        <Button label="That is all" onPress={() => setOpen(false)} />
      </Row>
    </Card>
  );
}

function Sometimes({
  sometimes,
  onSometimes,
}: {
  sometimes: boolean;
  onSometimes: (sometimes: boolean) => void;
}) {
  return (
    <Row first className="gap-2">
      <RadioGroup
        label="It is so"
        value={sometimes ? 'sometimes' : 'always'}
        options={[
          { value: 'always', label: 'All the time' },
          { value: 'sometimes', label: 'It comes and goes' },
        ]}
        onChange={(value) => onSometimes(value === 'sometimes')}
      />
      {sometimes && (
        <Text as="small">
          Tell only what was seen while it did not work. What is set wrong does not come and go: joints, wires
          that move, heat and targets at the edge do.
        </Text>
      )}
    </Row>
  );
}
