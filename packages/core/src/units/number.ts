/** How a job writes numbers: with a decimal point (thousands `12,500`) or with a decimal comma (thousands `12.500`). */
export const NUMBER_STYLES = ['point', 'comma'] as const;
export type NumberStyle = (typeof NUMBER_STYLES)[number];

/** How numbers are kept, and read where nobody said otherwise. */
export const KEPT_STYLE: NumberStyle = 'point';

/** A number without groups, or with groups of three that leave no doubt about the decimal mark. */
export const NUMBER_PATTERN = [
  String.raw`\d{1,3}(?:,\d{3})+\.\d*`,
  String.raw`\d{1,3}(?:\.\d{3})+,\d*`,
  String.raw`\d{1,3}(?:(?:,\d{3}){2,}|(?:\.\d{3}){2,})`,
  String.raw`(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?`,
].join('|');

/** A mark before exactly three digits, which half the world reads as a thousand; a unit may follow. */
const THOUSAND = /^[+-]?[1-9]\d{0,2}([.,])\d{3}(?![\d.,/e])/i;

/** As it is typed, with one kind of minus, without spaces or marks that part groups of three and nothing else. */
export const bareNumber = (text: string): string =>
  text
    .trim()
    .replace('−', '-')
    .replace(/(?<=\d)[\u202f\u2009\u00a0'’](?=\d{3}(?!\d))/g, '');

/**
 * Both readings of a number whose mark may part thousands; nothing where there is one. `12,500` always has two, since a
 * comma is a decimal one on half of all keyboards; `12.500` has two where the job writes decimal commas.
 */
export function readingsOf(
  text: string,
  style: NumberStyle = KEPT_STYLE,
): readonly [small: string, large: string] | undefined {
  const [typed, mark] = THOUSAND.exec(bareNumber(text)) ?? [];
  if (typed === undefined || mark === undefined || (mark === '.' && style === 'point')) return undefined;
  return [String(Number(typed.replace(mark, '.'))), typed.replace(mark, '')];
}

/** The value of digits that {@link NUMBER_PATTERN} took and that have one reading. */
export function valueOf(digits: string): number {
  const last = Math.max(digits.lastIndexOf(','), digits.lastIndexOf('.'));
  if (last < 0) return Number(digits);
  const mark = digits.charAt(last);
  // A mark that stands twice parts groups; so does any before the last one.
  if (digits.indexOf(mark) !== last) return Number(digits.replaceAll(mark, ''));
  return Number(`${digits.slice(0, last).replace(/[.,]/g, '')}.${digits.slice(last + 1)}`);
}

/** A number of a file that states its style, with that style's marks alone; nothing where it has others. */
export function readStated(text: string, style: NumberStyle): number | undefined {
  const typed = bareNumber(text);
  const [group, mark] = style === 'comma' ? ['\\.', ','] : [',', '\\.'];
  const form = new RegExp(`^[+-]?(?:\\d+|\\d{1,3}(?:${group}\\d{3})+)(?:${mark}\\d*)?(?:e[+-]?\\d+)?$`, 'i');
  if (!form.test(typed)) return undefined;
  return Number(typed.replace(style === 'comma' ? /\./g : /,/g, '').replace(',', '.'));
}

/** Kept digits as a style writes them: `12.5` is `12,5` with decimal commas. Other words stay as they are. */
export const writtenIn = (text: string, style: NumberStyle): string =>
  style === 'comma' && /^[+−-]?\d+\.\d+(?:e[+-]?\d+)?$/i.test(text) ? text.replace('.', ',') : text;
