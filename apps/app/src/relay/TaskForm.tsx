import { sure } from '@keypost/core/lists';
import { DRY_CONTACT_ID, outputOfType, partTypesOf } from '@keypost/core/catalog';
import { channelOptions } from '../point/channelOptions';
import type { OpenPoint } from '../point/usePoint';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

type On = 'present' | 'away';

/** What was entered: what the relay is to switch, light and tell. */
export interface Tasks {
  readonly tag: string;
  readonly load: {
    readonly typeId: string;
    readonly tag: string;
    readonly on: On;
    readonly bothLines: boolean;
  };
  readonly lampOn: 'none' | '24' | '230';
  readonly lampOff: 'none' | '24' | '230';
  readonly input: string;
  readonly stack: {
    readonly common: 'none' | 'minus' | 'plus';
    readonly tiers: readonly (On | 'unused')[];
  };
  readonly suppressor: 'none' | 'diode' | 'varistor';
}

export const FIRST_DUTIES: Omit<Tasks, 'tag'> = {
  load: { typeId: '', tag: 'M1', on: 'present', bothLines: false },
  lampOn: 'none',
  lampOff: 'none',
  input: '',
  stack: { common: 'none', tiers: ['unused', 'unused', 'unused'] },
  suppressor: 'diode',
};

/** Loads that a relay can switch, other than lamps, which are asked for by themselves. */
const loadOptions = ({ view }: OpenPoint) =>
  partTypesOf(view.content).devices.flatMap(({ id, name, load, terminals, description }) =>
    load &&
    load.kind !== 'led' &&
    load.kind !== 'filament' &&
    !description.tiers &&
    terminals.some(({ role }) => role === 'loadPlus')
      ? [{ value: id, label: name, group: load.volts > 60 ? 'On mains' : 'On 24 V' }]
      : [],
  );

const LAMPS = [
  { value: 'none', label: 'None' },
  { value: '24', label: '24 V' },
  { value: '230', label: '230 V' },
] as const;

interface Fields {
  readonly point: OpenPoint;
  readonly tasks: Tasks;
  readonly put: (patch: Partial<Tasks>) => void;
}

/** Asks what the relay is for, in the order in which one thinks of it: the load, the lamps, the controller. */
export function TaskForm({
  point,
  tasks,
  onChange,
}: {
  point: OpenPoint;
  tasks: Tasks;
  onChange: (tasks: Tasks) => void;
}) {
  const put = (patch: Partial<Tasks>) => onChange({ ...tasks, ...patch });
  return (
    <Card title="What it is to do">
      <Row first className="gap-4">
        <LoadFields point={point} tasks={tasks} put={put} />
        <TellFields point={point} tasks={tasks} put={put} />
        <RadioGroup
          label="Suppressor at the coil"
          value={tasks.suppressor}
          options={[
            { value: 'diode', label: 'Diode' },
            { value: 'varistor', label: 'Varistor' },
            { value: 'none', label: 'None' },
          ]}
          onChange={(suppressor) => put({ suppressor })}
        />
        <Field label="Tag of the relay" value={tasks.tag} onChange={(tag) => put({ tag })} maxLength={24} />
      </Row>
    </Card>
  );
}

function LoadFields({ point, tasks: { load }, put }: Fields) {
  const { words } = point.analysis.context.output;
  const rating = partTypesOf(point.view.content).findDevice(load)?.load;
  const mains = rating !== undefined && rating.volts > 60;
  const change = (patch: Partial<Tasks['load']>) => put({ load: { ...load, ...patch } });
  return (
    <>
      <Select
        label="Load"
        value={load.typeId}
        options={[{ value: '', label: 'none' }, ...loadOptions(point)]}
        onChange={(typeId) => change({ typeId, bothLines: Boolean(typeId) && load.bothLines })}
      />
      {rating && (
        <>
          <Field label="Tag of the load" value={load.tag} onChange={(tag) => change({ tag })} />
          <RadioGroup<On>
            label="It runs"
            value={load.on}
            onChange={(on) => change({ on })}
            options={[
              { value: 'present', label: words.present },
              { value: 'away', label: words.away },
            ]}
          />
        </>
      )}
      {mains && (
        <RadioGroup
          label="Switch"
          value={load.bothLines ? 'both' : 'line'}
          onChange={(value) => change({ bothLines: value === 'both' })}
          options={[
            { value: 'line', label: 'Line only' },
            { value: 'both', label: 'Line and neutral' },
          ]}
        />
      )}
    </>
  );
}

function TellFields({ point, tasks, put }: Fields) {
  const { context } = point.analysis;
  const type = partTypesOf(point.view.content).device({ typeId: DRY_CONTACT_ID });
  const contact = { type, output: outputOfType(type, undefined) };
  const inputs = channelOptions(point.index, contact, context.point.id).filter(({ value }) => {
    const [moduleId, channel] = value.split(':');
    return point.index.port({ moduleId: sure(moduleId), channel: Number(channel) }).kind === 'digital';
  });
  return (
    <>
      <RadioGroup
        label="ON lamp"
        value={tasks.lampOn}
        options={LAMPS}
        onChange={(lampOn) => put({ lampOn })}
      />
      <RadioGroup
        label="OFF lamp"
        value={tasks.lampOff}
        options={LAMPS}
        onChange={(lampOff) => put({ lampOff })}
      />
      <Select
        label="Contact to the controller"
        value={tasks.input}
        options={[{ value: '', label: 'none' }, ...inputs]}
        onChange={(input) => put({ input })}
      />
      <StackFields stack={tasks.stack} words={context.output.words} onChange={(stack) => put({ stack })} />
    </>
  );
}

function StackFields({
  stack,
  words,
  onChange,
}: {
  stack: Tasks['stack'];
  words: { present: string; away: string };
  onChange: (stack: Tasks['stack']) => void;
}) {
  return (
    <>
      <RadioGroup
        label="Stack light"
        value={stack.common}
        options={[
          { value: 'none', label: 'None' },
          { value: 'minus', label: 'Common minus' },
          { value: 'plus', label: 'Common plus' },
        ]}
        onChange={(common) => onChange({ ...stack, common })}
      />
      {stack.common !== 'none' &&
        stack.tiers.map((tier, i) => (
          <RadioGroup
            key={i}
            label={`Tier ${i + 1}, from below`}
            value={tier}
            options={[
              { value: 'unused', label: 'Unused' },
              { value: 'present', label: words.present },
              { value: 'away', label: words.away },
            ]}
            onChange={(on) => onChange({ ...stack, tiers: stack.tiers.map((t, k) => (k === i ? on : t)) })}
          />
        ))}
      {stack.common !== 'none' && (
        <Text as="small">Every tier that is used hangs on one contact of the relay.</Text>
      )}
    </>
  );
}
