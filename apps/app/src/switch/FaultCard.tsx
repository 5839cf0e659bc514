import { textOf } from '@keypost/core/messages';
import type { PointLadder } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { FaultRows } from './OutputFaults';

/** What each fault of the wiring comes to, worked out from the circuit; those that are not safe first. */
export function FaultCard({ found: { outcomes, unsafe, unit } }: { found: PointLadder }) {
  if (!outcomes.length) return null;
  return (
    <FaultRows
      title="With a fault of the wiring"
      head={unsafe.map(({ sentence }) => sentence)}
      rows={outcomes.map((outcome) => ({
        what: outcome.fault.what,
        safe: outcome.safe,
        says: outcomeText(outcome, unit),
      }))}
      note="A value that stands still is seen by no limit: compare it with another, or watch that it moves."
    />
  );
}

/** What the input sees of a fault, what that is taken for, and which levels come of it. */
function outcomeText(
  { fault: { input, inputUnit, taken, seen, value }, comes }: PointLadder['outcomes'][number],
  unit: string,
): string {
  return [
    input === undefined ? '' : `${written(Math.abs(input) < 0.005 ? 0 : input, 4)} ${inputUnit}`,
    seen || value === undefined ? textOf(taken) : `reads ${written(value, 3)} ${unit}`,
    comes.length ? `${comes.join(', ')} ${comes.length === 1 ? 'comes' : 'come'}` : 'nothing comes',
  ]
    .filter(Boolean)
    .join(', ');
}
