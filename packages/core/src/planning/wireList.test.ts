import { nth, sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import { relayJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { JobProblem } from '../model/problem.ts';
import { awgToMm2, parseSection } from '../units/section.ts';
import { supplyBudgets } from './supplyBudget.ts';
import { readWireList, wireList, writeWireList } from './wireList.ts';

const job = relayJob();
const lines = (text: string) => text.split('\r\n');

test('the list is by terminal, says colour, core and place, and ends its lines as RFC 4180 wants', () => {
  const text = writeWireList(job);
  expect(lines(text)[0]).toBe(
    'wire,from,from_terminal,from_place,to,to_terminal,to_place,cable,core,colour,mm2,length_m,ferrule,found,numbers',
  );
  expect(lines(text)).toHaveLength(job.wires.length + 2);
  expect(wireList(job).map(({ from }) => from.item)).toEqual(
    [...wireList(job).map(({ from }) => from.item)].sort((a, b) =>
      a.localeCompare(b, 'en', { numeric: true }),
    ),
  );
});

test('what a spreadsheet would take for a formula is made safe, and comes back as it was', () => {
  const wire = nth(job.wires, 0);
  const nasty = after(job, { kind: 'editWire', wireId: wire.id, patch: { cable: '=1+1', core: '"a",b' } });
  const text = writeWireList(nasty);
  expect(text).toContain("'=1+1");
  expect(text).toContain('"""a"",b"');
  expect(text).toMatch(/,G1,\+,/);
  expect(text).not.toMatch(/'[+-]/);
  expect(readWireList(nasty, text)).toBeUndefined();
});

test('what was edited comes back as one change', () => {
  const edited = writeWireList(job).replace(/,BK,0\.75,1,,/, ',RD,AWG 18,"2,5",E1008,');
  const change = sure(readWireList(job, edited));
  const next = after(job, change);
  const changed = next.wires.filter((wire, i) => wire !== job.wires[i]);
  expect(changed).toHaveLength(1);
  expect(changed[0]).toMatchObject({ colour: 'RD', lengthM: 2.5, ferrule: 'E1008' });
  expect(nth(changed, 0).mm2).toBeCloseTo(0.823, 3);
});

describe('where the job writes decimal commas', () => {
  const comma = after(job, { kind: 'editJob', patch: { numbers: 'comma' } });
  const text = writeWireList(comma);

  test('the list does as well, says so in each line, and comes back as it was', () => {
    expect(lines(text)[1]).toMatch(/;0,75;1;.*;decimal comma$/);
    expect(readWireList(comma, text)).toBeUndefined();
    // Whatever the job that reads it writes.
    expect(readWireList(job, text)).toBeUndefined();
  });

  test('a number in it is what its line states, and is asked about where nothing is stated', () => {
    const edited = text.replace(';0,75;1;', ';0,75;1.500;');
    expect(readWireList(comma, edited)).toMatchObject({ changes: [{ patch: { lengthM: 1500 } }] });
    const bare = edited.replace('1.500;;;decimal comma', '1.500;;;');
    expect(refusalOf(() => readWireList(comma, bare))).toMatch(
      'line 2, length_m: quantity.thousands text=1.500 small=1.5 large=1500',
    );
  });
});

test.each([
  ['wire,from\r\n1,x\r\n', 'planning.list-lacks-column-begins'],
  [
    writeWireList(job).replace(/\r\n([^\r]*),BK,/, '\r\n$1,MAUVE,'),
    'line 2, colour: planning.colour-use colour=MAUVE colours=BN+BU+BK+WH+GY+RD+OG+YE+GN+VT+PK+TQ+GNYE',
  ],
  [
    writeWireList(job).replace(/,0\.75,1,/, ',thick,-3,'),
    'line 2, length_m: planning.length-use-more-0 length=-3',
  ],
  [
    `${writeWireList(job)}999,X,1,,Y,2,,,,BK,1,1,,\r\n`,
    'planning.job-wire wire=999 from=X from_terminal=1 to=Y to_terminal=2',
  ],
])('a list with mistakes is refused whole, each with its line', (text, message) => {
  expect(() => readWireList(job, text)).toThrow(JobProblem);
  expect(refusalOf(() => readWireList(job, text))).toMatch(message);
});

// ASTM B258, table of nominal cross-sections.
test.each([
  [24, 0.205],
  [20, 0.519],
  [18, 0.823],
  [14, 2.08],
  [10, 5.26],
])('AWG %i is %f mm²', (gauge, mm2) => {
  expect(awgToMm2(gauge) / mm2).toBeCloseTo(1, 2);
  expect(parseSection(`AWG ${gauge}`)).toBeCloseTo(awgToMm2(gauge), 2);
});

test('a cross-section may be metric or of the gauge, and nothing else', () => {
  expect([parseSection('0,75 mm²'), parseSection('1.5'), parseSection('thin')]).toEqual([
    0.75,
    1.5,
    undefined,
  ]);
});

describe('the supply’s budget', () => {
  const [dc, ac] = supplyBudgets(job);

  test('sums what every wire on plus carries at its worst', () => {
    // Sensor 24 V/2.4 kΩ = 10 mA and coil (24−1.1)/650 Ω = 35 mA, contact to the input 6.5 mA; 10 % on top.
    expect(sure(dc).amps).toBeCloseTo(1.1 * (0.01 + 0.0352 + 0.0068), 3);
    expect(
      sure(dc)
        .draws.map(({ tag }) => tag)
        .map(said),
    ).toEqual(['PX-1', 'K1']);
    expect(sure(dc).margin).toBeCloseTo(1 - sure(dc).amps / 5, 6);
    expect(sure(dc).weakest).toMatchObject({ tag: 'PX-1', needs: 10 });
    // Fan 45 W at 230 V.
    expect(sure(ac).amps).toBeCloseTo((1.1 * 45) / 230, 2);
  });

  test('falls short where the supply is too small', () => {
    const small = after(job, { kind: 'editSupply', id: 'g1', patch: { limitAmps: 0.05 } });
    expect(nth(supplyBudgets(small), 0).margin).toBeLessThan(0);
  });
});
