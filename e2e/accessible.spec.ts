import type { Page } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './site';
import { BOARD } from './story';

/** Every page of the application, with what stands on it once it is there. */
const PAGES: readonly (readonly [path: string, ready: RegExp])[] = [
  ['/', /Recirculation hall/],
  ['/try', /Will it work together/],
  ['/tools', /Pulses/],
  ['/tools/signal', /Signal/],
  [BOARD, /PX-104/],
  [`${BOARD}/panel`, /Panel/],
  [`${BOARD}/log`, /Log/],
  [`${BOARD}/about`, /Mains/],
  [`${BOARD}/supplies`, /G1/],
  [`${BOARD}/wires`, /Wire/],
  [`${BOARD}/allocate`, /Allocat/],
  [`${BOARD}/buses`, /LINE 1/],
  [`${BOARD}/live`, /IOL 1/],
  [`${BOARD}/ports/iol-1`, /Port 1/],
  [`${BOARD}/plan/line-1`, /LINE 1/],
  [`${BOARD}/kinds`, /own/],
  [`${BOARD}/new-point`, /Add/],
  [`${BOARD}/labels`, /What stands on them/],
  [`${BOARD}/code`, /All points in one program/],
  [`${BOARD}/photos`, /Bracket bent/],
  [`${BOARD}/point/pe-101`, /Works/],
  [`${BOARD}/point/px-108`, /none flows/],
  [`${BOARD}/point/px-112/fault`, /Suspects/],
  [`${BOARD}/point/pe-101/fit`, /Fit/],
  [`${BOARD}/point/pe-101/prove`, /Prove/],
  [`${BOARD}/point/pe-101/log`, /Log/],
  [`${BOARD}/point/pe-101/edit`, /Edit point/],
  [`${BOARD}/point/pe-101/wires`, /Wire/],
  [`${BOARD}/point/pe-101/parts`, /figure/i],
  [`${BOARD}/point/pe-106/photos`, /Bracket bent/],
  [`${BOARD}/point/pe-207/relay`, /relay/i],
  [`${BOARD}/point/ft-220/set`, /required/],
  [`${BOARD}/point/ft-220/history`, /History/],
  [`${BOARD}/point/pt-221/scale`, /Chain/],
  [`${BOARD}/point/pt-221/scale/setup`, /Setup/],
  [`${BOARD}/point/pt-221/scale/code`, /Structured Text/],
  [`${BOARD}/point/pt-221/scale/tables`, /table/i],
  [`${BOARD}/point/pt-221/scale/calibrate`, /calibrat/i],
  [`${BOARD}/point/pt-221/scale/displays`, /Two displays/],
  [`${BOARD}/point/pt-221/switch/threshold`, /Where it switches/],
  [`${BOARD}/point/at-223/switch`, /Checked whole/],
  [`${BOARD}/point/pe-101/switch`, /If in doubt/],
  [`${BOARD}/point/ut-224/switch/threshold?id=pump`, /How surely/],
  [`${BOARD}/point/at-223/switch/ladder`, /Keep the alarms/],
  [`${BOARD}/point/at-223/switch/play`, /What happens/],
  [`${BOARD}/point/at-223/switch/code`, /Executed beside/],
  [`${BOARD}/point/fs-116/switch/teach`, /Taught so far/],
  [`${BOARD}/point/lt-270/switch/device`, /What its parameters must hold/],
  [`${BOARD}/point/lt-270/scale/line`, /beside a tape/],
  [`${BOARD}/point/ft-220/scale/flow`, /Flow/],
  [`${BOARD}/point/pt-221/prove`, /Inject/],
  [`${BOARD}/point/yv-254/program`, /It is on while/],
];

/** What an automatic check finds, each with some of the places. */
async function foundOn(page: Page, rules?: string[]): Promise<string[]> {
  // The pages have no frames: results need not be put together in a page of their own, which takes six times as long.
  const builder = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? builder.withRules(rules) : builder).analyze();
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .slice(0, 3)
        .map(({ html }) => html.slice(0, 160))
        .join(' | ')}`,
  );
}

/** Words that stand beyond the right edge where nothing scrolls, or are cut, with text of a size. */
const beyondTheSide = (page: Page, size = '100%'): Promise<string[]> =>
  page.evaluate(async (fontSize) => {
    document.documentElement.style.fontSize = fontSize;
    await new Promise((done) => setTimeout(done, 300));
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      (/auto|scroll/.test(getComputedStyle(element).overflowX) || scrolls(element.parentElement));
    const isCut = (element: HTMLElement): boolean => {
      const { overflowX } = getComputedStyle(element);
      return (
        element.children.length === 0 &&
        (overflowX === 'hidden' || overflowX === 'clip') &&
        (element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 3)
      );
    };
    const found = Array.from(document.querySelectorAll<HTMLElement>('body *'))
      .filter((element) => {
        const { right, width } = element.getBoundingClientRect();
        if (width === 0) return false;
        const isOff = isCut(element) || (right > innerWidth + 1 && !scrolls(element.parentElement));
        // Last, since the whole page is laid out for it.
        return isOff && Boolean(element.innerText?.trim());
      })
      .map(
        (element) =>
          `${fontSize}: ${element.innerText.slice(0, 60)} to ${element.getBoundingClientRect().right}`,
      )
      .slice(0, 5);
    document.documentElement.style.fontSize = '';
    return found;
  }, size);

// Each goes through pages of its own and changes nothing.
test.describe.configure({ mode: 'parallel' });

/** So many pages are gone through in one go. */
const AT_ONCE = 8;
const rounds = Array.from({ length: Math.ceil(PAGES.length / AT_ONCE) }, (_, i) =>
  PAGES.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
);

for (const [i, pages] of rounds.entries())
  test(`pages keep nobody out, in either look, at three widths and with text twice as large, ${i + 1} of ${rounds.length}`, async ({
    page,
  }) => {
    test.setTimeout(900_000);
    await page.addInitScript(() =>
      localStorage.setItem('keypost.settings', JSON.stringify({ by: 'MR', theme: 'system' })),
    );
    const found: string[] = [];
    for (const [path, ready] of pages) {
      await page.setViewportSize({ width: 390, height: 844 });
      await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
      await page.goto(path);
      await expect(page.getByText(ready).first()).toBeVisible();
      await page.waitForTimeout(300);
      const phone = await foundOn(page);
      await page.emulateMedia({ colorScheme: 'dark' });
      const dark = await foundOn(page, ['color-contrast']);
      await page.setViewportSize({ width: 320, height: 700 });
      const narrow = await beyondTheSide(page);
      await page.setViewportSize({ width: 390, height: 844 });
      const twice = await beyondTheSide(page, '200%');
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.waitForTimeout(300);
      const wide = await foundOn(page);
      found.push(...[...phone, ...dark, ...narrow, ...twice, ...wide].map((words) => `${path}: ${words}`));
    }
    expect(found).toEqual([]);
  });
