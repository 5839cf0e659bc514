import { inputFaults, switchingWith } from '@keypost/core/switching';
import { useMemo } from 'react';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { InputFaults } from './OutputFaults';

/** What the input of a point that only switches reads with a fault, and which side of it is the safe one. */
export function InputCard({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const faults = useMemo(() => inputFaults(point.analysis), [point.analysis]);
  const { point: row } = point.analysis.context;
  if (!faults.length) return null;
  const choose = (side: 'none' | 'on' | 'off') =>
    void saver.save({
      kind: 'setSwitching',
      pointId: row.id,
      switching: switchingWith(row.switching, { safeInput: side === 'none' ? null : side }),
    });
  return (
    <>
      <Card title="If in doubt">
        <Row first className="gap-3">
          <RadioGroup
            label="The program stays on the safe side while it reads"
            value={row.switching?.safeInput ?? 'none'}
            onChange={(side) => choose(side)}
            options={[
              { value: 'none', label: 'Either' },
              { value: 'off', label: '0' },
              { value: 'on', label: '1' },
            ]}
          />
          <SaveNotice saver={saver} />
          <Text as="small">
            A broken wire can only be on the safe side where it reads as what stops. For what protects people
            this is not enough: that is for a safety device and a competent person.
          </Text>
        </Row>
      </Card>
      <InputFaults faults={faults} />
    </>
  );
}
