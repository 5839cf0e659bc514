import fc from 'fast-check';
import { nth, sure } from '../lists/index.ts';
import { DISTANCE_SENSOR } from '../../test/description.ts';
import { fieldbusJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { serialUnit } from '../../test/settingJobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { decodeRecord } from '../ioLink/index.ts';
import { aboutPoint } from '../network/index.ts';
import type { JobContent } from '../model/index.ts';
import { BusPlan, Scaling } from '../model/index.ts';
import type { DataChoice } from '../model/scaling.ts';
import { disagreementOf } from './agreesAt.ts';
import { bandOf, bandText } from './bands.ts';
import { budgetAt } from './budget.ts';
import { moveChain } from './chain.ts';
import { chainOf } from './pointChain.ts';
import type { PointChain } from './pointChainTypes.ts';
import { codeRequest } from './pointCode.ts';
import { exactValue } from './plcCode/codeRequest.ts';
import { scaleStep, scalingText } from './scaleStep.ts';
import { checkLine } from './statedLine.ts';

/** The distance sensor of the file, with limits and codes for its distance: raw 0 to 3940, beyond that a word. */
const LIMITED = DISTANCE_SENSOR.replace(
  '<SimpleDatatype xsi:type="UIntegerT" bitLength="12"/>',
  `<SimpleDatatype xsi:type="UIntegerT" bitLength="12"><ValueRange lowerValue="20" upperValue="3940"/>
     <SingleValue value="4094"><Name textId="TI_Q2"/></SingleValue><SingleValue value="4095"><Name textId="TI_Q1"/></SingleValue>
   </SimpleDatatype>`,
);

const sensorJob = (text = LIMITED): JobContent =>
  after(
    fieldbusJob('io-link-a', 'iol-aaaa'),
    { kind: 'addDescription', description: { id: 'd', fileName: 'd.xml', text } },
    { kind: 'editDevice', id: 'px-1-b', patch: { descriptionId: 'd' } },
  );

const chosen = (job: JobContent, data: DataChoice, rest: Record<string, unknown> = {}): JobContent =>
  after(job, { kind: 'setScaling', pointId: 'px-1', scaling: Scaling.parse({ data, ...rest }) });

const analysisOf = (job: JobContent) => analyse(new JobIndex(job), 'px-1');

function chainIn(job: JobContent): PointChain {
  const made = chainOf(analysisOf(job));
  if (!made || 'problem' in made) throw new Error(made ? said(made.problem) : 'no chain');
  return made;
}

const problemIn = (job: JobContent): string => {
  const made = chainOf(analysisOf(job));
  return made && 'problem' in made ? said(made.problem) : 'none';
};

describe('a value that arrives as process data', () => {
  test('has the scale, limits and codes of its file', () => {
    const { chain, data, notes } = chainIn(sensorJob());
    // value = raw × 0.5 mm + 30 mm
    expect([chain.sensor.low, chain.sensor.high, chain.sensor.unit]).toEqual([40, 2000, 'mm']);
    expect(moveChain(chain, 'counts', 1000).rows.value.value).toBe(530);
    expect(moveChain(chain, 'value', 1030).rows.counts.value).toBe(2000);
    expect(sure(data).value.codes.map(({ raw }) => raw)).toEqual([4094, 4095]);
    expect(notes.map(said).join(' ')).toMatch('4094');
  });

  test('a code is no value, and what lies between limit and code is out of range', () => {
    const { chain } = chainIn(sensorJob());
    const band = (raw: number) => moveChain(chain, 'counts', raw).band;
    expect([20, 3940, 3941, 4093, 4094, 4095, 19].map(band)).toEqual([
      'range',
      'range',
      'over',
      'over',
      'highFault',
      'highFault',
      'under',
    ]);
    expect(said(bandText(bandOf(chain.bands, 2080), chain.input))).toBe('scaling.no-value');
  });

  test('what it shows is what the decoded bytes say, whatever arrives', () => {
    const { chain, data } = chainIn(sensorJob());
    const { record, line } = { record: sure(sure(data).value.record), line: sure(data).line };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffff }), (word) => {
        const bytes = Uint8Array.of(word >> 8, word & 0xff);
        const raw = Number(decodeRecord(record, bytes).get('Distance'));
        // Counted from the last bit that is sent, as the file says: 12 bits from bit 4.
        expect(raw).toBe(word >> 4);
        const shown = moveChain(chain, 'counts', raw).rows.engineering.value;
        expect(Math.abs(shown - (raw * line.gradient + line.offset))).toBeLessThan(1e-9);
      }),
    );
  });

  test('stands for a level, falls as that rises, and its code gives the same', () => {
    const stands = { at: 1800, low: 0, atOther: 300, high: 1.5, unit: 'm' };
    const made = chainIn(chosen(sensorJob(), { stands }));
    const at = (value: number) => moveChain(made.chain, 'value', value).rows;
    expect([at(0).counts.value, at(1.5).counts.value]).toEqual([3540, 540]);
    expect(at(0.75).signal.value).toBeCloseTo(1050, 9);
    expect(disagreementOf(analysisOf(chosen(sensorJob(), { stands })), made)).toBeUndefined();
    const request = codeRequest('LT-1', made);
    expect(request.raw).toMatchObject({ low: 20, high: 3940 });
    for (const raw of [20, 540, 2040, 3540])
      expect(exactValue(request, raw)).toBeCloseTo(
        moveChain(made.chain, 'counts', raw).rows.engineering.value,
        9,
      );
    expect(said(scalingText(made))).toMatch('scaling.are-to');
  });

  test('a line in the program that is another is seen, and counts as an error', () => {
    const program = { rawLow: 0, low: 0, rawHigh: 4000, high: 2000 };
    const job = chosen(sensorJob(), { program });
    const off = sure(
      disagreementOf(analysisOf(job), chainIn(chosen(sensorJob(), { program: { ...program, high: 20000 } }))),
    );
    expect(off.shown).not.toBe(off.value);
    // The offset of 30 mm is missing everywhere.
    const { contributions } = budgetAt(analysisOf(job), chainIn(job), 1000);
    expect(sure(contributions.find(({ key }) => key === 'scaling')).plusMinus).toBeCloseTo(30, 6);
    const right = budgetAt(analysisOf(sensorJob()), chainIn(sensorJob()), 1000).contributions;
    expect(right.map(({ key }) => key)).not.toContain('scaling');
    expect(sure(right.find(({ key }) => key === 'converter')).plusMinus).toBeCloseTo(0.25, 9);
  });

  test('without limits or scale it says what is taken, and takes the leaflet’s', () => {
    const bare = DISTANCE_SENSOR.replace(/<ProcessDataRef .*<\/ProcessDataRef>/, '');
    const told = chainIn(sensorJob(bare)).notes.map(said).join(' ');
    expect(told).toMatch('scaling.limits-of-raw-taken');
    expect(told).toMatch('scaling.line-of-raw-taken');
    const line = { gradient: 0.5, offset: 30, unit: 'mm' };
    const typed = chainIn(chosen(sensorJob(bare), { line, raw: { low: 20, high: 3940 } }));
    expect(typed.notes.map(said)).toHaveLength(1);
    expect(moveChain(typed.chain, 'counts', 1000).rows.value.value).toBe(530);
  });

  test('an item that is not sent any more is named, with those that are', () => {
    expect(problemIn(chosen(sensorJob(), { item: 'Temperature' }))).toMatch(
      'scaling.value-is-not-sent item=Temperature allowed=Distance',
    );
    expect(chainOf(analysisOf(fieldbusJob('io-link-a', 'iol-aaaa')))).toBeUndefined();
  });

  test('that the controller holds it is open again when its line is another', () => {
    const key = (job: JobContent) => scaleStep(analysisOf(job), chainIn(job)).step.about();
    const line = { gradient: 0.1, offset: 0, unit: 'mm' };
    expect(key(sensorJob())).not.toEqual(key(chosen(sensorJob(), { line })));
    // So is what was proven of it, while other choices of the chain leave that alone.
    const proven = (job: JobContent) => aboutPoint(analysisOf(job).context);
    expect(proven(sensorJob())).not.toEqual(proven(chosen(sensorJob(), { line })));
    expect(proven(sensorJob())).toEqual(proven(chosen(sensorJob(), {}, { sensor: { percent: 1 } })));
  });
});

