import { NOTHING_CONDUCTS } from '@keypost/core/fault';
import type { Look, Suspect } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { formatOhms, withUnit } from '@keypost/core/units';

const NOTHING = 'Nothing of this point is wrong';

/** What a suspect is; of several that nothing tells apart the first, and how many more. */
export function suspectText({ rows }: Suspect): string {
  const [first, ...others] = rows;
  const what = first?.fault ? textOf(first.fault.what) : NOTHING;
  return others.length ? `${what}, or ${others.length} more` : what;
}

/** How an indicator stands. */
export const indicatorText = (kind: Look['kind'], on: boolean): string =>
  kind === 'bit' ? (on ? '1' : '0') : on ? 'lit' : 'dark';

/** What a meter shows, V or Ω. */
export const readText = (kind: Look['kind'], reading: number): string =>
  kind !== 'ohms'
    ? withUnit(reading, 'V', 4)
    : reading >= NOTHING_CONDUCTS / 100
      ? 'open'
      : reading < 1
        ? '0 Ω'
        : formatOhms(reading);

/** All of them. */
export const allTexts = ({ rows }: Suspect): string[] =>
  rows.map(({ fault }) => (fault ? textOf(fault.what) : NOTHING));
