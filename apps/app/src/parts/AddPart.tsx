import { schemaRefusal } from '../data/refusalText';
import { partTypesOf, RESISTOR_ID } from '@keypost/core/catalog';
import { Device } from '@keypost/core/model';
import { numbering } from '@keypost/core/job';
import type { Wire } from '@keypost/core/model';
import type { DeviceType } from '@keypost/core/catalog';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { terminalOptions } from '../point/terminalOptions';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';
import { Plus } from '../ui/icons';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';

/** Kinds that are added to a point as a further part. */
const partOptions = ({ view }: OpenPoint) =>
  partTypesOf(view.content)
    .devices.filter(({ description }) => description.part)
    .map(({ id, name, group }) => ({ value: id, label: name, group }));

/** Adds a relay, a load, a barrier or a resistor, with a wire from each of its terminals that is chosen. */
export function AddPart({ point }: { point: OpenPoint }) {
  const { ink } = useTokens();
  const [open, setOpen] = useState(false);
  if (!open)
    return <Button label="Add a part" icon={<Plus size={20} color={ink} />} onPress={() => setOpen(true)} />;
  return <PartForm point={point} onDone={() => setOpen(false)} />;
}

function PartForm({ point, onDone }: { point: OpenPoint; onDone: () => void }) {
  const saver = useSave(point.view);
  const known = useKnown();
  const [typeId, setTypeId] = useState(RESISTOR_ID);
  const [tag, setTag] = useState('');
  const [problem, setProblem] = useState<string>();
  const [ends, setEnds] = useState<Readonly<Record<string, string>>>({});
  const type = partTypesOf(point.view.content).device({ typeId });
  const options = [{ value: '', label: 'not wired yet' }, ...terminalOptions(point.analysis.context)];
  const choose = (id: string) => {
    setTypeId(id);
    setEnds({});
  };
  const store = () => {
    const checked = Device.shape.tag.safeParse(tag);
    if (!checked.success) return setProblem(schemaRefusal(checked));
    const id = uuid();
    const wires = wiresFrom(point, id, type, ends);
    const device = { id, tag: checked.data, typeId };
    return void saver.save(
      { kind: 'addHelper', pointId: point.analysis.context.point.id, device, wires },
      { then: onDone },
    );
  };
  return (
    <Card title="New part">
      <Row first className="gap-4">
        <Select label="Kind" value={typeId} options={partOptions(point)} onChange={choose} />
        <Field
          label="Tag"
          hint="Such as K1, H2 or R1"
          value={tag}
          onChange={setTag}
          problem={problem}
          maxLength={24}
        />
        {type.terminals.map(({ name, words }) => (
          <Select
            key={`${typeId} ${name}`}
            label={`Terminal ${name}${words ? `, ${words}` : ''}`}
            value={ends[name] ?? ''}
            options={options}
            onChange={(ref) => setEnds({ ...ends, [name]: ref })}
          />
        ))}
        {!known && <WhoAmI />}
        <SaveNotice saver={saver} />
        <FormActions
          label="Add it"
          disabled={!known}
          waiting={saver.saving}
          onStore={store}
          onCancel={onDone}
        />
      </Row>
    </Card>
  );
}

/** A wire from each terminal of a new part for which an end was chosen. */
function wiresFrom(
  point: OpenPoint,
  id: string,
  type: DeviceType,
  ends: Readonly<Record<string, string>>,
): Wire[] {
  const number = numbering(point.view.content);
  return type.terminals.flatMap(({ name, colour = 'BK' }) => {
    const to = ends[name];
    return to
      ? [{ id: uuid(), number: number(), from: `${id}:${name}`, to, colour, lengthM: 1, mm2: 0.75 }]
      : [];
  });
}
