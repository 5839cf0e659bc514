import { lastOf, nth, sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import { after, jobWith } from '../../test/jobs.ts';
import { meterJob, pulseJob } from '../../test/settingJobs.ts';
import { JobProblem } from '../model/problem.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { loopBudget } from '../analysis/loopBudget.ts';
import { taughtBy } from './teachTool.ts';
import { askedFields, resultText, workTool } from './tool.ts';
import { changesAt, findTool, TOOLS } from './toolDrawer.ts';
import type { Tool, ToolValues } from './tool.ts';

const tool = (id: string): Tool => sure(findTool(id));
const work = (id: string, values: ToolValues = {}) => tool(id).work({ ...tool(id).first, ...values });
const line = (id: string, label: string, values: ToolValues = {}): string =>
  said(sure(work(id, values).lines.find((l) => said(l.label) === label)).value);
const refused = (id: string, values: ToolValues) => {
  try {
    work(id, values);
  } catch (error) {
    if (error instanceof JobProblem) return nth(error.problems, 0);
    throw error;
  }
  throw new Error('It was taken.');
};

describe.each(TOOLS)('$id', ({ id, first, fields, ...rest }) => {
  test('works with what it opens with, and says so in text', () => {
    const result = rest.work(first);
    expect(said(result.title)).not.toBe('');
    const text = resultText({ id, first, fields, ...rest }, first, result);
    expect(text.split('\n')[0]).toContain(textOf(rest.name));
    expect(text).not.toMatch(/NaN|undefined|Infinity/);
  });

  test('has a first value for every field that must be filled, and asks for some', () => {
    const own: Tool = { id, first, fields, ...rest };
    expect(askedFields(own, first).length).toBeGreaterThan(0);
    for (const field of fields)
      if (!field.optional) expect([field.key, first[field.key]]).not.toContain(undefined);
    for (const { kind, choices, key } of fields)
      if (kind === 'choice')
        expect(
          sure(choices)
            .map(({ value }) => value)
            .map(said),
        ).toContain(first[key]);
  });

  test('refuses nonsense at the field concerned, in a sentence', () => {
    for (const { key, kind } of fields.filter((f) => f.kind === 'number')) {
      const own = sure(fields.find((f) => f.key === key));
      const shown = own.onlyIf ? { [own.onlyIf.key]: nth(own.onlyIf.is, 0) } : {};
      const problem = refused(id, { ...shown, [key]: 'wet' });
      expect([key, kind, problem.path]).toEqual([key, kind, key]);
      expect(said(problem.message)).toMatch('text.colon');
    }
  });
});

describe('what they work out', () => {
  test('signal and value, all three ways', () => {
    expect(said(work('signal').title)).toBe('12 mA = 50 %');
    expect(line('signal', 'proof.signal', { known: 'value', number: '25' })).toBe('8 mA');
    expect(
      line('signal', 'tools.value', {
        signal: '0-10 V',
        known: 'share',
        number: '30',
        high: '6',
        unit: 'bar',
      }),
    ).toBe('1.8 bar');
    expect(line('signal', 'tools.it-is', { number: '3.5' })).toBe('scaling.wire-break');
    expect(refused('signal', { low: '5', high: '5' })).toMatchObject({ path: 'high' });
  });

  test('counts, with what never comes refused', () => {
    expect(line('counts', 'proof.signal')).toBe('12 mA');
    expect(line('counts', 'tools.counts', { known: 'value', number: '25', format: '4000' })).toBe('1000');
    expect(line('counts', 'tools.hexadecimal', { number: '-691' })).toBe('16#FD4D');
    expect(said(refused('counts', { number: '40000' }).message)).toContain(
      'tools.format-writes-never-comes min=-4864 max=32511 number=40000',
    );
    expect(said(refused('counts', { number: '1.5' }).message)).toContain('whole');
    expect(said(nth(work('counts', { known: 'signal', number: '30' }).words, 0).text)).toContain(
      'tools.converter-stops-what-should counts=32511',
    );
  });

  test('thermometers: IEC 60751 at 50 °C, leads of 1 Ω, Fahrenheit as typed', () => {
    expect(line('rtd', 'tools.resistance')).toBe('119.397 Ω');
    expect(line('rtd', 'tools.leads-add', { leads: '1' })).toBe('2.6 K');
    expect(line('rtd', 'tools.temperature', { temperature: '212 °F' })).toBe('100 °C, 212 °F');
    expect(line('rtd', 'tools.temperature', { known: 'signal', ohms: '138.51' })).toMatch(
      '100.01 °C, 212.02 °F',
    );
    expect(line('rtd', 'tools.resistance', { element: 'ntc', temperature: '25' })).toBe('10000 Ω');
    expect(refused('rtd', { temperature: '900' })).toMatchObject({ path: 'temperature' });
    expect(refused('rtd', { leads: '-1' })).toMatchObject({ path: 'leads' });
  });

  test.each([
    // By the published tables: S 9.587 − 0.113 mV is 990.20 °C, K −3.554 − 0.798 mV is −127.80 °C.
    ['S', '1000', '20', 9.8],
    ['K', '-100', '20', 27.8],
    ['K', '400', '20', 18.9],
    // Type B falls up to 21 °C: its terminals take something off.
    ['B', '1000', '20', -0.28],
  ])('without compensation type %s at %s over %s °C is %d K too low', (type, temperature, cold, kelvin) => {
    const { words } = work('couple', { type, temperature, cold });
    const short = lastOf(words).text as Message;
    expect(short.code).toBe('tools.read-without-compensation-too');
    expect(Math.abs(Number(short.values?.kelvin) - kelvin)).toBeLessThan(0.06);
  });

  test('thermocouples: K at 200 °C over 20 °C is 8.138 − 0.798 mV', () => {
    expect(line('couple', 'tools.at-the-terminals')).toBe('7.3404 mV');
    expect(line('couple', 'tools.hot-end', { known: 'signal', millivolts: '7.3404' })).toMatch(
      /^200(\.00\d)? °C/,
    );
    expect(refused('couple', { known: 'signal', millivolts: '90' })).toMatchObject({ path: 'millivolts' });
  });

  test('pulses, cut-off, velocity, coil', () => {
    expect(line('pulse', 'tools.full-flow-3')).toBe('500 Hz');
    expect(line('pulse', 'tools.widest-usual')).toBe('1 ms');
    expect(said(work('pulse', { width: '2' }).title)).toContain(
      'tools.full-flow-2 hertz=500 counted=false fits=false',
    );
    expect(line('cutoff', 'tools.shows-nothing-below')).toBe('0.2 m³/h');
    expect(said(nth(work('cutoff', { percent: '50' }).words, 0).text)).toContain(
      'tools.lowest-flow-must-seen-hidden',
    );
    expect(line('cutoff', 'tools.least-noise', { rest: '0.01 0.03; 0.01 0.03' })).toBe('0.137 %');
    expect(line('velocity', 'tools.velocity')).toBe('1.99 m/s, 6.53 ft/s');
    expect(said(work('coil', { ohms: '3' }).title)).toBe('tools.coil-sound-2');
    expect(said(work('coil').title)).toBe('tools.coil-reads min=59 max=69');
  });

  test('the loop budget is that of a solved job', () => {
    // A transmitter from 10.5 V on 24 V ±3 %, 10 m of 0.34 mm² each way as the proposal wires it, 250 Ω.
    const job = jobWith('ai2-switch', ['-', '-'], {
      tag: 'FT-1',
      typeId: 'transmitter-2w',
      output: 'none',
      logic: 'none',
      range: { low: 0, high: 1, unit: 'bar' },
    });
    const budget = sure(loopBudget(analyse(new JobIndex(job), 'ft-1')));
    const wires = job.wires.filter(({ from, to }) => [from, to].some((end) => end.startsWith('ft-1-b:')));
    const { lengthM, mm2 } = nth(wires, 0);
    const title = (milliamps: string) =>
      work('loop', { needs: '10.71', milliamps, length: String(lengthM), mm2: String(mm2) }).title;
    expect(said(title(String(budget.amps * 1000)))).toContain(
      `${Number(budget.margin.toPrecision(2))}`.slice(0, 3),
    );
    expect(line('loop', 'tools.resistance-loop', { length: '100', mm2: '0.5' })).toBe('257 Ω');
    expect(said(nth(work('loop', { digital: 'yes', burden: '100' }).words, 0).text)).toContain(
      'tools.digital-communication-needs-least digitalOhms=250',
    );
    expect(said(work('loop', { needs: '22' }).title)).toContain('tools.too-little margin=-4.15375');
    expect(refused('loop', { mm2: '0' })).toMatchObject({ path: 'mm2' });
  });

  test('contacts carry, weld, and stay clean', () => {
    expect(said(work('contacts').title)).toBe('tools.contact-do-2');
    expect(said(nth(work('contacts', { watts: '2000', volts: '230' }).words, 0).text)).toMatch(
      'reason.contact-rating name=(tools.the-contact) amps=8.69565 amps2=6',
    );
    expect(
      said(nth(work('contacts', { load: 'resistive', watts: '0.01', volts: '24' }).words, 0).text),
    ).toContain('reason.contact-wetting name=(tools.the-contact) amps=0.000416667 minAmps=0.01');
    expect(refused('contacts', { count: '0' })).toMatchObject({ path: 'count' });
  });

  test('two displays and units', () => {
    expect(said(work('displays').title)).toBe('tools.change-span low=0 high=12 low2=0 high2=11.43 unit=m³/h');
    expect(refused('displays', { pairs: '1;' })).toMatchObject({
      path: 'pairs',
      message: expect.objectContaining({ code: 'tools.row-enter-both-numbers' }),
    });
    expect(line('units', 'mm')).toBe('19.05 mm');
    expect(line('units', 'bar', { text: '150 psi' })).toBe('10.3421 bar');
    expect(line('units', 'tools.cross-section', { text: 'AWG 20' })).toBe('0.518 mm²');
    expect(line('units', 'm³/h', { text: '80 gal/min' })).toBe('18.17 m³/h');
    expect(refused('units', { text: '12 parsecs' })).toMatchObject({ path: 'text' });
  });
});

describe('what is sent to a point', () => {
  const sentTo = (id: string, job: ReturnType<typeof meterJob>, values: ToolValues = {}) => {
    const point = sure(job.points.find(({ tag }) => tag === 'FT-1'));
    const changes = changesAt(tool(id), { ...tool(id).first, ...values }, new JobIndex(job), point);
    return after(job, ...changes);
  };

  test('range, format, class and span become the point’s own', () => {
    const job = meterJob();
    expect(nth(sentTo('signal', job, { high: '60', unit: 'm³/h' }).points, 0).range).toEqual({
      low: 0,
      high: 60,
      unit: 'm³/h',
    });
    expect(sure(nth(sentTo('counts', job, { format: '4000' }).points, 0).scaling).converter.formatId).toBe(
      '4000',
    );
    expect(sure(nth(sentTo('rtd', job, { class: 'A' }).points, 0).scaling).sensor.class).toBe('A');
    expect(sure(nth(sentTo('displays', job).points, 0).scaling).display).toMatchObject({
      low: 0,
      high: 11.43,
      label: 'Panel screen',
    });
  });

  test('nothing of it fits a switching sensor', () => {
    const job = jobWith('di8-both-8', ['-']);
    const index = new JobIndex(job);
    for (const one of TOOLS) expect(changesAt(one, one.first, index, nth(job.points, 0))).toEqual([]);
  });

  test('pulses and cut-off are required of the device where it has them, and nowhere else', () => {
    const meter = nth(sentTo('pulse', pulseJob()).devices, 0);
    expect(meter.override).toMatchObject({ pulseValue: { value: '0.02' }, pulseWidth: { value: '1' } });
    expect(nth(sentTo('cutoff', meterJob()).devices, 0).override).toMatchObject({ cutoff: { value: '0.5' } });
    expect(nth(sentTo('cutoff', meterJob('transmitter-2w', {})).devices, 0).override).toBeUndefined();
  });
});

test('where numbers are typed with decimal commas, a point before three digits is asked about', () => {
  const { first } = tool('signal');
  expect(() => workTool(tool('signal'), { ...first, high: '12.500' }, 'comma')).toThrow(
    expect.objectContaining({ problems: [expect.objectContaining({ path: 'high' })] }) as Error,
  );
  expect(workTool(tool('signal'), { ...first, high: '12.5' }, 'comma')).toEqual(
    work('signal', { high: '12.5' }),
  );
  expect(workTool(tool('signal'), { ...first, high: '12.500' })).toEqual(work('signal', { high: '12.5' }));
});

describe('the tools of switching', () => {
  test('hysteresis from noise: by its figures, and from readings with what they do themselves', () => {
    // ν₀ = 2/√3 a second: 43,200·ν₀·e^(−a²/2) is 0.1 at a = 5.1225, and the hysteresis twice so many times 0.012 bar.
    expect(said(work('hysteresis').title)).toMatch(/^tools.hysteresis-least least=0\.1229[0-9]* unit=bar$/);
    expect(line('hysteresis', 'tools.as-set-switches')).toMatch(/^switching.a-day count=\d{4}/);
    const row = work('hysteresis', { known: 'readings' });
    expect(row.lines.filter(({ label }) => said(label).startsWith('tools.replayed-at'))).toHaveLength(2);
    expect(row.words.map(({ text }) => said(text))).toContain('tools.few-readings-of-noise');
    expect(refused('hysteresis', { perDay: '0' })).toMatchObject({ path: 'perDay' });
    expect(refused('hysteresis', { known: 'readings', readings: '1 2 3' })).toMatchObject({
      path: 'readings',
    });
  });

  test('reaction time, and what happens meanwhile', () => {
    // 20 + 500 + 2·5 + 3 + 2·20 + 12 ms.
    expect(said(work('reaction').title)).toBe('tools.at-worst-after time=(switching.time seconds=0.585)');
    expect(line('reaction', 'tools.beyond-by')).toBe('0.234 bar');
    const slow = work('reaction', { beyond: '0.1' });
    expect(slow.words.map(({ text }) => said(text))[0]).toMatch('tools.reaction-is-slow');
    // What has no rise has no way beyond; that it is not for safety is said always.
    const bare = work('reaction', { rise: '', beyond: '' });
    expect(bare.words.map(({ text }) => said(text))).toEqual([
      'tools.reaction-words',
      'tools.not-for-safety',
    ]);
    expect(refused('reaction', { delay: '-1' })).toMatchObject({ path: 'delay' });
  });

  test('teaching tells no figures of what must not be taught', () => {
    expect(said(work('teach').title)).toBe('tools.can-be-taught');
    expect(line('teach', 'tools.range-from-to')).toMatch(/^tools.from-to-unit low=4\.1 high=18\.275/);
    const near = work('teach', { second: '5.1 5.0 5.2 5.1 5.0 5.1 5.2 5.1' });
    expect(said(near.title)).toBe('tools.cannot-teach-near');
    const moves = work('teach', { readings: '4 5 6 7 8 9 10 11', kind: 'margin' });
    expect(said(moves.title)).toBe('tools.cannot-teach-moves');
    // What comes back has moved by how far it went, not by where it ended.
    const turns = { readings: '4 5.5 6.5 7 7 6.5 5.5 4', kind: 'margin' };
    expect(said(work('teach', turns).title)).toBe('tools.cannot-teach-moves');
    expect(Number.parseFloat(line('teach', 'tools.moved-by which=first', turns))).toBeCloseTo(3, 0);
    for (const { lines } of [near, moves])
      expect(lines.map(({ label }) => said(label)).join()).not.toMatch(/range-from|window-from|switches-o/);
    expect(line('teach', 'tools.switches-on-at', { kind: 'margin' })).toBe('7.1 l/min');
  });

  test('a sensitivity is taught by its adjuster, in the same tool and the same record', () => {
    const turned = (patch: Record<string, string>) => ({
      kind: 'sensitivity',
      scale: '10',
      lost: '3',
      seen: '8',
      led: 'on',
      conditions: 'darkest tray',
      ...patch,
    });
    expect(said(work('teach', turned({})).title)).toBe('tools.set-adjuster-to setting=5.5 scale=10');
    expect(taughtBy(turned({}))).toEqual({
      kind: 'taught',
      how: 'sensitivity',
      unit: '',
      readings: [3, 8],
      scale: 10,
      ok: true,
      gives: [5.5],
      distance: 2.5,
      least: 1,
      conditions: 'darkest tray',
    });
    expect(taughtBy(turned({ seen: '' })).readings).toEqual([3]);
    // A lamp that is not on in both states is not to be trusted, however far apart they are.
    expect(taughtBy(turned({ led: 'off' }))).toMatchObject({ ok: false, gives: [5.5] });
    expect(refused('teach', turned({ seen: '2' }))).toMatchObject({
      path: 'seen',
      message: { code: 'switching.background-seen-before-object' },
    });
    expect(refused('teach', turned({ lost: '12' }))).toMatchObject({ path: 'lost' });
  });
});
