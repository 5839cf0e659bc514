import jsQR from 'jsqr';
import { LABEL_SIZES, labelPages, labelsOnPage, linesOf, squaresOf } from './labelSheet';

const label = { tag: 'PE-101', name: 'Tray at infeed', address: 'http://192.168.10.5:4100/job/a/point/b' };

test('a code has the finder patterns of ISO/IEC 18004 in three corners, and grows with what it says', () => {
  const { path, size } = squaresOf('http://a/job/b/point/c');
  const dark = (x: number, y: number) => path.includes(`M${x} ${y}h1`);
  const ring = [0, 1, 2, 3, 4, 5, 6].map((x) => [x, 0] as const);
  for (const [left, top] of [
    [0, 0],
    [size - 7, 0],
    [0, size - 7],
  ] as const) {
    expect(ring.every(([x, y]) => dark(left + x, top + y))).toBe(true);
    // A dark middle of three by three in a white ring.
    expect([dark(left + 1, top + 1), dark(left + 2, top + 2), dark(left + 3, top + 3)]).toEqual([
      false,
      true,
      true,
    ]);
  }
  expect((size - 17) % 4).toBe(0);
  expect(squaresOf(`http://a/${'x'.repeat(200)}`).size).toBeGreaterThan(size);
});

test('another reader finds in a code what was put in', () => {
  for (const text of [
    label.address,
    `https://panel.example:4100/job/${'0123456789abcdef-'.repeat(4)}/point/x`,
  ]) {
    const { path, size } = squaresOf(text);
    const [quiet, scale] = [4, 4];
    const side = (size + 2 * quiet) * scale;
    const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
    for (const [, x, y] of path.matchAll(/M(\d+) (\d+)h1/g))
      for (let dy = 0; dy < scale; dy++)
        for (let dx = 0; dx < scale; dx++) {
          const at = 4 * (((Number(y) + quiet) * scale + dy) * side + (Number(x) + quiet) * scale + dx);
          pixels.fill(0, at, at + 3);
        }
    expect(jsQR(pixels, side, side)?.data).toBe(text);
  }
});

test('labels fill pages, and what could be markup stays text', () => {
  const size = LABEL_SIZES.small;
  const many = Array.from({ length: labelsOnPage(size) + 1 }, (_, i) => ({ ...label, tag: `<&"${i}` }));
  const pages = labelPages(many, size);
  expect(pages).toHaveLength(2);
  for (const page of pages) {
    const parsed = new DOMParser().parseFromString(page, 'image/svg+xml');
    expect(parsed.querySelector('parsererror')).toBeNull();
  }
  expect(pages[1]).toContain('&#60;&#38;&#34;');
  expect(labelPages([], size)).toEqual([]);
});

test('a long name goes on in a second line, and ends with a sign where it is longer still', () => {
  expect(linesOf('Tray at infeed', 20)).toEqual(['Tray at infeed']);
  expect(linesOf('Recirculation pump two, dry run', 18)).toEqual(['Recirculation pump', 'two, dry run']);
  expect(linesOf('Recirculation pump two, dry run of the second hall', 18)).toEqual([
    'Recirculation pump',
    'two, dry run of…',
  ]);
  expect(linesOf('Donaudampfschifffahrt', 10)).toEqual(['Donaudamp…']);
});
