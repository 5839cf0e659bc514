import type { Rail } from './jobIndex.ts';

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
