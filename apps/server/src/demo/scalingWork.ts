import { analyse } from '@keypost/core/analysis';
import { applyHistory, JobIndex } from '@keypost/core/job';
import { chainOf, scaleStep } from '@keypost/core/scaling';
import { proofFingerprint, ideal, injectionGroups, resultOf } from '@keypost/core/proving';
import { Scaling } from '@keypost/core/model';
import { channelPlan, requireChannel, switchingWith } from '@keypost/core/switching';
import { CHANNELS, LADDERS, TAUGHT, THRESHOLDS } from './switchingWork.ts';
import type { Actor, Change } from '@keypost/core/job';
import type { CalibrationBody, DeviceChannel, Instrument, JobContent } from '@keypost/core/model';

/** What was chosen along the chains. */
const CHAINS: Readonly<Record<string, Parameters<typeof Scaling.parse>[0]>> = {
  'pt-221': { sensor: { percent: 0.2 } },
  'wt-222': {
    sensor: { shape: 'table', percent: 0.5, multiplier: 4 },
    controller: { shape: 'table', multiplier: 4 },
    display: { label: 'Hoist screen', unit: 'kg', low: 0, high: 2000, decimals: 0, cutoffPercent: 1 },
  },
  'at-223': {
    converter: { formatId: '4000', zero: 'included', percent: 0.2 },
    bands: {
      lowFault: 3.6,
      underAt: 3.8,
      overAt: 20.5,
      highFault: 21,
      delay: 5,
      reaction: 'substitute',
      substitute: 2,
    },
  },
  'tt-226': { sensor: { class: 'A' } },
  'lt-228': { sensor: { shape: 'table' }, controller: { shape: 'table' } },
  'ft-233': {
    display: { label: 'Panel screen', unit: 'm³/h', low: 0, high: 60, decimals: 1, cutoffPercent: 50 },
  },
  'lt-270': {
    sensor: { percent: 0.3 },
    data: { item: 'Distance', stands: { at: 2600, low: 0, atOther: 600, high: 2, unit: 'm' } },
  },
  'jt-272': { data: { item: 'p', raw: { low: 0, high: 69000 } } },
  'jn-274': { data: { item: 'p', raw: { low: 0, high: 173000 } } },
};

const table = (unitIn: string, unitOut: string, rows: readonly (readonly [number, number])[]) => ({
  unitIn,
  unitOut,
  points: rows.map(([x, y]) => ({ in: x, out: y })),
});

const field = (unitIn: string, unitOut: string, x: number, y: number, note: string): CalibrationBody => ({
  kind: 'field',
  unitIn,
  unitOut,
  in: x,
  out: y,
  note,
});

const PRESSURE_RUN = {
  kind: 'transmitter',
  injects: { low: 0, high: 6, unit: 'bar' },
  gives: { low: 4, high: 20, unit: 'mA' },
  limitPercent: 0.5,
  reference: { name: 'Test gauge G4', percent: 0.05, fixed: 0.002 },
} as const;

const run = (reads: readonly number[]) =>
  reads.map((read, i) => ({ share: i * 25, injected: i * 1.5, read }));

/** What was calibrated, in the order in which it was done. */
const CALIBRATIONS: readonly (readonly [pointId: string, body: CalibrationBody])[] = [
  [
    'wt-222',
    {
      kind: 'workshop',
      ...table('mA', 'kg', [
        [4, 0],
        [7.15, 100],
        [10.36, 200],
        [13.6, 300],
        [16.82, 400],
        [20, 500],
      ]),
      note: 'sheet W-114',
    },
  ],
  ['wt-222', { kind: 'inForce', table: 'workshop', note: '' }],
  ['wt-222', field('mA', 'kg', 4.06, 0, 'hook empty')],
  ['wt-222', field('mA', 'kg', 8.22, 131, 'test weight 524 kg on four lines')],
  [
    'lt-228',
    {
      kind: 'workshop',
      ...table('Ω', '%', [
        [10, 0],
        [42, 12],
        [78, 35],
        [112, 62],
        [150, 85],
        [180, 100],
      ]),
      note: 'tank of round ends, litred out',
    },
  ],
  ['lt-228', { kind: 'inForce', table: 'workshop', note: '' }],
  [
    'pt-221',
    {
      ...PRESSURE_RUN,
      side: 'found',
      readings: run([4.11, 8.1, 12.1, 16.1, 20.09]),
      worstPercent: 0.6875,
      pass: false,
    },
  ],
  [
    'pt-221',
    {
      ...PRESSURE_RUN,
      side: 'left',
      readings: run([4.0, 8.0, 12.01, 16.0, 20.0]),
      worstPercent: 0.0625,
      burnout: { wanted: 'low', read: 3.58 },
      pass: true,
    },
  ],
  [
    'lt-270',
    {
      kind: 'line',
      unit: 'mm',
      pairs: [
        { raw: 1404, measured: 700 },
        { raw: 4822, measured: 2410 },
      ],
      stated: { gradient: 0.5, offset: 0 },
      found: { gradient: 0.50029257, offset: -2.4107666 },
      allowed: 10,
      worst: 2,
      pass: true,
    },
  ],
];

