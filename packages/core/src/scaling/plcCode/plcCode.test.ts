import fc from 'fast-check';
import { refusalOf, said } from '../../../test/said.ts';
import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { allSet, meterJob } from '../../../test/settingJobs.ts';
import { after } from '../../../test/jobs.ts';
import { readProgram } from '../../../test/structuredProgram.ts';
import { readFunction } from '../../../test/structuredText.ts';
import type { JobContent } from '../../model/collections.ts';
import { JobProblem } from '../../model/problem.ts';
import { Scaling } from '../../model/scaling.ts';
import { analyse } from '../../analysis/analysis.ts';
import { JobIndex } from '../../job/jobIndex.ts';
import { engineeringOf } from '../chain.ts';
import { blockParameters, codeRequest, pointProgram } from '../pointCode.ts';
import { chainOf } from '../pointChain.ts';
import type { PointChain } from '../pointChainTypes.ts';
import { executeAll } from './execute.ts';
import type { Execution } from './execute.ts';
import { exactValue, rawType } from './codeRequest.ts';
import type { CodeKind, CodeRequest } from './codeRequest.ts';
import { plcCode } from './generate.ts';
import { plcOpenXml } from './plcOpen.ts';
import { literal, printProgram } from './print.ts';
import { identifier } from './program.ts';
import { compileFunction } from './run.ts';
import { unfitNumbers } from './unfit.ts';

const REQUEST: CodeRequest = {
  tag: 'FT-220',
  raw: { low: 0, high: 27648, min: -4864, max: 32511 },
  value: { low: 0, high: 40, unit: 'm³/h' },
  shape: 'linear',
  cut: 0,
  table: [],
  decimals: 1,
};

const codeText = (request: CodeRequest, kind: CodeKind): string => printProgram(pointProgram(request, kind));

function executed(request: CodeRequest, kind: CodeKind): Execution {
  const run = executeAll(request, plcCode(request, kind));
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}

/** Text of the function and of its call, read back. */
function readBack(request: CodeRequest, kind: CodeKind) {
  const { cycle, kinds } = readProgram(codeText(request, kind));
  const raw = sure([...kinds.keys()].find((name) => name.endsWith('_Raw')));
  const value = sure([...kinds.keys()].find((name) => /_(?:Value|Times\d+)$/.test(name)));
  return (counts: number): number => sure(cycle({ [raw]: counts }).get(value));
}

const job = (scaling: Parameters<typeof Scaling.parse>[0], table = false): JobContent => {
  const set = allSet(allSet(meterJob('transmitter-2w', {})), 'm');
  const scaled = after(set, { kind: 'setScaling', pointId: 'ft-1', scaling: Scaling.parse(scaling) });
  if (!table) return scaled;
  const points = [
    { in: 4, out: 0 },
    { in: 7.3, out: 6.1 },
    { in: 12, out: 18.5 },
    { in: 20, out: 40 },
  ];
  return after(scaled, {
    kind: 'calibrate',
    calibrations: [
      {
        id: 'w',
        pointId: 'ft-1',
        body: { kind: 'workshop', unitIn: 'mA', unitOut: 'm³/h', points, note: '' },
      },
      { id: 'f', pointId: 'ft-1', body: { kind: 'inForce', table: 'workshop', note: '' } },
    ],
  });
};

const chained = (content: JobContent): PointChain =>
  chainOf(analyse(new JobIndex(content), 'ft-1')) as PointChain;

