import type { KnownFault, Suspect } from '@keypost/core/fault';
import type { FaultCase } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { FaultBody } from '@keypost/core/model';
import { useState } from 'react';
import type { ComponentProps } from 'react';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { now } from '../data/now';
import type { OpenPoint } from '../point/usePoint';
import { Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';
import { problemsBy } from '../ui/issueText';
import { Caution } from '../ui/Notice';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { typedIn } from '../ui/typedNumbers';
import { guardsPeople } from './guardsPeople';

const Texts = z.object({
  /** The id of a suspect; nothing where it was none of them. */
  was: z.string(),
  what: z.string(),
  done: z.string(),
  parts: z.string(),
  minutes: z.string(),
  swapped: z.string(),
});

/** So many suspects are offered. */
const OFFERED = 30;

type Texts = z.infer<typeof Texts>;

/** The texts of the form, and what they come to. */
function useMended(point: OpenPoint, open: FaultCase, found: readonly Suspect[]) {
  const known = found.flatMap(({ rows }) => rows.flatMap(({ fault }) => fault ?? [])).slice(0, OFFERED);
  const [texts, setTexts] = useDraftState(`${point.view.id}.${open.id}.mended`, Texts, {
    was: found[0] && found[0].share > 0.5 ? (known[0]?.id ?? '') : '',
    what: '',
    done: '',
    parts: '',
    minutes: '',
    swapped: '',
  });
  const put = (key: keyof Texts) => (value: string) => setTexts((before) => ({ ...before, [key]: value }));
  const chosen = known.find(({ id }) => id === texts.was);
  const read = () =>
    FaultBody.safeParse({
      kind: 'mended',
      of: open.id,
      what: chosen ? textOf(chosen.what) : texts.what,
      ...(chosen && { fault: chosen.id }),
      sort: chosen?.sort ?? 'other',
      done: texts.done,
      parts: texts.parts,
      downMinutes: texts.minutes.trim() === '' ? minutesSince(open) : typedIn(texts.minutes, 'min'),
      touched: touchedBy(point, chosen, texts.swapped),
      ...(texts.swapped && { swapped: texts.swapped }),
    });
  return { known, texts, put, chosen, read };
}

/** What it was, what was done, how long it stood still: kept for good. */
export function MendedForm({
  point,
  open,
  found,
  waiting,
  onStore,
  onCancel,
}: {
  point: OpenPoint;
  open: FaultCase;
  found: readonly Suspect[];
  waiting: boolean;
  onStore: (body: FaultBody, then: () => void) => void;
  onCancel: () => void;
}) {
  const { known, texts, put, chosen, read } = useMended(point, open, found);
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
  const store = () => {
    const body = read();
    if (body.success) onStore(body.data, onCancel);
    else setProblems(problemsBy(body.error, (path) => String(path[0])));
  };
  const field = (label: string, key: keyof Texts, more: Partial<ComponentProps<typeof Field>> = {}) => (
    <Field
      label={label}
      value={texts[key]}
      onChange={put(key)}
      problem={problems[key === 'minutes' ? 'downMinutes' : key]}
      maxLength={200}
      {...more}
    />
  );
  return (
    <Row className="gap-3">
      <Was known={known} value={texts.was} onChange={put('was')} />
      {!chosen && field('What it was', 'what')}
      {field('What was done', 'done')}
      {field('Parts used', 'parts')}
      {field('Down for', 'minutes', {
        hint: `Nothing typed counts from the report: ${minutesSince(open)} min.`,
        unit: 'min',
        mono: true,
        inputMode: 'decimal',
      })}
      <Swapped point={point} value={texts.swapped} onChange={put('swapped')} />
      {guardsPeople(point) && (
        <Caution>
          That it works again is not for this program to say: before anybody relies on it, who is competent
          proves the whole safety function, each channel alone and the reset among it.
        </Caution>
      )}
      <Text as="small">
        What was proven with what was worked on is to be proven again; the point says so from then on.
      </Text>
      <FormActions label="Store: it works again" waiting={waiting} onStore={store} onCancel={onCancel} />
    </Row>
  );
}

/** Which of the suspects it was. */
const Was = ({
  known,
  value,
  onChange,
}: {
  known: readonly KnownFault[];
  value: string;
  onChange: (value: string) => void;
}) => (
  <Select
    label="It was"
    value={value}
    options={[
      { value: '', label: 'Something else' },
      ...known.map((fault) => ({ value: fault.id, label: textOf(fault.what) })),
    ]}
    onChange={onChange}
  />
);

/** Which part was put in for another. */
function Swapped({
  point: { analysis },
  value,
  onChange,
}: {
  point: OpenPoint;
  value: string;
  onChange: (value: string) => void;
}) {
  const { device, helpers, ports } = analysis.context;
  const parts = new Map(
    [device, ...helpers, ...ports.map(({ module }) => module)].map(({ id, tag }) => [id, tag]),
  );
  return (
    <>
      <Select
        label="Put in for another"
        value={value}
        options={[
          { value: '', label: 'Nothing' },
          ...[...parts].map(([id, tag]) => ({ value: id, label: tag })),
        ]}
        onChange={onChange}
      />
      {value !== '' && (
        <Caution>
          Nothing is set in the new part yet: its settings are put back from the sheet before it is used. A
          part with a safety function is put back only by who is qualified for it.
        </Caution>
      )}
    </>
  );
}

const minutesSince = ({ opened }: FaultCase): number =>
  Math.max(0, Math.round((Date.parse(now()) - Date.parse(opened.at)) / 60_000));

/** Wires and parts that were worked on; where nobody says which, all that is the point's own. */
function touchedBy({ analysis }: OpenPoint, chosen: KnownFault | undefined, swapped: string): string[] {
  const { point, device, helpers } = analysis.context;
  const at = chosen?.place;
  const own = !at
    ? [point.id, device.id, ...helpers.map(({ id }) => id)]
    : at.in === 'wire'
      ? at.ids
      : at.in === 'part'
        ? [at.id]
        : [point.id];
  return [...new Set([...own, ...(swapped ? [swapped] : [])])];
}