/** Points of which the controller was said to hold the scaling. */
const TAKEN = ['pt-221', 'tt-226', 'lt-228', 'lt-270'];

const SOURCE: Instrument = { name: 'Loop source S2', percent: 0.02, fixed: 0.002, unit: 'mA' };

/** What was injected at the ring main: up and down, a little apart, as friction does. */
function injected(job: JobContent, pointId: string): Change {
  const analysis = analyse(new JobIndex(job), pointId);
  const checks = injectionGroups(analysis).flatMap((group) => group.checks);
  const fingerprint = proofFingerprint(analysis);
  const results = checks.map((check, i) => {
    const { expected } = check;
    const nominal = ideal(expected);
    const apart = check.key.includes('.down') ? 0.011 : 0.004;
    const read =
      expected.kind === 'value' ? Number((expected.nom + apart).toFixed(expected.digits)) : nominal;
    return resultOf(`${pointId}-i${i}`, pointId, { check, fingerprint }, read, SOURCE);
  });
  return { kind: 'record', results };
}

/** Set points of a device's own channels, required of it in its own scale. */
function channelChanges(index: JobIndex, pointId: string, channels: readonly DeviceChannel[]): Change[] {
  const analysis = analyse(index, pointId);
  const made = chainOf(analysis);
  if (!made || 'problem' in made) return [];
  const { id } = analysis.context.device;
  return [
    { kind: 'setSwitching', pointId, switching: { channels: [...channels] } },
    ...channels.flatMap((channel) =>
      requireChannel(id, channelPlan(analysis, made, channel), `switches at ${analysis.context.point.tag}`),
    ),
  ];
}

/** Chains, tables, calibrations and an injection, as somebody did them. */
export function scaledWork(job: JobContent, actor: () => Actor): JobContent {
  const chains = Object.entries(CHAINS).map(([pointId, given]): [Change, Actor] => [
    { kind: 'setScaling', pointId, scaling: Scaling.parse(given) },
    actor(),
  ]);
  const decided = [...new Set([...Object.keys(LADDERS), ...Object.keys(THRESHOLDS)])];
  const ladders = decided.map((pointId): [Change, Actor] => [
    {
      kind: 'setSwitching',
      pointId,
      switching: switchingWith(undefined, {
        ladder: LADDERS[pointId],
        outputs: THRESHOLDS[pointId] && [...THRESHOLDS[pointId]],
      }),
    },
    actor(),
  ]);
  const calibrations = [...CALIBRATIONS, ...TAUGHT].map(([pointId, body], i): [Change, Actor] => [
    { kind: 'calibrate', calibrations: [{ id: `demo-c${i}`, pointId, body }] },
    actor(),
  ]);
  const scaled = applyHistory(job, [...chains, ...ladders, ...calibrations]);
  const index = new JobIndex(scaled);
  const asked = Object.entries(CHANNELS).flatMap(([pointId, channels]) =>
    channelChanges(index, pointId, channels).map((change): [Change, Actor] => [change, actor()]),
  );
  const stamps = TAKEN.flatMap((pointId): [Change, Actor][] => {
    const analysis = analyse(index, pointId);
    const made = chainOf(analysis);
    if (!made || 'problem' in made) return [];
    const { step } = scaleStep(analysis, made);
    const stamp = { id: `${pointId}-${step.key}`, pointId, step: step.key, fingerprint: step.about() };
    return [[{ kind: 'stamp', stamp }, actor()]];
  });
  return applyHistory(scaled, [...asked, ...stamps, [injected(scaled, 'pt-221'), actor()]]);
}
