import { nth } from '@keypost/core/lists';
import { partTypesOf, RESISTOR_ID } from '@keypost/core/catalog';
import { numbering } from '@keypost/core/job';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { terminalOptions } from '../point/terminalOptions';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { FormActions } from '../ui/FormActions';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';

/** A resistor that was found, or is to be put, between two terminals. */
export function AddResistor({ point }: { point: OpenPoint }) {
  const [open, setOpen] = useState(false);
  if (!open) return <Button label="Add a resistor" onPress={() => setOpen(true)} />;
  return <ResistorForm point={point} onDone={() => setOpen(false)} />;
}

/** What a setting of a resistor offers. */
const choicesOf = ({ view }: OpenPoint, key: string): { value: string; label: string }[] => [
  ...(partTypesOf(view.content)
    .device({ typeId: RESISTOR_ID })
    .settings?.find((setting) => setting.key === key)?.choices ?? []),
];

function ResistorForm({ point, onDone }: { point: OpenPoint; onDone: () => void }) {
  const saver = useSave(point.view);
  const known = useKnown();
  const options = terminalOptions(point.analysis.context);
  const [a, setA] = useState(nth(options, 0).value);
  const [b, setB] = useState(nth(options, 1).value);
  const [ohms, setOhms] = useState('2200');
  const [watts, setWatts] = useState('0.5');
  const [problem, setProblem] = useState<string>();
  const store = () => {
    if (a === b) return setProblem('Choose two different terminals.');
    const id = uuid();
    const number = numbering(point.view.content);
    const wire = (from: string, to: string) =>
      ({
        id: uuid(),
        number: number(),
        from: `${id}:${from}`,
        to,
        colour: 'BK',
        lengthM: 1,
        mm2: 0.75,
      }) as const;
    const device = {
      id,
      tag: nextTag(point),
      typeId: RESISTOR_ID,
      settings: { ohms, watts },
    } as const;
    const { id: pointId } = point.analysis.context.point;
    return void saver.save(
      { kind: 'addHelper', pointId, device, wires: [wire('1', a), wire('2', b)] },
      { then: onDone },
    );
  };
  return (
    <Card title="A resistor">
      <Row first className="gap-4">
        <Select label="One end on" value={a} options={options} onChange={setA} />
        <Select label="The other on" value={b} options={options} onChange={setB} problem={problem} />
        <Select label="Resistance" value={ohms} options={choicesOf(point, 'ohms')} onChange={setOhms} />
        <Select label="Power rating" value={watts} options={choicesOf(point, 'watts')} onChange={setWatts} />
        {!known && <WhoAmI />}
        <SaveNotice saver={saver} />
        <FormActions
          label="Put it in"
          disabled={!known}
          waiting={saver.saving}
          onStore={store}
          onCancel={onDone}
        />
      </Row>
    </Card>
  );
}

function nextTag({ view }: OpenPoint): string {
  const taken = new Set(view.content.devices.map(({ tag }) => tag));
  for (let n = 1; ; n++) if (!taken.has(`R${n}`)) return `R${n}`;
}