describe('a value in registers', () => {
  const unit = (type: string, scale: number) =>
    serialUnit({
      map: [
        {
          id: 'no',
          name: 'Unit number',
          table: 'holding',
          address: 104,
          type: 'uint16',
          unit: '',
          parameter: 'unit',
        },
        { id: 'u', name: 'Voltage', table: 'input', address: 0, type, scale, unit: 'V' },
      ],
    });
  const lineJob = (type: string, scale: number): JobContent =>
    after(fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' }), {
      kind: 'setPlan',
      plan: BusPlan.parse({ kind: 'serial', id: 'l', tag: 'L', mm2: 0.25, units: [unit(type, scale)] }),
    });

  test('is scaled by its map; a setting among them is no measured value', () => {
    const { chain, data, notes } = chainIn(lineJob('uint16', 0.1));
    expect(sure(data).value.name).toBe('Voltage');
    expect(moveChain(chain, 'counts', 2304).rows.engineering.value).toBeCloseTo(230.4, 9);
    expect(notes.map(said).join(' ')).toMatch('scaling.limits-of-raw-taken');
    expect(said(sure(data).value.place)).toMatch('table=input address=0');
  });

  test('a floating-point number keeps its places', () => {
    const { chain } = chainIn(chosen(lineJob('float32', 1), { raw: { low: 0, high: 100 } }));
    expect(moveChain(chain, 'value', 50.0625).rows.engineering.value).toBeCloseTo(50.0625, 4);
  });
});

