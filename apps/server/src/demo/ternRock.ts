import { analyse } from '@keypost/core/analysis';
import { applyHistory, JobIndex } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import { ideal, proofFingerprint, proofPlan, resultOf } from '@keypost/core/proving';
import { landSteps } from '@keypost/core/presentation';
import type { Actor, Change } from '@keypost/core/job';
import type { Instrument, JobContent, Supply } from '@keypost/core/model';
import { areaOf } from './areas.ts';
import { deviceOf } from './demoPoint.ts';
import type { DemoPoint } from './demoPoint.ts';
import { FIELD_POINTS } from './fieldPoints.ts';
import { INPUT_POINTS } from './inputPoints.ts';
import { MODULES } from './modules.ts';
import { ownKind } from './ownKind.ts';
import { faultWork } from './faultWork.ts';
import { scaledWork } from './scalingWork.ts';
import { fitted, prepared, setAtDevices } from './settingWork.ts';
import type { SimulatorPorts } from '../simulators/start.ts';

/** Where the simulated partners answer beside the usual port. */
const USUAL_PORTS: SimulatorPorts = { ioLink: 4081, modbusTcp: 4082, modbusRtu: 4083, bench: 4084 };

/** Who works on the demo job, by initials. */
const MIRA = 'MR';
const JON = 'JT';
const METER: Instrument = { name: 'Multimeter M1', percent: 0.5, fixed: 0.02 };

const POINTS: readonly DemoPoint[] = [...INPUT_POINTS, ...FIELD_POINTS];

const MAINS: Supply = {
  id: 'q1',
  tag: 'Q1',
  kind: 'ac',
  volts: 230,
  tolerancePercent: 6,
  internalOhms: 0.4,
  limitAmps: 16,
};

/** The valves' branch behind an electronic breaker, at the far end of the hall. */
const VALVES: Supply = {
  id: 'f1',
  tag: 'F1',
  kind: 'dc',
  volts: 24.1,
  tolerancePercent: 2.5,
  internalOhms: 0,
  limitAmps: 4,
  feed: { from: 'g1', protection: 'breaker', lengthM: 35, mm2: 1.5 },
  otherAmps: 1.2,
};

/** The demo job: the recirculation hall of a made-up shellfish hatchery. */
export function ternRock(ports: SimulatorPorts = USUAL_PORTS): JobContent {
  const clock = demoClock();
  const by = (initials: string, changes: Iterable<Change>): [Change, Actor][] =>
    [...changes].map((change) => [change, { by: initials, at: clock() }]);
  const empty = emptyJob('Recirculation hall', 'Tern Rock hatchery', {
    volts: 24.1,
    tolerancePercent: 2.5,
    limitAmps: 10,
  });
  const built = applyHistory(empty, [...by(MIRA, building()), ...by(JON, prepared(ports))]);
  const now = () => ({ by: MIRA, at: clock() });
  // What is set counts for what is landed and proven, so it comes first.
  const set = scaledWork(setAtDevices(built, now), now);
  const index = new JobIndex(set);
  const worked = POINTS.flatMap((row) => [
    ...by(row.landed === undefined ? MIRA : JON, landed(index, row)),
    ...by(MIRA, proven(index, row)),
  ]);
  const landedIds = new Set(
    POINTS.filter(({ at, landed: count }) => count || (at && count === undefined)).map(({ tag }) =>
      idOf(tag),
    ),
  );
  const loose = set.wires.find(({ id }) => id === 'zs-111-b-2')?.number ?? '';
  return applyHistory(set, [...worked, ...by(JON, fitted(set, landedIds)), ...faultWork(loose)]);
}

/** Supplies, modules, then every point with what belongs to it. */
function* building(): Generator<Change> {
  yield { kind: 'addSupply', supply: MAINS };
  yield { kind: 'addSupply', supply: VALVES };
  for (const { commons, ...module } of MODULES) yield { kind: 'addModule', module, commons };
  yield { kind: 'moveWire', wireId: 'do-1-Lp', to: 'f1:+' };
  yield ownKind();
  for (const row of POINTS) {
    yield addition(row);
    yield* row.more ?? [];
  }
}

/** A morning in September, some minutes from entry to entry. */
function demoClock(): () => string {
  let minutes = 0;
  return () => new Date(Date.UTC(2026, 8, 14, 7, 30) + 3 * 60000 * minutes++).toISOString();
}

const idOf = (tag: string): string => tag.toLowerCase();

function addition(row: DemoPoint): Change {
  const { tag, name, at, outputId, range } = row;
  const area = areaOf(tag);
  return {
    kind: 'addPoint',
    point: {
      id: idOf(tag),
      tag,
      name,
      deviceId: `${idOf(tag)}-b`,
      bit: 'direct',
      ...(area && { area }),
      ...(outputId && { outputId }),
      ...(range && { range }),
    },
    device: deviceOf(`${idOf(tag)}-b`, row),
    place: at ? { moduleId: at[0], channel: at[1] } : null,
  };
}

function landed(index: JobIndex, { tag, at, landed: count }: DemoPoint): Change[] {
  if (!at && !count) return [];
  const steps = landSteps(analyse(index, idOf(tag)));
  return steps.slice(0, count ?? steps.length).map(({ key, about }) => ({
    kind: 'stamp',
    stamp: { id: `${idOf(tag)}-${key}`, pointId: idOf(tag), step: key, fingerprint: about() },
  }));
}

function proven(index: JobIndex, { tag, proof = 'none' }: DemoPoint): Change[] {
  if (proof === 'none') return [];
  const analysis = analyse(index, idOf(tag));
  const { groups } = proofPlan(analysis);
  const fingerprint = proofFingerprint(analysis);
  const checks = groups.flatMap((group) => group.checks);
  const done = proof === 'half' ? checks.slice(0, 3) : checks;
  const results = done.map((check, i) => {
    const { expected } = check;
    const off = proof === 'failed' && check.key === 'away.volts';
    const nominal = ideal(expected);
    const good = typeof nominal === 'number' ? Math.round(nominal * 10) / 10 : nominal;
    return resultOf(`${idOf(tag)}-r${i}`, idOf(tag), { check, fingerprint }, off ? 14.2 : good, METER);
  });
  return [{ kind: 'record', results }];
}
