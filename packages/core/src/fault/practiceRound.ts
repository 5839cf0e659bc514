import { nth, seeded } from '../lists/index.ts';
import type { Analysis, Nets } from '../analysis/index.ts';
import { groupsOf } from './diagnose.ts';
import type { Dictionary, DictionaryRow } from './dictionary.ts';
import { pointFaults } from './pointFaults.ts';
import { netsOf } from './pointFault.ts';
import { alike } from './sight.ts';
import type { PointFault } from './pointFault.ts';
import type { Level, RoundKey } from './practiceCode.ts';
import type { Subject } from './subject.ts';

/** What a round hides. */
export interface Round {
  readonly key: RoundKey;
  readonly faults: readonly PointFault[];
  /** Something else that is out of order and changes nothing. */
  readonly herring: PointFault | undefined;
  /** The reading of the meter that is wrong, from 0: its lead did not hold. */
  readonly slip: number | undefined;
  readonly nets: Nets;
  /** The point as it then is, where more than its circuit is otherwise. */
  readonly as: Subject | undefined;
  readonly shown: PointFault['shown'];
}

/** Sorts that a beginner looks for. */
const EASY = new Set(['wire-open', 'supply', 'target', 'output']);
const HARD = new Set(['wire-weak', 'wires-exchanged', 'wire-short', 'input', 'program', 'kind']);

/**
 * Hides a fault that something can show, by the round's key: with the same job the same for everybody. An easy one is
 * what happens often, a hard one what is mixed up with others; a mean one has two, or a red herring and a reading that is wrong.
 * @returns nothing where the point has no such fault.
 */
export function makeRound(analysis: Analysis, dictionary: Dictionary, key: RoundKey): Round | undefined {
  const random = seeded(key.seed + 1);
  const sound = silentIn(dictionary);
  const all = pointFaults(analysis).filter(({ id }) => !sound.has(id));
  const first = pick(
    all.filter((fault) => (key.sort ? fault.sort === key.sort : suits(key.level, fault))),
    random,
  );
  if (!first) return undefined;
  const isMean = key.level === 'mean';
  const isDouble = isMean && random() < 0.5;
  const second = isDouble
    ? pick(
        all.filter((fault) => goesWith(first, fault)),
        random,
      )
    : undefined;
  const faults = second ? [first, second] : [first];
  const leds = pointFaults(analysis).filter(
    ({ id, sort }) => sort === 'led' && faults.every((fault) => fault.id !== id && fault.sort !== 'led'),
  );
  const herring =
    (isMean && !isDouble) || (key.level === 'hard' && random() < 0.3) ? pick(leds, random) : undefined;
  const slip = isMean && random() < 0.6 ? Math.floor(random() * 3) : undefined;
  const broken = [...faults, ...(herring ? [herring] : [])];
  const nets = faults.reduce<Nets>((left, fault) => fault.leaves(left), netsOf(analysis));
  return {
    key,
    faults,
    herring,
    slip,
    nets,
    as: first.as,
    shown: broken.reduce<PointFault['shown']>((shown, fault) => ({ ...shown, ...fault.shown }), undefined),
  };
}

/** Faults with which everything works: what is only seen beside a sheet, or with power off, is nothing that anybody would report. */
function silentIn({ looks, rows }: Dictionary): ReadonlySet<string | undefined> {
  const works = nth(rows, 0).sights;
  const isSilent = ({ sights }: DictionaryRow): boolean =>
    sights.every((sight, i) => {
      const { kind, power } = nth(looks, i);
      return kind === 'asSet' || power === 'off' || alike(sight, nth(works, i));
    });
  return new Set(rows.filter(isSilent).map(({ fault }) => fault?.id));
}

function suits(level: Level, { sort, likely }: PointFault): boolean {
  if (level === 'easy') return EASY.has(sort) && likely !== 'seldom';
  return level === 'hard' ? HARD.has(sort) : true;
}

/** Whether two can be put in beside each other: at different places, and the second one changes a circuit as it finds it. */
const goesWith = (first: PointFault, second: PointFault): boolean =>
  second.id !== first.id &&
  second.sort !== first.sort &&
  second.as === undefined &&
  !(first.sort.startsWith('wire') && second.sort.startsWith('wire'));

const pick = <T>(list: readonly T[], random: () => number): T | undefined =>
  list[Math.floor(random() * list.length)];

/** Whether an answer names what is hidden, or what nothing tells from it. */
export function isFound(dictionary: Dictionary, { faults }: Round, answer: readonly string[]): boolean {
  const groups = groupsOf(dictionary);
  const groupOf = (id: string): readonly DictionaryRow[] | undefined =>
    groups.find((rows) => rows.some(({ fault }) => fault?.id === id));
  return (
    answer.length === faults.length &&
    faults.every(({ id }) => answer.some((one) => one === id || groupOf(one) === groupOf(id)))
  );
}
