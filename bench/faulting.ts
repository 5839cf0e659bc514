import { analyse } from '@keypost/core/analysis';
import type { Analysis } from '@keypost/core/analysis';
import {
  dictionaryOf,
  groupsOf,
  hasDictionary,
  hereAfter,
  isReading,
  middleOf,
  netsOf,
  nextLooks,
  NOTHING_CONDUCTS,
  secondsTo,
  sightsOf,
  subjectOf,
  suspects,
} from '@keypost/core/fault';
import type { Dictionary, DictionaryRow, Seen, Sight } from '@keypost/core/fault';
import { JobIndex } from '@keypost/core/job';
import { nth, seeded, sure } from '@keypost/core/lists';
import type { JobContent, Wire } from '@keypost/core/model';
import { ternRock } from '../apps/server/src/demo/ternRock.ts';

/** Looks that a search takes at most, and the share from which on it is content. */
const MOST = 16;
const CONTENT = 0.95;

interface Case {
  readonly tag: string;
  readonly dictionary: Dictionary;
  readonly groups: readonly (readonly DictionaryRow[])[];
  /** The fault as the dictionary names it, and what is truly to be seen with it. */
  readonly id: string;
  readonly truth: readonly Sight[];
  /** Made by editing the job, not by the dictionary's own circuit. */
  readonly edited: boolean;
}

type Random = () => number;

/** A reading: an indicator as it is, volts or ohms anywhere in what is true, read off a meter. */
function readingOf(sight: Sight, random: Random): boolean | number {
  if (sight.kind === 'either') return random() < 0.5;
  if (!isReading(sight)) return sight.kind === 'on';
  const bell = random() + random() + random() - 1.5;
  // Nobody knows what electronics without power let through: anything that is shown is as likely.
  if (sight.kind === 'ohms')
    return sight.max >= NOTHING_CONDUCTS && random() < 0.7
      ? NOTHING_CONDUCTS
      : Math.max(sight.min, 0.1) * (sight.max / Math.max(sight.min, 0.1)) ** random() * (1 + 0.02 * bell);
  const middle = middleOf(sight);
  if (sight.kind !== 'volts') return middle + (random() - 0.5) * 0.6 * (sight.max - sight.min);
  return (
    middle + (random() - 0.5) * (0.2 + 0.03 * Math.abs(middle)) + bell * (0.05 + 0.005 * Math.abs(middle))
  );
}

/** A reading that was misread: the other way round, or any volts, or any ohms. */
const wrongly = (sight: Sight, reading: boolean | number, random: Random): boolean | number =>
  typeof reading === 'boolean'
    ? !reading
    : sight.kind === 'ohms'
      ? 10 ** (7 * random())
      : sight.kind === 'value'
        ? (1.5 * random() - 0.25) * (sight.span ?? 1)
        : -5 + 35 * random();

type Chooser = (
  one: Case,
  found: ReturnType<typeof suspects>,
  seen: readonly Seen[],
  random: Random,
) => number | undefined;

const best: Chooser = ({ dictionary }, found, seen) => {
  return nextLooks(dictionary, found, seen, hereAfter(dictionary, seen))[0]?.look;
};

/** What tells most, whatever it takes. */
const most: Chooser = ({ dictionary }, found, seen) =>
  nextLooks(dictionary, found, seen).reduce<{ look?: number; bits: number }>(
    (a, b) => (b.bits > a.bits ? b : a),
    { bits: 0 },
  ).look;

const anyOf: Chooser = ({ dictionary }, _, seen, random) => {
  const left = dictionary.looks.map((__, i) => i).filter((i) => !seen.some(({ look }) => look === i));
  return left[Math.floor(random() * left.length)];
};

