import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { digitsForSpan } from '../units/index.ts';
import { actionText, ladderOf, turnsOf } from '../switching/index.ts';
import type { Level, PointLadder } from '../switching/index.ts';
import { seen } from './sought.ts';
import type { Sought, SoughtGroup } from './sought.ts';

/** A time taken by hand: so much of it, and so much besides, s, it may be off. */
const BY_HAND = { share: 0.02, fixed: 0.5 };

const CAUTION = say('switching.proof-moves');

/**
 * The test of a point's alarm ladder with the fewest injections: for each side one slow way out and back, one jump,
 * and what a wire, a power cut and each key make of it in between.
 */
export function ladderGroups(analysis: Analysis): SoughtGroup[] {
  const found = ladderOf(analysis);
  if (!found || 'problem' in found || found.findings.length) return [];
  const { levels } = found.ladder;
  const upper = levels.filter(({ direction }) => direction === 'above').sort((a, b) => a.limit - b.limit);
  const lower = levels.filter(({ direction }) => direction === 'below').sort((a, b) => b.limit - a.limit);
  return [...sideGroups(found, upper, 'up'), ...sideGroups(found, lower, 'down'), ...faultGroup(found)];
}

type Way = 'up' | 'down';

function sideGroups(found: PointLadder, levels: readonly Level[], way: Way): SoughtGroup[] {
  if (!levels.length) return [];
  const { unit } = found;
  const timed = levels.filter(({ delay }) => delay > 0);
  const kept = levels.filter(({ clearedBy }) => clearedBy !== 'itself');
  const group = (key: string, title: Message, how: Message, checks: Sought[]): SoughtGroup[] =>
    checks.length ? [{ key: `ladder-${key}-${way}`, title, how, caution: CAUTION, checks }] : [];
  const longest = Math.max(0, ...levels.map(({ delay }) => delay));
  return [
    ...group(
      'out',
      say('switching.proof-out', { way }),
      say('switching.proof-out-how', { seconds: longest }),
      levels.map((level) => valueCheck(found, level, 'reaches')),
    ),
    ...group(
      'back',
      say('switching.proof-back', { way }),
      say('switching.proof-back-how'),
      [...levels]
        .reverse()
        .flatMap((level) =>
          level.clearedBy === 'itself'
            ? [valueCheck(found, level, 'leaves')]
            : [
                yes(
                  `stays-${level.id}`,
                  say('switching.proof-stays', { name: level.name }),
                  say('switching.proof-value-back'),
                ),
              ],
        ),
    ),
    ...group(
      'clear',
      say('switching.proof-clear'),
      say('switching.proof-clear-how'),
      kept.flatMap(clearChecks),
    ),
    ...group(
      'jump',
      say('switching.proof-jump', { way, value: beyondAll(found, levels, way), unit }),
      say('switching.proof-jump-how'),
      timed.map((level) => delayCheck(level)),
    ),
  ];
}

/** A value beyond every limit of a side, by its band, within the range. */
function beyondAll({ ladder: { range }, bandOf }: PointLadder, levels: readonly Level[], way: Way): number {
  const last = levels.at(-1)?.limit ?? 0;
  return way === 'up'
    ? Math.min(range.high, last + 2 * bandOf(last) + 0.02 * (range.high - range.low))
    : Math.max(range.low, last - 2 * bandOf(last) - 0.02 * (range.high - range.low));
}

const yes = (key: string, label: Text, detail: Text): Sought =>
  seen({ key: `ladder.${key}`, label, detail }, true, say('proof.as-expected-2'), say('proof.other'));

function valueCheck(
  { unit, ladder, bandOf }: PointLadder,
  level: Level,
  which: 'reaches' | 'leaves',
): Sought {
  const { on, back } = turnsOf(level);
  const nom = which === 'reaches' ? on : back;
  return {
    key: `ladder.${which}-${level.id}`,
    label: say(which === 'reaches' ? 'switching.proof-comes' : 'switching.proof-goes', { name: level.name }),
    detail: say('switching.proof-does', { does: level.does.map(actionText) }),
    look: () => {
      const room = bandOf(nom);
      return {
        kind: 'reading',
        nom,
        min: nom - room,
        max: nom + room,
        unit,
        digits: Math.max(1, digitsForSpan(ladder.range.high - ladder.range.low)),
      };
    },
  };
}

function delayCheck({ id, name, delay }: Level): Sought {
  const room = BY_HAND.share * delay + BY_HAND.fixed;
  return {
    key: `ladder.delay-${id}`,
    label: say('switching.proof-delay', { name }),
    detail: say('switching.proof-delay-detail'),
    look: () => ({
      kind: 'reading',
      nom: delay,
      min: Math.max(0, delay - room),
      max: delay + room,
      unit: 's',
      digits: 1,
    }),
  };
}

const MAY_NOT: Readonly<Record<Level['clearedBy'], 'anyone' | 'operator' | undefined>> = {
  itself: undefined,
  anyone: undefined,
  operator: 'anyone',
  key: 'operator',
};

/** Of what is kept: a power cut changes nothing where it may not, who may not clear it cannot, and who may can. */
function clearChecks({ id, name, clearedBy, keptOverPowerCut }: Level): Sought[] {
  if (clearedBy === 'itself') return [];
  const without = MAY_NOT[clearedBy];
  return [
    ...(keptOverPowerCut
      ? [yes(`power-${id}`, say('switching.proof-power', { name }), say('switching.proof-power-detail'))]
      : []),
    ...(without
      ? [
          yes(
            `without-${id}`,
            say('switching.proof-without', { name, by: without }),
            say('switching.proof-without-detail'),
          ),
        ]
      : []),
    yes(
      `clear-${id}`,
      say('switching.proof-clears', { name, by: clearedBy }),
      say('switching.proof-value-back'),
    ),
  ];
}

/** A break and a short, each with everything that acts on it. */
function faultGroup({ ladder: { levels }, made }: PointLadder): SoughtGroup[] {
  const acting = levels.filter(({ onFault }) => onFault === 'acts').map(({ name }) => name);
  const checks = (['break', 'short'] as const).map((is) =>
    yes(
      is,
      say('switching.proof-fault', { is, names: acting }),
      say('switching.proof-fault-detail', { seconds: made.chain.bands.delay }),
    ),
  );
  return [
    {
      key: 'ladder-fault',
      title: say('switching.proof-faults'),
      how: say('switching.proof-faults-how'),
      caution: CAUTION,
      checks,
    },
  ];
}
