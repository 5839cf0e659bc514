import type { Look, Suspect } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';

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

/** All of them. */
export const allTexts = ({ rows }: Suspect): string[] =>
  rows.map(({ fault }) => (fault ? textOf(fault.what) : NOTHING));