describe('Structured Text, read back by another reader', () => {
  const cases: readonly (readonly [string, JobContent])[] = [
    ['a straight line', job({})],
    ['a live zero in the counts', job({ converter: { zero: 'included', formatId: '65535' } })],
    [
      'a root with a cut',
      job({ controller: { shape: 'root', cutPercent: 5 }, converter: { formatId: '4000' } }),
    ],
    ['a table with a multiplier', job({ controller: { shape: 'table', multiplier: 4 } }, true)],
    ['µA', job({ converter: { formatId: 'micro' } })],
    ['18 bit', job({ converter: { formatId: 'b18' } })],
  ];

  test.each(cases)('%s in LREAL equals the core at every count', (_, content) => {
    const made = chained(content);
    const request = codeRequest('FT-1', made);
    const call = readBack(request, 'LREAL');
    for (let counts = request.raw.min; counts <= request.raw.max; counts++) {
      const core = engineeringOf(made.chain, counts);
      const apart = Math.abs(call(counts) - core);
      // A cut is met or missed by the last digit only at its very edge.
      if (apart > 1e-9 * Math.max(1, Math.abs(core)))
        throw new Error(`${counts}: ${call(counts)}, not ${core}`);
      if (Math.abs(exactValue(request, counts) - core) > 1e-9 * Math.max(1, Math.abs(core)))
        throw new Error(`${counts}: exact ${exactValue(request, counts)}, not ${core}`);
    }
  });

  test.each(cases)('%s in REAL differs by no more than single precision', (_, content) => {
    const made = chained(content);
    const request = codeRequest('FT-1', made);
    const call = readBack(request, 'REAL');
    for (let counts = request.raw.min; counts <= request.raw.max; counts += 37) {
      const core = engineeringOf(made.chain, counts);
      if (Math.abs(call(counts) - core) > 1e-5 * Math.max(1, Math.abs(made.chain.controller.high)))
        throw new Error(`${counts}: ${call(counts)}, not ${core}`);
    }
  });

  test.each<[CodeKind, CodeRequest]>([
    ['naive16', REQUEST],
    ['naive32', REQUEST],
    ['safe', REQUEST],
    ['safe', { ...REQUEST, value: { low: -50, high: 850, unit: '°C' }, decimals: 3 }],
    ['naive32', { ...REQUEST, value: { low: 400, high: -20, unit: 'mm' } }],
    ['safe', { ...REQUEST, value: { low: 400, high: -20, unit: 'mm' } }],
    ['REAL', { ...REQUEST, shape: 'root', cut: 0.05 }],
    [
      'safe',
      {
        ...REQUEST,
        shape: 'table',
        table: [
          { in: 0, out: 0 },
          { in: 9000, out: 12 },
          { in: 27648, out: 40 },
        ],
      },
    ],
  ])('%s text gives what the runner gives, wrapped values too', (kind, request) => {
    const call = readBack(request, kind);
    const code = plcCode(request, kind);
    const run = compileFunction(code.fn);
    const at = code.fn.inputs.map(({ name }) => code.constants[name] ?? 0);
    for (let counts = request.raw.min; counts <= request.raw.max; counts += 7) {
      at[0] = counts;
      if (call(counts) !== run(at).value) throw new Error(`${counts}: ${call(counts)}, not ${run(at).value}`);
    }
  });
});