describe('readings beside a tape', () => {
  const line = { gradient: 0.5, offset: 30, unit: 'mm' };
  const on = (raws: number[], gradient: number, offset: number) =>
    raws.map((raw) => ({ raw, measured: raw * gradient + offset }));

  test.each<[string, { raw: number; measured: number }[], string]>([
    ['on the line', on([1000, 3000], 0.5, 31), 'scaling.lies-on-stated-line'],
    ['shifted', on([1000, 3000], 0.5, 55), 'scaling.line-is-shifted by=25'],
    ['a decimal place', on([1000, 3000], 5, 300), 'scaling.line-has-other-slope ratio=10'],
    ['inches', on([1000, 3000], 0.5 / 25.4, 0), 'likely=(scaling.taken-for one=inches other=millimetres)'],
    ['the other way', on([1000, 3000], -0.5, 2000), 'scaling.line-runs-other-way'],
    ['on no line', [...on([1000, 3000], 0.5, 30), { raw: 2000, measured: 1200 }], 'scaling.lies-on-no-line'],
  ])('%s', (_, pairs, code) => {
    const { verdict, pass } = checkLine(line, pairs, 5);
    expect(said(verdict)).toContain(code);
    expect(pass).toBe(code === 'scaling.lies-on-stated-line');
  });

  test('finds any line again, and passes exactly when no pair is off by more than is allowed', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        number(0.01, 10),
        number(-500, 500),
        fc.uniqueArray(fc.integer({ min: 0, max: 30000 }), { minLength: 2, maxLength: 8 }),
        (gradient, offset, raws) => {
          const pairs = on(raws, gradient, offset);
          const { found, pass, beside } = checkLine(line, pairs, 5);
          expect(found.gradient).toBeCloseTo(gradient, 5);
          expect(beside).toBeLessThan(1e-3);
          expect(pass).toBe(pairs.every((pair) => Math.abs(pair.raw * 0.5 + 30 - pair.measured) <= 5));
        },
      ),
    );
  });

  test('asks for two raw numbers that differ', () => {
    expect(() => checkLine(line, on([1000], 0.5, 30), 5)).toThrow();
    expect(() => checkLine(line, [nth(on([1000], 0.5, 30), 0), { raw: 1000, measured: 540 }], 5)).toThrow();
  });
});
