import { nth, seeded } from '../src/lists/index.ts';
import type { JobContent } from '../src/model/index.ts';

/** Signs that names are made of here; of some the order is another where numbers count. */
const SIGNS = ['a', 'B', '1', '10', '9', '-', '.', 'z'];

/**
 * A job with other ids, tags, names, numbers, cables and first bytes, the same wherever they were the same.
 * @param order `kept`: what came before another still does; `any`: as chance has it.
 */
export function renamed(job: JobContent, seed: number, order: 'kept' | 'any'): JobContent {
  const random = seeded(seed);
  const tail = (): string => Array.from({ length: 4 }, () => nth(SIGNS, Math.floor(random() * 8))).join('');
  const naming = (sorted: readonly string[], sign: string): ((name: string) => string) => {
    const first = (i: number): number => 10_000 + (order === 'kept' ? i : Math.floor(random() * 80_000));
    const made = new Map([...new Set(sorted)].map((name, i) => [name, `${sign}${first(i)}x${tail()}x${i}`]));
    return (name) => made.get(name) ?? name;
  };
  const { modules, devices, points, wires } = job;
  const id = naming([...modules, ...devices, ...points, ...wires].map((row) => row.id).sort(), 'i');
  const word = naming(
    [
      ...[...modules, ...devices, ...points].map(({ tag }) => tag),
      ...points.flatMap(({ name, area = name }) => [name, area]),
      ...wires.flatMap(({ number, cable = number }) => [number, cable]),
    ].sort(new Intl.Collator('en', { numeric: true }).compare),
    'W',
  );
  const shift = Math.floor(random() * 900);
  const made: JobContent = {
    ...job,
    modules: modules.map((row) => ({ ...row, tag: word(row.tag), firstByte: 3 * row.firstByte + shift })),
    devices: devices.map((row) => ({ ...row, tag: word(row.tag) })),
    points: points.map((row) => ({
      ...row,
      tag: word(row.tag),
      name: word(row.name),
      ...(row.area !== undefined && { area: word(row.area) }),
    })),
    wires: wires.map((row) => ({
      ...row,
      number: word(row.number),
      ...(row.cable !== undefined && { cable: word(row.cable) }),
    })),
  };
  // Ids stand in rows of all sorts, alone and before a terminal.
  const inText = (text: string): string => text.replace(/^[^:]+/, id);
  return JSON.parse(
    JSON.stringify(made, (_, part: unknown) => (typeof part === 'string' ? inText(part) : part)),
  ) as JobContent;
}
