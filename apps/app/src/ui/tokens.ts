/**
 * Colours of the two looks, and of paper. Everything on the screen takes its colour from here. What can be touched has a rim, which
 * stands out from any ground; what only groups has an edge.
 */
export const TOKENS = {
  light: {
    bone: '#F1EDE2',
    plate: '#FBF9F3',
    ink: '#1C201D',
    soft: '#5A6159',
    edge: '#CDC6B4',
    rim: '#8A846F',
    line: '#E2DCCB',
    accent: '#0B6A61',
    wash: '#DDEBE6',
    pass: '#2C6A34',
    fail: '#AE3218',
    failwash: '#F6E2DA',
    wait: '#7D5900',
  },
  dark: {
    bone: '#121613',
    plate: '#1B211D',
    ink: '#EDEADF',
    soft: '#A3ABA2',
    edge: '#3A443D',
    rim: '#6E7B71',
    line: '#2A322D',
    accent: '#62C7B6',
    wash: '#1D3833',
    pass: '#7CC286',
    fail: '#F0876C',
    failwash: '#3B211A',
    wait: '#E0B24A',
  },
  paper: {
    bone: '#FFFFFF',
    plate: '#FFFFFF',
    ink: '#000000',
    soft: '#3C413C',
    edge: '#8F8C84',
    rim: '#6B675A',
    line: '#BDBAB2',
    accent: '#0B6A61',
    wash: '#F2F2F0',
    pass: '#2C6A34',
    fail: '#AE3218',
    failwash: '#FFFFFF',
    wait: '#7D5900',
  },
} as const;

export type Scheme = keyof typeof TOKENS;
export type Tokens = Record<keyof (typeof TOKENS)['light'], string>;

/** Colour of the current's path, the same in both looks. */
export const PATH = '#FFC23C';

function channels(hex: string): string {
  return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(' ');
}

/** The tokens as style variables, for the classes of the style sheet. */
export function variables(scheme: Scheme): Record<string, string> {
  return Object.fromEntries(
    Object.entries(TOKENS[scheme]).map(([name, hex]) => [`--${name}`, channels(hex)]),
  );
}
