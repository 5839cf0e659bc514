import { analyse, applyChange, emptyJob, JobIndex, landSteps, proofPlan, resultOf } from '@keypost/core';
import type { Change, Instrument, JobContent, Logic, OutputKind } from '@keypost/core';

/** Who works on the demo job, by initials. */
const MIRA = 'MR';
const JON = 'JT';
const METER: Instrument = { name: 'Multimeter M1', percent: 0.5, volts: 0.02 };

interface DemoPoint {
  readonly tag: string;
  readonly name: string;
  readonly typeId: string;
  readonly output: OutputKind;
  readonly logic: Logic;
  readonly at?: readonly [string, number];
  /** How many Land steps are stamped; all when absent. */
  readonly landed?: number;
  /** How much of the proof is done: nothing, the first checks, all, or all with one that fails. */
  readonly proof?: 'none' | 'half' | 'all' | 'failed';
}

const MODULES: readonly {
  id: string;
  tag: string;
  typeId: string;
  firstByte: number;
  commons: ('+' | '-' | null)[];
}[] = [
  { id: 'plc', tag: 'PLC', typeId: 'controller-8-6', firstByte: 0, commons: ['-', '+'] },
  { id: 'di-1', tag: 'DI 1', typeId: 'di8-sink-8', firstByte: 2, commons: ['-'] },
  { id: 'di-2', tag: 'DI 2', typeId: 'di8-both-4-4', firstByte: 3, commons: ['+', null] },
  { id: 'di-3', tag: 'DI 3', typeId: 'di16-both-8-8', firstByte: 4, commons: ['-', null] },
];

const POINTS: readonly DemoPoint[] = [
  {
    tag: 'PE-101',
    name: 'Tray at infeed',
    typeId: 'diffuse-3w',
    output: 'pnp',
    logic: 'light',
    at: ['plc', 0],
    proof: 'all',
  },
  {
    tag: 'PX-102',
    name: 'Drum filter, rotation',
    typeId: 'inductive-3w',
    output: 'npn',
    logic: 'no',
    at: ['plc', 8],
    landed: 3,
  },
  {
    tag: 'LS-103',
    name: 'Sump high',
    typeId: 'dry-contact',
    output: 'contact',
    logic: 'nc',
    at: ['plc', 1],
    proof: 'all',
  },
  {
    tag: 'PX-104',
    name: 'Hatch door shut',
    typeId: 'inductive-3w',
    output: 'npn',
    logic: 'no',
    at: ['plc', 2],
    landed: 2,
  },
  {
    tag: 'PE-105',
    name: 'Tray at outfeed',
    typeId: 'retro-3w',
    output: 'pnp',
    logic: 'dark',
    at: ['plc', 3],
    proof: 'half',
  },
  {
    tag: 'PE-106',
    name: 'Hoist bay clear',
    typeId: 'through-beam-3w',
    output: 'pushpull',
    logic: 'light',
    at: ['di-3', 0],
    proof: 'failed',
  },
  {
    tag: 'LX-107',
    name: 'Algae tank low',
    typeId: 'capacitive-3w',
    output: 'pnp',
    logic: 'no',
    at: ['di-1', 0],
    proof: 'all',
  },
  {
    tag: 'PX-108',
    name: 'Spray arm home',
    typeId: 'inductive-3w',
    output: 'npn',
    logic: 'no',
    at: ['di-1', 1],
    landed: 2,
  },
  {
    tag: 'UX-109',
    name: 'Header tank full',
    typeId: 'ultrasonic-3w',
    output: 'pnp',
    logic: 'no',
    at: ['di-2', 4],
    landed: 5,
  },
  {
    tag: 'ZS-110',
    name: 'Hoist at top',
    typeId: 'limit-switch',
    output: 'contact',
    logic: 'nc',
    at: ['plc', 4],
    proof: 'half',
  },
  {
    tag: 'ZS-111',
    name: 'Hoist at bottom',
    typeId: 'limit-switch',
    output: 'contact',
    logic: 'no',
    at: ['di-2', 0],
    landed: 0,
  },
  {
    tag: 'PX-112',
    name: 'Blower belt turning',
    typeId: 'inductive-3w',
    output: 'pnp',
    logic: 'no',
    at: ['di-1', 2],
    landed: 4,
  },
  {
    tag: 'PE-113',
    name: 'Tray stack height',
    typeId: 'diffuse-3w',
    output: 'npn',
    logic: 'dark',
    at: ['plc', 9],
    landed: 1,
  },
  { tag: 'LS-114', name: 'Seawater intake low', typeId: 'dry-contact', output: 'contact', logic: 'no' },
  {
    tag: 'PX-115',
    name: 'Tray clamp',
    typeId: 'inductive-3w',
    output: 'pushpull',
    logic: 'nc',
    at: ['di-3', 1],
    proof: 'all',
  },
];

/** The demo job: the recirculation hall of a made-up shellfish hatchery. */
export function ternRock(): JobContent {
  const clock = demoClock();
  let job = emptyJob('Recirculation hall', 'Tern Rock hatchery', { volts: 24.1, tolerancePercent: 2.5 });
  const apply = (change: Change, by: string): void => {
    job = applyChange(job, change, { by, at: clock() });
  };
  for (const { commons, ...module } of MODULES) apply({ kind: 'addModule', module, commons }, MIRA);
  for (const row of POINTS) apply(addition(row), MIRA);
  for (const row of POINTS) {
    for (const change of landed(job, row)) apply(change, row.landed === undefined ? MIRA : JON);
    for (const change of proven(job, row)) apply(change, MIRA);
  }
  return job;
}

/** A morning in September, some minutes from entry to entry. */
function demoClock(): () => string {
  let minutes = 0;
  return () => new Date(Date.UTC(2026, 8, 14, 7, 30) + 3 * 60000 * minutes++).toISOString();
}

const idOf = (tag: string): string => tag.toLowerCase();

function addition({ tag, name, typeId, output, logic, at }: DemoPoint): Change {
  return {
    kind: 'addPoint',
    point: { id: idOf(tag), tag, name, deviceId: `${idOf(tag)}-b`, bit: 'direct' },
    device: { id: `${idOf(tag)}-b`, tag, typeId, output, logic },
    place: at ? { moduleId: at[0], channel: at[1] } : null,
  };
}

function landed(job: JobContent, { tag, at, landed: count }: DemoPoint): Change[] {
  if (!at) return [];
  const steps = landSteps(analyse(new JobIndex(job), idOf(tag)));
  return steps.slice(0, count ?? steps.length).map(({ key, title }) => ({
    kind: 'stamp',
    stamp: { id: `${idOf(tag)}-${key}`, pointId: idOf(tag), step: key, subject: title },
  }));
}

function proven(job: JobContent, { tag, proof = 'none' }: DemoPoint): Change[] {
  if (proof === 'none') return [];
  const checks = proofPlan(analyse(new JobIndex(job), idOf(tag))).groups.flatMap((group) => group.checks);
  const done = proof === 'half' ? checks.slice(0, 3) : checks;
  const results = done.map((check, i) => {
    const { expected } = check;
    const off = proof === 'failed' && check.key === 'away.volts';
    const good = expected.kind === 'volts' ? Math.round(expected.nom * 10) / 10 : expected.value;
    return resultOf(`${idOf(tag)}-r${i}`, idOf(tag), check, off ? 14.2 : good, METER);
  });
  return [{ kind: 'record', results }];
}