/** From the program to the sensor, always in the middle of what is left; then whatever is left in that order. */
const halfSplit: Chooser = ({ dictionary }, _, seen) => {
  const healthy = nth(dictionary.rows, 0).sights;
  const path = dictionary.looks
    .map((look, i) => ({ look, i }))
    .sort((a, b) => PATH.indexOf(a.look.spot) - PATH.indexOf(b.look.spot) || a.i - b.i)
    .map(({ i }) => i);
  let [low, high] = [0, path.length - 1];
  for (const { look, is } of seen) {
    const at = path.indexOf(look);
    if (at < low || at > high) continue;
    const sight = sure(healthy[look]);
    const sound = isReading(sight)
      ? typeof is === 'number' && is >= sight.min && is <= sight.max
      : (sight.kind === 'on') === is;
    if (sound) high = at - 1;
    else low = at + 1;
  }
  const middle = path[Math.floor((low + high) / 2)];
  const isNew = (i: number | undefined): i is number =>
    i !== undefined && !seen.some(({ look }) => look === i);
  return low <= high && isNew(middle) ? middle : path.find(isNew);
};
const PATH = ['screen', 'panel', 'field'];

/** Looks until it is content: whether it was right, how sure, and in how many looks. */
function search(one: Case, choose: Chooser, random: Random, slips: number) {
  const seen: Seen[] = [];
  let found = suspects(one.groups, seen);
  while (seen.length < MOST && nth(found, 0).share < CONTENT) {
    const look = choose(one, found, seen, random);
    if (look === undefined) break;
    const sight = sure(one.truth[look]);
    const right = readingOf(sight, random);
    seen.push({ look, is: random() < slips ? wrongly(sight, right, random) : right });
    found = suspects(one.groups, seen);
  }
  const first = nth(found, 0);
  return {
    right: first.rows.some(({ fault }) => fault?.id === one.id),
    share: first.share,
    looks: seen.length,
    seconds: secondsOf(one.dictionary, seen),
  };
}

/** How long looks take one after the other, with the ways between them and the target put or taken away. */
const secondsOf = (dictionary: Dictionary, seen: readonly Seen[]): number =>
  seen.reduce(
    (sum, { look }, i) =>
      sum + secondsTo(hereAfter(dictionary, seen.slice(0, i)), sure(dictionary.looks[look])),
    0,
  );

/** The same fault, put in by editing the job as a technician could. */
function editedJob(job: JobContent, id: string): JobContent | undefined {
  const [kind, first = '', second = '', item = ''] = id.split(' ');
  const wires = (change: (wire: Wire) => Wire[]): JobContent => ({
    ...job,
    wires: job.wires.flatMap(change),
  });
  if (kind === 'open') return wires((wire) => (wire.id === first ? [] : [wire]));
  if (kind !== 'exchanged') return undefined;
  const ends = [first, second].map((wireId) => {
    const { from, to } = sure(job.wires.find((wire) => wire.id === wireId));
    return from.startsWith(`${item}:`) ? from : to;
  });
  const [a = '', b = ''] = ends;
  const put = (ref: string, from: string, to: string): string => (ref === from ? to : ref);
  return wires((wire) =>
    wire.id === first
      ? [{ ...wire, from: put(wire.from, a, b), to: put(wire.to, a, b) }]
      : wire.id === second
        ? [{ ...wire, from: put(wire.from, b, a), to: put(wire.to, b, a) }]
        : [wire],
  );
}

function casesOf(job: JobContent, analysis: Analysis): Case[] {
  const dictionary = dictionaryOf(analysis);
  const groups = groupsOf(dictionary);
  const { id: pointId, tag } = analysis.context.point;
  return dictionary.rows.slice(1).map((row): Case => {
    const { id } = sure(row.fault);
    const made = editedJob(job, id);
    // A wire that is gone may take its input out of the circuit that is looked at: then it is no other way.
    const again = made && analyse(new JobIndex(made), pointId, 'nominal');
    const remains = (made: Analysis): boolean =>
      made.context.output.drivenBy === 'guard'
        ? hasDictionary(made)
        : made.present.inputs.length > 0 || made.present.measured.length > 0;
    const other = again && remains(again) ? again : undefined;
    const truth = other
      ? sightsOf(subjectOf(analysis), dictionary.looks, netsOf(other), undefined)
      : row.sights;
    return { tag, dictionary, groups, id, truth, edited: other !== undefined };
  });
}

