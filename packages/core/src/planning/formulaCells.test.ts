import fc from 'fast-check';
import { FORMULA, plainCell } from './readCsv.ts';

test.each(['+', '-', '+24', '-5', '-5,5', '- ', 'BN', '0 V', 'C1-', "'"])(
  'a cell %j is written as it is: a label printer prints what stands in it',
  (cell) => expect(FORMULA.test(cell)).toBe(false),
);

test.each(['=1+1', '+A1', '-K1', '@SUM(A1)', '-2+3', '+cmd|x', '\tA', '\rA'])(
  'a cell %j would be computed by a spreadsheet: it is marked',
  (cell) => expect(FORMULA.test(cell)).toBe(true),
);

test('whatever is written is read back', () => {
  fc.assert(
    fc.property(fc.string(), (cell) => {
      // What begins with the mark and a sign was never written by hand.
      fc.pre(!/^'[=+\-@\t\r]/.test(cell));
      expect(plainCell(FORMULA.test(cell) ? `'${cell}` : cell)).toBe(cell);
    }),
  );
});
