import { readFileSync } from 'node:fs';
import path from 'node:path';
import { XMLParser } from 'fast-xml-parser';
import { validateXML } from 'xmllint-wasm';
import { sure } from '@keypost/core/lists';
import { JobIndex } from '@keypost/core/job';
import { analyse } from '@keypost/core/analysis';
import { chainOf, plcOpenXml, pointProgram, codeRequest, printProgram } from '@keypost/core/scaling';
import { jobProgram } from '@keypost/core/switching';
import type { JobProgram } from '@keypost/core/switching';
import { readProgram } from '../../../packages/core/test/structuredProgram';
import { ternRock } from '../src/demo/ternRock.ts';

const SCHEME = readFileSync(path.resolve(__dirname, '../../../packages/core/test/plcOpenPart.xsd'), 'utf8');
const index = new JobIndex(ternRock());

function whole(type: 'REAL' | 'LREAL'): JobProgram {
  const run = jobProgram(index, type);
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}

const xmlOf = (of: JobProgram): string =>
  plcOpenXml('Tern <Rock> & hall', of.program, '2026-01-02T03:04:05.678Z');
const problemsOf = async (contents: string): Promise<string[]> => {
  const { errors } = await validateXML({
    xml: [{ fileName: 'job.xml', contents }],
    schema: [{ fileName: 'scheme.xsd', contents: SCHEME }],
  });
  return errors.map(({ message }) => message);
};

test.each(['REAL', 'LREAL'] as const)(
  'the program of the whole demo in %s declares all that it names, and gives what each chain gives',
  (type) => {
    const made = whole(type);
    const read = readProgram(printProgram(made.program));
    expect(made.scaled.length).toBeGreaterThan(15);
    expect(made.alarmed.length).toBeGreaterThan(0);
    expect(read.blocks.size).toBe(made.alarmed.length);
    // Points whose counts are of different types take functions of their own.
    expect(read.functions.size).toBeGreaterThan(1);
    for (const tag of made.scaled) {
      const id = tag.replace('-', '_');
      const point = sure(index.job.points.find((one) => one.tag === tag));
      const chain = chainOf(analyse(index, point.id));
      if (!chain || !('chain' in chain)) throw new Error(tag);
      const { raw, value } = codeRequest(tag, chain);
      for (const [counts, exact] of [
        [raw.low, value.low],
        [raw.high, value.high],
      ] as const) {
        const came = sure(read.cycle({ [`${id}_Raw`]: Math.round(counts) }).get(`${id}_Value`));
        // Half a count beside an end that lies between two, and the type's own digits.
        const step = Math.abs((value.high - value.low) / (raw.high - raw.low));
        if (chain.scaling.controller.shape === 'linear')
          expect(Math.abs(came - exact)).toBeLessThanOrEqual(step / 2 + 1e-6 * Math.max(1, Math.abs(exact)));
      }
    }
    for (const { tag } of made.left) expect(made.scaled).not.toContain(tag);
  },
);

test('its PLCopen document is valid by the scheme, with every variable, constant and comment', async () => {
  const made = whole('REAL');
  const xml = xmlOf(made);
  expect(await problemsOf(xml)).toEqual([]);
  const { project } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@' }).parse(xml);
  const pous = project.types.pous.pou as { '@name': string; '@pouType': string; interface: Lists }[];
  interface Lists {
    localVars: { '@constant'?: string; variable: { '@name': string }[] }[];
  }
  const program = sure(pous.find((pou) => pou['@pouType'] === 'program'));
  const names = program.interface.localVars.flatMap(({ variable }) => [variable].flat());
  const read = readProgram(printProgram(made.program));
  expect(names.map((one) => one['@name']).sort()).toEqual([...read.kinds.keys()].sort());
  expect(pous.map((pou) => pou['@name']).sort()).toEqual(
    [...read.functions.keys(), ...read.blocks.keys(), read.name].sort(),
  );
  const { task } = project.instances.configurations.configuration.resource;
  expect(task.pouInstance['@typeName']).toBe(program['@name']);
});

test('the scheme refuses what a document must not be', async () => {
  const xml = xmlOf(whole('REAL'));
  for (const bent of [
    xml.replace('<dataTypes/>', ''),
    xml.replace('pouType="function"', 'pouType="macro"'),
    xml.replace(/ productVersion="[^"]*"/, ''),
    xml.replace('2026-01-02T03:04:05Z', 'yesterday'),
    xml.replace('<REAL/>', '<FLOAT/>'),
    xml.replace(' & ', ' & '),
    xml.replace('&amp;', '&'),
  ].filter((one) => one !== xml))
    expect(await problemsOf(bent)).not.toEqual([]);
});

test('every point of the demo has a program that stands by itself, of every kind that can be written', () => {
  for (const point of index.job.points) {
    const made = chainOf(analyse(index, point.id));
    if (!made || !('chain' in made)) continue;
    for (const kind of ['REAL', 'LREAL'] as const) {
      const program = pointProgram(codeRequest(point.tag, made), kind);
      expect([point.tag, readProgram(printProgram(program)).name]).toEqual([point.tag, program.name]);
    }
  }
});