describe('integers executed over every count', () => {
  test('16 bit overflow at the first count whose product passes 32767: 32768 / 400, so 82', () => {
    const { overflow, runs } = executed(REQUEST, 'naive16');
    expect(runs).toBe(37376);
    // 0 to 40.0 in tenths: the product is counts times 400. Below zero it passes −32768 from −82 down.
    expect(overflow).toMatchObject({ first: -4864, last: 32511, reason: { where: 'product', type: 'INT' } });
    const upwards = executed({ ...REQUEST, raw: { ...REQUEST.raw, min: 0 } }, 'naive16');
    expect(upwards.overflow).toMatchObject({ first: 82, reason: { exact: 82 * 400 } });
    expect(sure(upwards.overflow).count).toBe(32511 - 82 + 1);
  });

  test('the overflow stands where trying it by hand finds it, whatever the span', () => {
    for (const high of [5, 17.3, 100, 250]) {
      const request = { ...REQUEST, raw: { ...REQUEST.raw, min: 0 }, value: { low: 0, high, unit: 'x' } };
      let override: number | undefined;
      for (let counts = 0; counts <= 32511 && override === undefined; counts++)
        if (counts * Math.round(high * 10) > 32767) override = counts;
      expect(executed(request, 'naive16').overflow?.first).toBe(override);
    }
  });

  test('32 bit overflow too, with a fine enough step', () => {
    const fine = { ...REQUEST, value: { low: 0, high: 120, unit: 'l/min' }, decimals: 3 };
    const { overflow } = executed(fine, 'naive32');
    // 120 000 steps: 2147483647 / 120000 = 17895.7.
    expect(overflow).toMatchObject({ first: 17896, last: 32511 });
    expect(executed({ ...REQUEST, decimals: 1 }, 'naive32').overflow).toBeUndefined();
  });

  test.each<[string, Partial<CodeRequest>]>([
    ['tenths', {}],
    ['thousandths', { value: { low: 0, high: 120, unit: 'l/min' }, decimals: 3 }],
    ['a reversed range', { value: { low: 400, high: -20, unit: 'mm' } }],
    ['16 bit counts', { raw: { low: 0, high: 65535, min: 0, max: 65535 } }],
    [
      'a table',
      {
        shape: 'table',
        table: [
          { in: 0, out: 0 },
          { in: 9000, out: 12 },
          { in: 27648, out: 40 },
        ],
      },
    ],
  ])('the safe form has none: %s', (_, given) => {
    const request = { ...REQUEST, ...given };
    const { overflow, worst, cut } = executed(request, 'safe');
    expect(overflow).toBeUndefined();
    // Rounded to the nearest: never off by more than half a step.
    expect(worst.error).toBeLessThanOrEqual(0.5 / 10 ** request.decimals + 1e-9);
    expect(cut).toBe(0);
    expect(unfitNumbers(plcCode(request, 'safe'))).toEqual([]);
  });

  test('reversed counts are rounded to the nearest too, on both sides of zero', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -3000, max: 3000 }),
        fc.integer({ min: -3000, max: 3000 }),
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: -500, max: 500 }),
        (low, high, bottom, top) => {
          fc.pre(low !== high && bottom !== top);
          const request = {
            ...REQUEST,
            raw: { low, high, min: -3300, max: 3300 },
            value: { low: bottom, high: top, unit: 'x' },
          };
          const { overflow, cut, worst } = executed(request, 'safe');
          expect([overflow, cut]).toEqual([undefined, 0]);
          expect(worst.error).toBeLessThanOrEqual(0.05 + 1e-9);
        },
      ),
      { numRuns: 25, seed: 5 },
    );
  });

  test('within reversed counts, what is cut is counted', () => {
    const reversed = { ...REQUEST, raw: { low: 27648, high: 0, min: 0, max: 27648 } };
    expect(executed(reversed, 'naive32').cut).toBeGreaterThan(0.4);
    expect(executed(reversed, 'safe').cut).toBe(0);
  });

  test('what is cut instead of rounded is counted, and the worst count is named', () => {
    const { worst, cut } = executed({ ...REQUEST, decimals: 1 }, 'naive32');
    expect(cut).toBeGreaterThan(0.4);
    expect(worst.error).toBeGreaterThan(0.0999);
    expect(worst.error).toBeLessThan(0.1);
    const call = readBack(REQUEST, 'naive32');
    expect(Math.abs(call(worst.at) / 10 - exactValue(REQUEST, worst.at))).toBeCloseTo(worst.error, 12);
  });

  test('a safe form stays as narrow as it can', () => {
    expect(codeText(REQUEST, 'safe')).toContain('Product : DINT');
    expect(codeText({ ...REQUEST, decimals: 4 }, 'safe')).toContain('Product : LINT');
    const small = { ...REQUEST, raw: { low: 0, high: 100, min: 0, max: 127 } };
    expect(codeText({ ...small, value: { low: 0, high: 20, unit: 'x' } }, 'safe')).toContain('Product : INT');
    // 127 times 260 is 33 020.
    expect(codeText({ ...small, value: { low: 0, high: 26, unit: 'x' } }, 'safe')).toContain(
      'Product : DINT',
    );
    const table = [
      { in: 0, out: 0 },
      { in: 9000, out: 12 },
      { in: 27648, out: 40 },
    ];
    expect(codeText({ ...REQUEST, shape: 'table', table }, 'safe')).toContain('Product : DINT');
    const far = { ...REQUEST, raw: { ...REQUEST.raw, min: 0 }, value: { low: 3e8, high: 3.1e8, unit: 'x' } };
    expect(plcCode(far, 'safe').fn.returns).toBe('LINT');
    expect(executed(far, 'safe').overflow).toBeUndefined();
  });

  test('numbers that their type cannot hold are named, in the text too', () => {
    const wide = { ...REQUEST, raw: { low: 0, high: 65535, min: 0, max: 65535 } };
    expect(unfitNumbers(plcCode(wide, 'naive16')).map(said)).toEqual([
      'scaling.number-unfit value=65535 type=INT',
    ]);
    expect(codeText(wide, 'naive16')).toMatch(
      /PROGRAM Point_FT_220\n\(\* .*65535 does not fit into INT\. \*\)/,
    );
    expect(unfitNumbers(plcCode(wide, 'naive32'))).toEqual([]);
    const table = [
      { in: 0, out: 0 },
      { in: 30000, out: 5000 },
    ];
    expect(unfitNumbers(plcCode({ ...REQUEST, shape: 'table', table }, 'naive16')).map(said)).toEqual([
      'scaling.number-unfit value=50000 type=INT',
    ]);
  });

  test('what whole counts cannot tell apart is refused', () => {
    const table = [
      { in: 100.2, out: 0 },
      { in: 100.4, out: 5 },
      { in: 27648, out: 40 },
    ];
    expect(refusalOf(() => plcCode({ ...REQUEST, shape: 'table', table }, 'safe'))).toMatch(
      'scaling.table-on-one-count counts=100',
    );
    const raw = { low: 10.1, high: 10.4, min: 0, max: 20 };
    expect(refusalOf(() => plcCode({ ...REQUEST, raw }, 'naive32'))).toMatch('scaling.ends-on-one-count');
  });
});

