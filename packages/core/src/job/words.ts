import type { CommonRail, Rail } from './jobIndex.ts';

/** Whether current goes out of the input there: 0 V, or N. */
export const isReturn = (rail: Rail | undefined): boolean => rail === '-' || rail === 'N';

/** The rail that a contact must bring where a common sits on this one. */
export const oppositeRail = (rail: CommonRail): CommonRail =>
  (({ '+': '-', '-': '+', L: 'N', N: 'L' }) as const)[rail];

/** `0 V`, `+24 V`, `L 230 V`, `N`, `earth`. */
export function railText(rail: Rail, volts: number): string {
  switch (rail) {
    case '-':
      return '0\u00a0V';
    case '+':
      return `+${Math.round(volts)}\u00a0V`;
    case 'L':
      return `L ${Math.round(volts)}\u00a0V`;
    case 'N':
      return 'N';
    case 'PE':
      return 'earth';
  }
}

/** `channel 3`, `common 1`, or the terminal's own name. */
export function terminalText(terminal: string): string {
  const channel = /^I(\d+)$/.exec(terminal);
  if (channel) return `channel ${channel[1]}`;
  const common = /^COM(\d+)$/.exec(terminal);
  return common ? `common ${common[1]}` : terminal;
}
