import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Parameter } from '../catalog/index.ts';
import { JobProblem } from '../model/index.ts';
import { wipesIt } from '../job/index.ts';

/** Whether one must be set before the other: it would wipe it, the other needs it, it is a switch, the other ends the menu. */
export function mustPrecede(a: Parameter, b: Parameter): boolean {
  if (a.key === b.key) return false;
  if (wipesIt(a, b) || b.needs?.includes(a.key) || b.onlyIf?.key === a.key || b.unitKey === a.key)
    return true;
  if (b.last && !a.last) return true;
  // Switches behind covers are set while the supply is off, before any menu.
  return a.place === 'switch' && b.place !== 'switch' && !wipesIt(b, a) && !a.needs?.includes(b.key);
}

/** Lists of types stay the same objects, and a job asks for the order of one for each of its parts. */
/**
 * Parameters in an order in which no later one wipes an earlier, and none is asked before what it hangs on; else as
 * they stand in the menu.
 * @throws JobProblem when they hang on one another in a ring.
 */
export const safeOrder = oncePer((parameters: readonly Parameter[]): readonly Parameter[] => {
  const left = [...parameters];
  const ordered: Parameter[] = [];
  while (left.length) {
    const at = left.findIndex((candidate) => !left.some((other) => mustPrecede(other, candidate)));
    if (at < 0)
      throw new JobProblem([
        {
          path: '',
          message: say('setting.these-parameters-hang-another', { left: left.map(({ label }) => label) }),
        },
      ]);
    ordered.push(...left.splice(at, 1));
  }
  return ordered;
});