describe('the text itself', () => {
  test('declares, computes, and is called with the constants of the point', () => {
    const text = codeText(REQUEST, 'REAL');
    expect(text).toContain('FUNCTION ScaleLinear : REAL');
    expect(text).toContain('FT_220_RawHigh : REAL := 27648.0; (* counts at the top of the range *)');
    expect(text).toContain(
      'FT_220_Value := ScaleLinear(Raw := FT_220_Raw, RawLow := FT_220_RawLow, RawHigh := FT_220_RawHigh, ValueLow := FT_220_ValueLow, ValueHigh := FT_220_ValueHigh);',
    );
    expect(blockParameters(REQUEST)).toContainEqual({ name: say('scaling.value-top'), value: '40 m³/h' });
  });

  test('a ready block of one straight line is not offered for a table', () => {
    const table = [
      { in: 0, out: 0 },
      { in: 20000, out: 10 },
      { in: 27648, out: 40 },
    ];
    expect(blockParameters({ ...REQUEST, shape: 'table', table })).toBeUndefined();
  });

  test('literals and names are those of the language', () => {
    expect([
      literal(4, 'REAL'),
      literal(0.5, 'REAL'),
      literal(1e-7, 'REAL'),
      literal(2e21, 'LREAL'),
      literal(4, 'DINT'),
    ]).toEqual(['4.0', '0.5', '1.0E-7', '2.0E+21', '4']);
    expect([identifier('FT-220'), identifier('3. Tank – Süd'), identifier('__')]).toEqual([
      'FT_220',
      'P_3_Tank_Su_d',
      'P_',
    ]);
    expect([
      rawType({ min: 0, max: 65535 }),
      rawType({ min: -1, max: 40000 }),
      rawType({ min: 0, max: 4095 }),
    ]).toEqual(['UINT', 'DINT', 'INT']);
  });

  test('what cannot be scaled is refused', () => {
    expect(refusalOf(() => plcCode({ ...REQUEST, value: { low: 5, high: 5, unit: '' } }, 'REAL'))).toMatch(
      'scaling.range-zero-scaled-two',
    );
    expect(() => plcCode({ ...REQUEST, raw: { ...REQUEST.raw, high: 0 } }, 'REAL')).toThrow(JobProblem);
    expect(refusalOf(() => plcCode({ ...REQUEST, shape: 'root' }, 'naive32'))).toMatch(
      'scaling.square-root-worked-out',
    );
  });

  test('PLCopen XML is well-formed and holds every function whole', () => {
    const program = pointProgram({ ...REQUEST, shape: 'root', cut: 0.05 }, 'REAL');
    const other = pointProgram(REQUEST, 'safe');
    const functions = [program, other].flatMap(({ calls }) =>
      calls.flatMap((call) => (call.kind === 'function' ? [call.fn] : [])),
    );
    const both = { ...program, calls: [...program.calls, ...other.calls] };
    const xml = plcOpenXml('Tern <Rock> & hall', both, '2026-01-02T03:04:05.678Z');
    expect(XMLValidator.validate(xml)).toBe(true);
    const { project } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(xml) as {
      project: {
        xmlns: string;
        fileHeader: Record<string, string>;
        contentHeader: { name: string; coordinateInfo: Record<string, unknown> };
        types: {
          pous: {
            pou: {
              name: string;
              pouType: string;
              interface: Record<string, { variable: { name: string; type: object }[] } & object>;
              body: { ST: { xhtml: { '#text': string } } };
            }[];
          };
        };
        instances: { configurations: unknown };
      };
    };
    expect(project.xmlns).toBe('http://www.plcopen.org/xml/tc6_0201');
    expect(project.fileHeader).toMatchObject({
      companyName: 'Key Post',
      creationDateTime: '2026-01-02T03:04:05Z',
    });
    expect(project.contentHeader.name).toBe('Tern <Rock> & hall');
    expect(Object.keys(project.contentHeader.coordinateInfo)).toEqual(['fbd', 'ld', 'sfc']);
    expect(project.instances).toHaveProperty('configurations');
    expect(project.types.pous.pou).toHaveLength(3);
    project.types.pous.pou.slice(0, 2).forEach((pou, i) => {
      const fn = nth(functions, i);
      expect(pou).toMatchObject({ name: fn.name, pouType: 'function' });
      expect(pou.interface.returnType).toHaveProperty(fn.returns);
      expect(
        sure(pou.interface.inputVars).variable.map(({ name, type }) => [name, Object.keys(type)[0]]),
      ).toEqual(fn.inputs.map(({ name, type }) => [name, type]));
      // The body, put back between its declarations, is read and works.
      const head = [...fn.inputs].map(({ name, type }) => `${name} : ${type};`).join('\n');
      const inner = fn.locals.map(({ name, type }) => `${name} : ${type};`).join('\n');
      const text = `FUNCTION ${fn.name} : ${fn.returns}\nVAR_INPUT\n${head}\nEND_VAR\nVAR\n${inner}\nEND_VAR\n${pou.body.ST.xhtml['#text']}\nEND_FUNCTION`;
      expect(readFunction(text).inputs).toEqual(fn.inputs.map(({ name }) => name));
    });
  });
});
