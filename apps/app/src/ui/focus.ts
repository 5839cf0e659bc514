/** Where the keyboard is: what keeps it when what had it goes, when a page comes, and when something is refused. */

const FIELDS =
  'input:not([type=hidden]):not([disabled]), textarea, [role=radio][tabindex="0"], [role=combobox], [role=slider]';
const GROUPS = '[role=dialog], [role=group], [role=listitem], [role=region], [role=main]';

/** Whether the last act came from the keyboard; only then a field opens what is typed with. */
let isByKeys = false;

const isSeen = (element: Element): boolean => element.getClientRects().length > 0;

/** Puts the keyboard on something that is no control itself. */
function focusOn(element: HTMLElement): void {
  if (!element.hasAttribute('tabindex') && !element.matches(FIELDS)) element.setAttribute('tabindex', '-1');
  element.focus({ preventScroll: true });
}

/** The name of the page that is seen, where what is read aloud goes on once a page has come. */
export function focusPage(): void {
  const heads = document.querySelectorAll<HTMLElement>('[role=main] h1');
  const head =
    [...heads].find(isSeen) ?? [...document.querySelectorAll<HTMLElement>('[role=main]')].find(isSeen);
  if (head) focusOn(head);
}

/**
 * Goes on at the name of a page once it is drawn; where somebody has gone on in it by then, it is left to them.
 * @param had what had the keyboard when the page came.
 */
export function focusNewPage(had: Element | null): void {
  requestAnimationFrame(() => {
    const now = document.activeElement;
    const isAStop = now instanceof HTMLElement && now.tabIndex >= 0;
    if (now === had || !isAStop) focusPage();
  });
}

/** @returns the first field below an element that holds something wrong, with the keyboard on it. */
export function focusWrong(within: Element): HTMLElement | undefined {
  const wrong = within.querySelector<HTMLElement>('[aria-invalid="true"]') ?? undefined;
  wrong?.focus();
  return wrong;
}

/** The nearest element around one that holds what a form asks. */
export function formAround(foot: Element): Element | undefined {
  let around = foot.parentElement;
  while (around && !around.querySelector(FIELDS)) around = around.parentElement;
  return around ?? undefined;
}

/** All that stands around an element, the nearest first, itself before them. */
function around(element: Element): Element[] {
  const path: Element[] = [];
  for (let at: Element | null = element; at && at !== document.body; at = at.parentElement) path.push(at);
  return path;
}

/**
 * Keeps the keyboard where somebody works: when the control that had it goes, because its form was stored or its row
 * removed, it goes to the group that it stood in; to the first field of what came instead, where keys are used.
 * @returns what ends it.
 */
export function keepFocus(): () => void {
  let path: Element[] = [];
  const came: Element[] = [];
  const settle = (): void => {
    const [own, ...rest] = path;
    const fields = came.splice(0).flatMap((element) => [...element.querySelectorAll<HTMLElement>(FIELDS)]);
    if (!own || own.isConnected || document.activeElement !== document.body) return;
    const left = rest.find(({ isConnected }) => isConnected);
    if (!left) return;
    const field = isByKeys ? fields.find((one) => one.isConnected && left.contains(one)) : undefined;
    focusOn(field ?? left.closest<HTMLElement>(GROUPS) ?? (left as HTMLElement));
  };
  const watcher = new MutationObserver((records) => {
    if (path[0]?.isConnected !== false) return;
    for (const { addedNodes } of records)
      for (const node of addedNodes)
        if (node instanceof Element && node.parentElement) came.push(node.parentElement);
    requestAnimationFrame(settle);
  });
  watcher.observe(document.body, { childList: true, subtree: true });
  const listeners = {
    focusin: ({ target }: Event) => void (path = target instanceof Element ? around(target) : []),
    keydown: () => void (isByKeys = true),
    pointerdown: () => {
      isByKeys = false;
      // Pressed beside all controls, none is worked on.
      setTimeout(() => document.activeElement === document.body && path[0]?.isConnected && (path = []));
    },
  };
  for (const [name, listener] of Object.entries(listeners)) document.addEventListener(name, listener, true);
  return () => {
    watcher.disconnect();
    for (const [name, listener] of Object.entries(listeners))
      document.removeEventListener(name, listener, true);
  };
}
