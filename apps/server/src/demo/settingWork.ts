import { sure } from '@keypost/core/lists';
import { applyHistory, JobIndex } from '@keypost/core/job';
import { fitSteps, sheetOf } from '@keypost/core/setting';
import type { Actor, Change } from '@keypost/core/job';
import type { JobContent, Card } from '@keypost/core/model';
import type { SimulatorPorts } from '../simulators/start.ts';
import { linePlan, networkPlan } from './plans.ts';
import { SHIPPED, shippedDescription } from './shippedDescriptions.ts';

/** Facts of the name-plates, as they stand there. */
const PLATES: Readonly<Record<string, Card>> = {
  'FT-220': {
    serial: 'MF-20931',
    size: '80 mm',
    factor: '1.0214',
    medium: 'sea',
    coil: '58',
    lowest: '0.4 m³/h',
  },
  'FQ-260': { serial: 'MF-20944', size: '3 in', factor: '0.9987' },
  'FQ-261': { serial: 'MF-20945', size: '50 mm', factor: '1.0040' },
  'FT-231': {
    serial: 'VX-1102',
    size: '2 in',
    medium: 'gas',
    kFactor: '2750',
    density: '1.204',
    bore: '52.5 mm',
    flange: 'pn40',
    temperature: '60 °C',
  },
  'SC-245': { serial: 'DR-0519', motor: '6.3 A' },
  'WT-236': { serial: 'LC-2208', rated: '500 kg', sensitivity: '2.003' },
  'FT-235': { serial: 'DP-4417', bore: '154 mm', dpFull: '25 mbar', density: '1.2', temperature: '15 °C' },
  'FT-232': { serial: 'TH-0093', size: '40 mm' },
  'FT-233': { serial: 'CU-7710', material: 'pvc', medium: 'sea', outer: '90 mm', wall: '4.3 mm' },
  'TT-234': { serial: 'TT-5521', element: 'Pt100', leads: '3' },
  'PT-221': { serial: 'PX-3310', limit: '10 bar' },
  'WT-222': { serial: 'RL-0150', rated: '1000 kg', factor: '0.987' },
  'UT-224': { serial: 'US-0442', blind: '200 mm', reach: '2 m' },
  'AX-213': {
    serial: 'AR-61',
    system: '11 kV',
    cable: 'single',
    coil1: '1.013',
    coil2: '0.998',
    coil3: '1.002',
  },
  'AX-214': { serial: 'AR-74', system: '11 kV', cable: 'three' },
  'JT-272': { serial: 'PM-8813', system: '3p4w', ct: '100 A', volts: '400 V' },
  'JN-274': { serial: 'PM-8820', system: '3p4w', ct: '250 A', volts: '400 V' },
};

const DESCRIBED: Readonly<Record<string, (typeof SHIPPED)[number]>> = {
  'LT-270': 'level-distance',
  'PT-275': 'pressure',
  'VT-276': 'vibration',
  'YV-271': 'valve-island',
};

/** What is wanted otherwise than by rule: switching points of the smart sensors. */
const BY_HAND: readonly [itemId: string, key: string, value: string, reason: string][] = [
  ['lt-270-b', 'v70', '2', 'the surface is restless'],
  ['lt-270-b', 'v71', '1', 'a lost echo must be seen'],
  ['pt-275-b', 'v60.1', '2.5', 'filter is full'],
  ['pt-275-b', 'v61.2', '1', 'one point with hysteresis'],
  ['pt-275-b', 'v72', '0', 'the hall reads bar'],
];

/** What was found at some devices: factory units, a missing module, a mode from before. */
const FOUND: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'ft-220-b': {
    memory: 'fitted',
    mode: 'flow',
    mains: '60',
    medium: 'none',
    size: '50',
    factor: '1',
    unit: 'l/s',
    low: '0',
    high: '10',
    current: 'off',
  },
  'ft-233-b': { material: 'steel', outer: '100', unit: 'm³/h', mains: '60' },
  'jt-272-b': { baud: '9600', frame: '8N1', mains: '60' },
};

/** Parts that were set as required, in the order of their sheets. */
const ALL_SET = ['pe-101-b', 'pe-105-b', 'lx-107-b', 'pt-221-b', 'sr-1'];
/** Parts of which the first values were set, and how many. */
const BEGUN: Readonly<Record<string, number>> = { 'ft-232-b': 4, 'ut-224-b': 3, 'drv-1': 2 };

/** Everything that was set up before anybody went to the devices: files, plates, plans, what is wanted by hand. */
export function* prepared(ports: SimulatorPorts): Generator<Change> {
  for (const name of SHIPPED)
    yield {
      kind: 'addDescription',
      description: { id: name, fileName: `${name}.xml`, text: shippedDescription(name) },
    };
  for (const [tag, descriptionId] of Object.entries(DESCRIBED))
    yield { kind: 'editDevice', id: `${tag.toLowerCase()}-b`, patch: { descriptionId } };
  for (const [tag, plate] of Object.entries(PLATES))
    yield { kind: 'setPlate', pointId: tag.toLowerCase(), plate };
  for (const [itemId, key, value, reason] of BY_HAND)
    yield { kind: 'require', itemId, key, override: { value, reason } };
  yield { kind: 'editModule', id: 'iol-1', patch: { link: `127.0.0.1:${ports.ioLink}` } };
  yield { kind: 'setPlan', plan: linePlan(ports) };
  yield { kind: 'setPlan', plan: networkPlan(ports) };
}

/** Checks of Fit that were done: of points that were landed, all. */
export function fitted(job: JobContent, landed: ReadonlySet<string>): Change[] {
  const index = new JobIndex(job);
  return job.points
    .filter(({ id }) => landed.has(id))
    .flatMap((point) =>
      fitSteps(index, point).map(({ step }): Change => ({
        kind: 'stamp',
        stamp: {
          id: `${point.id}-${step.key}`,
          pointId: point.id,
          step: step.key,
          fingerprint: step.about(),
        },
      })),
    );
}

/** What was found and set at the devices; each value in the safe order of its sheet. */
export function setAtDevices(job: JobContent, actor: () => Actor): JobContent {
  let number = 0;
  const entry = (itemId: string, side: 'found' | 'left', values: Record<string, string>): [Change, Actor] => [
    { kind: 'enter', entries: [{ id: `demo-${number++}`, itemId, side, how: 'typed', values }] },
    actor(),
  ];
  const found = applyHistory(
    job,
    Object.entries(FOUND).map(([itemId, values]) => entry(itemId, 'found', values)),
  );
  const index = new JobIndex(found);
  const set = [...ALL_SET.map((id) => [id, Infinity] as const), ...Object.entries(BEGUN)].flatMap(
    ([itemId, count]) =>
      sheetOf(index, itemId)
        .lines.filter(({ required }) => required)
        .slice(0, count)
        .map(({ parameter, required }) => entry(itemId, 'left', { [parameter.key]: sure(required).value })),
  );
  return applyHistory(found, set);
}
