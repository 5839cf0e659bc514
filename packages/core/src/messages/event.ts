import { withUnit, written } from '../units/index.ts';

/** What the log tells of a change that was stored. */
export const EVENT = {
  'event.job': ({ name, site }: { name: string; site: string }) => `Job named ${name}, ${site}`,
  'event.job.mains': ({ name, site, hertz }: { name: string; site: string; hertz: number }) =>
    `Job named ${name}, ${site}, mains ${hertz} Hz`,
  'event.job.numbers': ({ name, site, example }: { name: string; site: string; example: string }) =>
    `Job named ${name}, ${site}, numbers written as ${example}`,
  'event.job.units': ({ name, site, system }: { name: string; site: string; system: 'metric' | 'us' }) =>
    `Job named ${name}, ${site}, quantities shown in ${system === 'us' ? 'US' : 'metric'} units first`,
  'event.job-removed': 'Job removed',
  'event.added': ({ what, name, ends }: { what: string; name: string; ends: string }) =>
    `${what} ${name} added${ends}`,
  'event.removed': ({ what, name, ends }: { what: string; name: string; ends: string }) =>
    `${what} ${name} removed${ends}`,
  'event.changed': ({ what, name, fields }: { what: string; name: string; fields: readonly string[] }) =>
    `${what} ${name} changed: ${fields.join(', ')}`,
  'event.done': ({ name, did }: { name: string; did: 'added' | 'removed' | 'changed' }) => `${name} ${did}`,
  'event.undone': ({ what }: { what: string }) => `Undone: ${what}`,
  'event.ends': ({ from, to }: { from: string; to: string }) => `: ${from} to ${to}`,
  'event.field': ({ label, before, after }: { label: string; before: string; after: string }) =>
    `${label} ${before} → ${after}`,
  'event.figure': ({ label, figure, from }: { label: string; figure: string; from: string }) =>
    `${label} ${figure}, from ${from}`,
  'event.figure-typical': ({ label }: { label: string }) => `${label} as is typical again`,
  'event.nothing': 'nothing',
  'event.gone': 'a part that was removed',
  'event.as-entered': 'as entered',
  'event.value': ({ label, value }: { label: string; value: string }) => `${label} ${value}`,
  'event.range': ({ low, high, unit }: { low: number; high: number; unit: string }) =>
    `${written(low)} to ${written(high)} ${unit}`,
  'event.multiplied': ({ times }: { times: number }) => `the program multiplies by ${written(times)}`,
  'event.range-multiplied': ({ times, before, after }: { times: number; before: string; after: string }) =>
    `the program multiplies by ${written(times)}: its range ${before} → ${after}`,
  'event.of-point': ({ tag, what }: { tag: string; what: string }) => `${tag} · ${what}`,
  'event.stamp': ({ step }: { step: string }) => `Done: ${step}`,
  'event.stamp-undone': ({ step, reason }: { step: string; reason: string }) =>
    `Undone: ${step}. Why: ${reason}`,
  'event.stamp-removed': ({ step }: { step: string }) => `Step removed: ${step}`,
  'event.result': ({
    pass,
    check,
    measured,
    expected,
  }: {
    pass: boolean;
    check: string;
    measured: string;
    expected: string;
  }) => `${pass ? 'Pass' : 'Fail'}: ${check} ${measured}, expected ${expected}`,
  'event.entry': ({
    side,
    tag,
    read,
    values,
    more,
  }: {
    side: string;
    tag: string;
    read: boolean;
    values: readonly string[];
    more: number;
  }) =>
    `${side === 'found' ? 'Found' : 'Left'} at ${tag}${read ? ', read from it' : ''}: ${values.join(', ')}${more > 0 ? ` and ${more} more` : ''}`,
  'event.workshop-table': ({ tag, points }: { tag: string; points: number }) =>
    `${tag}: workshop table of ${points} points`,
  'event.field-point': ({
    tag,
    read,
    unitIn,
    value,
    unitOut,
  }: {
    tag: string;
    read: number;
    unitIn: string;
    value: number;
    unitOut: string;
  }) => `${tag}: field point ${written(read)} ${unitIn} is ${written(value)} ${unitOut}`,
  'event.calibration-void': ({ tag, reason }: { tag: string; reason: string }) =>
    `${tag}: a calibration taken back. Why: ${reason}`,
  'event.fault-opened': ({ tag, symptom }: { tag: string; symptom: string }) =>
    `${tag} does not work: ${symptom}`,
  'event.fault-seen': ({ tag, looks }: { tag: string; looks: number }) =>
    `${tag}: fault handed over with ${looks} looks`,
  'event.fault-mended': ({ tag, what, done }: { tag: string; what: string; done: string }) =>
    `${tag} mended. It was: ${what}. Done: ${done}`,
  'event.fault-rated': ({ tag, sort, often }: { tag: string; sort: string; often: string }) =>
    `${tag}: how often in this job, ${sort}: ${often}`,
  'event.no-table': ({ tag }: { tag: string }) => `${tag}: no table in force`,
  'event.table': ({ tag, table }: { tag: string; table: string }) => `${tag}: ${table} table in force`,
  'event.transmitter': ({
    tag,
    pass,
    side,
    worst,
    within,
  }: {
    tag: string;
    pass: boolean;
    side: string;
    worst: number;
    /** Within the limit, though it did not pass: it went the wrong way with its sensor opened. */
    within: boolean;
  }) =>
    `${pass ? 'Pass' : 'Fail'}: ${tag} calibrated, ${side === 'found' ? 'as found' : 'as left'} ${written(worst, 2)} %${!pass && within ? ', within its limit; the wrong way with its sensor opened' : ''}`,
  'event.display-span': ({
    tag,
    low,
    high,
    newLow,
    newHigh,
    unit,
  }: {
    tag: string;
    low: number;
    high: number;
    newLow: number;
    newHigh: number;
    unit: string;
  }) =>
    `${tag}: panel screen’s span ${written(low)} … ${written(high)} → ${written(newLow)} … ${written(newHigh)} ${unit}`,
  'event.line': ({
    tag,
    pass,
    pairs,
    worst,
    unit,
  }: {
    tag: string;
    pass: boolean;
    pairs: number;
    worst: number;
    unit: string;
  }) =>
    `${tag}: ${pairs} readings beside a tape ${pass ? '' : 'not '}on the line, off by ${written(worst, 3)} ${unit}`,
  'event.taught': ({ tag, ok, gives, unit }: { tag: string; ok: boolean; gives: number[]; unit: string }) =>
    ok
      ? `${tag} taught: ${gives.map((value) => withUnit(value, unit, 4)).join(' and ')}`
      : `${tag}: not to be taught from what was read`,
  'event.note': ({ tag, title }: { tag: string; title: string }) => `${tag}: ${title}`,
} as const;
