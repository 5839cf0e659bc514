import type { Rail } from './jobIndex.ts';

/** `0 V`, `+24 V`, `L 230 V`, `N`, `earth`. */
export function railWords(rail: Rail, volts: number): string {
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
export function terminalWords(terminal: string): string {
  const channel = /^I(\d+)$/.exec(terminal);
  if (channel) return `channel ${channel[1]}`;
  const common = /^COM(\d+)$/.exec(terminal);
  return common ? `common ${common[1]}` : terminal;
}

/** `250 Ω`, `4.7 kΩ`. */
export function ohmsText(ohms: number): string {
  if (ohms < 1000) return `${Number(ohms.toPrecision(3))}\u00a0Ω`;
  if (ohms < 1e6) return `${Number((ohms / 1000).toPrecision(3))}\u00a0kΩ`;
  return `${Number((ohms / 1e6).toPrecision(3))}\u00a0MΩ`;
}

/** The words with a small first letter, unless they begin with an abbreviation. */
export const lowerFirst = (words: string): string =>
  /^[A-Z][a-z]/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
