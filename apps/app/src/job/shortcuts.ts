/** What a key does. Each acts on what one sees, as a hand would. */
export interface Shortcut {
  readonly key: string;
  /** Where the key is named otherwise than it is typed. */
  readonly shown?: string;
  readonly words: string;
  readonly act: () => void;
}

const first = (selector: string): HTMLElement | null => document.querySelector<HTMLElement>(selector);

/** Goes from the point that is open to another in the list beside it. */
function goBy(step: 1 | -1): void {
  const rows = [...document.querySelectorAll<HTMLElement>('[role="list"][aria-label="Points"] a')];
  const now = rows.findIndex((row) => row.getAttribute('aria-current') === 'page');
  const next = rows[now < 0 ? 0 : now + step];
  next?.scrollIntoView({ block: 'nearest' });
  next?.click();
}

const goToStage = (number: number): void =>
  [...document.querySelectorAll<HTMLElement>('[role="tab"]')][number - 1]?.click();

/** The parts of a job, by the letters after g. */
const goToPart = (name: string): void => first(`[role="navigation"] a[aria-label="${name}"]`)?.click();

export const SHORTCUTS: readonly Shortcut[] = [
  { key: 'n', words: 'next point of the board', act: () => goBy(1) },
  { key: 'p', words: 'previous point', act: () => goBy(-1) },
  ...[1, 2, 3, 4, 5, 6].map((number) => ({
    key: String(number),
    words: number === 1 ? 'the stages of a point, from the left' : '',
    act: () => goToStage(number),
  })),
  { key: '/', words: 'find a point', act: () => first('[data-testid="find"]')?.focus() },
  { key: 'a', words: 'add a point', act: () => first('a[aria-label="Add a point"]')?.click() },
  { key: 'u', words: 'undo what was stored last', act: () => first('[data-testid="undo"]')?.click() },
  {
    key: 's',
    shown: 'Ctrl Enter',
    words: 'store the form that is open',
    act: () => first('[data-testid="store"]')?.click(),
  },
  { key: 'b', words: 'Board', act: () => goToPart('Board') },
  { key: 'm', words: 'Panel: modules and supplies', act: () => goToPart('Panel') },
  { key: 'l', words: 'Log', act: () => goToPart('Log') },
  { key: 'j', words: 'Job', act: () => goToPart('Job') },
];

/** Whether a key goes into what is being written or chosen. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** What a key that was pressed does; nothing while somebody writes, or together with other keys. */
export function shortcutOf(event: KeyboardEvent): Shortcut | undefined {
  const { key, ctrlKey, metaKey, altKey, target } = event;
  if (key === 'Enter' && (ctrlKey || metaKey)) return SHORTCUTS.find(({ shown }) => shown !== undefined);
  if (ctrlKey || metaKey || altKey || isTyping(target)) return undefined;
  return SHORTCUTS.find((one) => one.key === key);
}