/** Whether a fault could bring more to its leads than may be touched: there only indicators are asked. */
const strays = ({ dictionary: { rows, harmless } }: Case): boolean =>
  rows.some(({ sights }) =>
    sights.some((sight) => sight.kind === 'volts' && Math.max(-sight.min, sight.max) > harmless),
  );

const percent = (count: number, of: number): string => `${((100 * count) / of).toFixed(1)} %`;

/** Every single fault of every switching point of the demo: found, and in how many looks. */
export function faulting(): void {
  const job = ternRock();
  const index = new JobIndex(job);
  const analyses = job.points.map(({ id }) => analyse(index, id)).filter(hasDictionary);
  const times = analyses.map((analysis) => {
    const start = performance.now();
    dictionaryOf(analysis);
    return performance.now() - start;
  });
  const cases = analyses.flatMap((analysis) => casesOf(job, analysis));
  const hidden = cases.filter(({ groups, id }) => nth(groups, 0).some(({ fault }) => fault?.id === id));
  const shown = cases.filter((one) => !hidden.includes(one));
  const all = (choose: Chooser, slips: number) => {
    const random = seeded(1);
    return shown.map((one) => ({ one, ...search(one, choose, random, slips) }));
  };
  const mean = (rows: readonly Readonly<Record<'looks' | 'seconds', number>>[], key: 'looks' | 'seconds') =>
    rows.reduce((sum, row) => sum + row[key], 0) / rows.length;
  const took = (rows: Parameters<typeof mean>[0]): string =>
    `${mean(rows, 'looks').toFixed(2)} looks, ${mean(rows, 'seconds').toFixed(0)} s`;
  const [own, telling, random, split] = [all(best, 0), all(most, 0), all(anyOf, 0), all(halfSplit, 0)];
  const slipped = all(best, 0.05);
  const sureOfWrong = slipped.filter(({ right, share }) => !right && share > CONTENT);
  const values = new Set(
    analyses
      .filter(({ context }) => context.output.drivenBy === 'value')
      .map(({ context }) => context.point.tag),
  );
  console.log(
    `Faults of ${analyses.length} points of the demo, ${values.size} of them values: ${cases.length}`,
  );
  console.log(`  made by editing the job               ${cases.filter(({ edited }) => edited).length}`);
  console.log(`  that nothing can show                 ${hidden.length}`);
  console.log(
    `  true one first (wanted: 95 %)         ${percent(own.filter(({ right }) => right).length, own.length)}`,
  );
  for (const [where, rows] of [
    ['of it at points that switch       ', own.filter(({ one }) => !values.has(one.tag))],
    ['of it at values on analog inputs  ', own.filter(({ one }) => values.has(one.tag))],
    ['of it where no mains can stray    ', own.filter(({ one }) => !strays(one))],
    ['of it where mains could stray     ', own.filter(({ one }) => strays(one))],
  ] as const)
    console.log(
      `    ${where}${percent(rows.filter(({ right }) => right).length, rows.length)} of ${rows.length}`,
    );
  console.log(`  as proposed                           ${took(own)}`);
  console.log(`  by what tells most                    ${took(telling)}`);
  console.log(`  in any order (wanted: twice that)     ${took(random)}`);
  console.log(`  half-split along the path             ${took(split)}`);
  console.log(
    `  5 % of readings wrong (wanted: 85 %)  ${percent(slipped.filter(({ right }) => right).length, slipped.length)}`,
  );
  console.log(`  sure of a wrong one (wanted: < 1 %)   ${percent(sureOfWrong.length, slipped.length)}`);
  console.log(`  a point’s dictionary, slowest, ms     ${Math.max(...times).toFixed(0)}`);
  for (const { tag, id } of hidden) console.log(`    cannot be seen: ${tag} ${id}`);
  for (const { one } of own.filter(({ right }) => !right)) console.log(`    missed: ${one.tag} ${one.id}`);
}
