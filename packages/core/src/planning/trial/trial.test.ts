import { DEVICE_TYPES, outputOfType, partTypesOf } from '../../catalog/index.ts';
import { analyse } from '../../analysis/index.ts';
import { after, bareJob } from '../../../test/jobs.ts';
import { sure } from '../../lists/index.ts';
import { said } from '../../../test/said.ts';
import { JobIndex } from '../../job/index.ts';
import type { JobContent } from '../../model/index.ts';
import { judge } from '../../verdict/index.ts';
import { injectionPoints, calibrationSides, chainOf } from '../../scaling/index.ts';
import { trialJob } from './changes.ts';
import { keepChanges } from './keep.ts';
import { trialTargets } from './targets.ts';
import { BENCH, TRIAL_NAMES } from './trial.ts';
import type { Trial } from './trial.ts';

const NONE = { ownDevices: [], ownModules: [] };
const types = partTypesOf(NONE);

const trial = (more: Partial<Trial> & { typeId: string }): Trial => {
  const output = outputOfType(types.device(more), undefined);
  return {
    outputId: output?.id ?? '',
    kind: output?.kinds[0] ?? 'none',
    logic: output?.logics[0] ?? 'none',
    target: BENCH,
    rail: '-',
    range: { low: 0, high: 100, unit: '%' },
    ...more,
  };
};
const solved = (what: Trial) => analyse(new JobIndex(trialJob(NONE, what)), TRIAL_NAMES.point);
const verdict = (what: Trial) => judge(solved(what));

test('every device that can be a point is tried on everything that it is offered for, in each of its kinds', () => {
  let tried = 0;
  for (const type of DEVICE_TYPES.filter(({ description }) => !description.part))
    for (const output of type.outputs)
      for (const target of trialTargets(types, type.id, output.id))
        for (const kind of output.kinds) {
          const what = { typeId: type.id, outputId: output.id, kind, logic: output.logics[0] ?? 'none' };
          const { sentence } = verdict(
            trial({ ...what, target: target.id, rail: kind === 'npn' ? '+' : '-' }),
          );
          // A sentence about an input only where there is one.
          if (target.is !== 'module') expect(said(sentence)).not.toMatch(/common=|input=/);
          tried++;
        }
  expect(tried).toBeGreaterThan(400);
});

test('a two-wire sensor whose load asks for more than it bears is overloaded, and not short-circuited', () => {
  const heavy = verdict(trial({ typeId: 'inductive-2w-ac', kind: 'twowire', target: 'heater-230' }));
  expect(heavy.status).toBe('cannot');
  expect(said(heavy.sentence)).toMatch(/^reason\.overload\.two-wire/);
  const light = verdict(trial({ typeId: 'inductive-2w-ac', kind: 'twowire', target: 'relay-2co-230ac' }));
  expect(said(light.sentence)).not.toMatch(/overload/);
});

test('nothing can be tried on nothing: each device has a place to go', () => {
  const lost = DEVICE_TYPES.filter(
    ({ id, outputs, description }) =>
      !description.part && !outputs.some((output) => trialTargets(types, id, output.id).length > 0),
  );
  // It belongs on its amplifier, which is a part of its point.
  expect(lost.map(({ id }) => id)).toEqual(['namur-2w']);
});

test.each<[string, Partial<Trial> & { typeId: string }, string]>([
  ['PNP on a sinking input', { typeId: 'inductive-3w', target: 'di4-sink-4' }, 'works'],
  ['NPN on a sinking input', { typeId: 'inductive-3w', kind: 'npn', target: 'di4-sink-4' }, 'cannot'],
  ['NPN, common on plus', { typeId: 'inductive-3w', kind: 'npn', target: 'di4-both-4', rail: '+' }, 'works'],
  ['NPN, common on minus', { typeId: 'inductive-3w', kind: 'npn', target: 'di4-both-4' }, 'cannot'],
  ['a common on nothing', { typeId: 'inductive-3w', target: 'di4-both-4', rail: 'open' }, 'cannot'],
  ['a lamp that is on while the beam is free', { typeId: 'retro-3w', target: 'lamp-led-24' }, 'works'],
  ['mains on a control input', { typeId: 'inductive-2w-ac', target: 'di4-both-4' }, 'cannot'],
  ['mains on its lamp', { typeId: 'inductive-2w-ac', target: 'lamp-230' }, 'works'],
  ['a loop through a meter', { typeId: 'pressure-2w', target: 'multimeter' }, 'works'],
  ['volts across a meter', { typeId: 'transmitter-3w-v', target: 'multimeter' }, 'works'],
])('%s', (_, what, status) => expect(verdict(trial(what)).status).toBe(status));

test('on the bench a sensor shows its states on a supply alone, and is not called working', () => {
  const pnp = solved(trial({ typeId: 'inductive-3w' }));
  expect(pnp.shown.map(({ outputOn }) => outputOn)).toEqual([false, true]);
  expect(pnp.present.signalVolts).toBeGreaterThan(22);
  expect(judge(pnp).status).toBe('open');
  const two = solved(trial({ typeId: 'inductive-2w-dc' }));
  expect(judge(two).sentence.code).toBe('verdict.works.alone');
});

test('a transmitter is calibrated with a meter and nothing else', () => {
  const range = { low: 0, high: 100, unit: '°C' };
  const analysis = solved(
    trial({ typeId: 'temperature-2w', target: 'multimeter', range, plate: { element: 'Pt100' } }),
  );
  const made = chainOf(analysis);
  if (!made || 'problem' in made) throw new Error('no chain');
  const { injects, gives, curved } = calibrationSides(analysis, made);
  const points = injectionPoints(injects, gives, 0.5, [0, 25, 50, 75, 100], curved);
  // Pt100 of IEC 60751 at 0, 25, 50, 75 and 100 °C, Ω.
  const ohms = [100, 109.735, 119.397, 128.987, 138.506];
  expect(injects.unit).toBe('Ω');
  points.forEach(({ inject }, i) => expect(inject).toBeCloseTo(ohms[i] ?? 0, 2));
});

test.each<[string, Partial<Trial> & { typeId: string }, number, number, string]>([
  // IEC 60751: 100 Ω at 0 °C and 138.506 Ω at 100 °C; the leads of two wires are measured with it.
  ['a Pt100 of two wires', { typeId: 'rtd-2w', target: 'multimeter-ohms' }, 100, 138.506, 'Ω'],
  ['a Pt100 of three wires', { typeId: 'rtd-3w', target: 'multimeter-ohms' }, 100, 138.506, 'Ω'],
  ['a Pt100 of four wires', { typeId: 'rtd-4w', target: 'multimeter-ohms' }, 100, 138.506, 'Ω'],
  ['a sender', { typeId: 'sender-2w', target: 'multimeter-ohms' }, 10, 180, 'Ω'],
  // IEC 60584-1: 4.096 mV at 100 °C, less the 0.798 mV of its terminals at 20 °C, which a meter does not make good.
  ['a couple of type K', { typeId: 'thermocouple-k', target: 'multimeter-mv' }, -0.798, 3.298, 'mV'],
])('%s is read with a meter and nothing else', (_, what, low, high, unit) => {
  const { away, present } = solved(trial(what));
  const read = [away, present].map(({ measured }) => measured[0]);
  expect(read.map((reading) => reading?.unit)).toEqual([unit, unit]);
  const leads = what.typeId === 'rtd-2w' || what.typeId === 'sender-2w' ? 1.2 : 0.1;
  [low, high].forEach((wanted, i) => {
    const nom = read[i]?.value.nom ?? NaN;
    expect(Math.abs(nom - wanted)).toBeLessThan(leads);
  });
});

describe('kept in a job', () => {
  const what = trial({ typeId: 'inductive-3w', kind: 'npn', target: 'di4-both-4', rail: '+' });
  const names = { ...TRIAL_NAMES, point: 'p9', device: 'd9', module: 'm9', tag: 'PX-9', moduleTag: 'DI 9' };
  const tried = trialJob(NONE, what);
  const kept = (job: JobContent, from = tried, as = names) => after(job, ...keepChanges(job, from, what, as));

  test('it works there as it did, with nothing typed again', () => {
    const analysis = analyse(new JobIndex(kept(bareJob())), 'p9');
    expect(judge(analysis).status).toBe('works');
    expect(analysis.context.kind).toBe('npn');
  });

  test('a free channel of a module of that kind is taken before another module is added', () => {
    const first = kept(bareJob());
    const second = kept(first, tried, { ...names, point: 'p8', device: 'd8', module: 'm8', tag: 'PX-8' });
    expect(second.modules).toHaveLength(1);
    expect(judge(analyse(new JobIndex(second), 'p8')).status).toBe('works');
  });

  test('what was seen of the device and measured at it goes along, each time it is kept', () => {
    const field = { unitIn: 'mA', unitOut: 't', in: 4, out: 0, note: '' };
    const gauge = trial({ typeId: 'pressure-2w', target: 'ai2-switch' });
    const seen = { side: 'found', how: 'typed' } as const;
    const more = after(
      trialJob(NONE, gauge),
      {
        kind: 'enter',
        entries: [
          { id: 'e1', itemId: TRIAL_NAMES.device, ...seen, values: { alarm: 'high' } },
          { id: 'e2', itemId: TRIAL_NAMES.module, ...seen, values: { 'A0.low': '0' } },
        ],
      },
      {
        kind: 'calibrate',
        calibrations: [
          { id: 'c', pointId: 'try', body: { kind: 'field', ...field } },
          { id: 'v', pointId: 'try', body: { kind: 'void', of: 'c', reason: 'wrong load' } },
        ],
      },
    );
    const keep = (job: JobContent, as = names) => after(job, ...keepChanges(job, more, gauge, as));
    const once = keep(bareJob());
    expect(once.entries.map(({ itemId, values }) => [itemId, values])).toEqual([
      ['d9', { alarm: 'high' }],
      ['m9', { 'A0.low': '0' }],
    ]);
    expect(once.calibrations.map(({ pointId, body }) => [pointId, body])).toEqual([
      ['p9', { kind: 'field', ...field }],
      ['p9', { kind: 'void', of: sure(once.calibrations[0]).id, reason: 'wrong load' }],
    ]);
    // On a module that was there before, nothing of the tried one was seen.
    const twice = keep(once, { ...names, point: 'p8', device: 'd8', module: 'm8', tag: 'PX-8' });
    expect(twice.entries.map(({ itemId }) => itemId)).toEqual(['d9', 'm9', 'd8']);
    expect(twice.calibrations).toHaveLength(4);
  });

  test('figures and settings that were chosen meanwhile go along', () => {
    const figure = { nominal: 0.0002, unit: 'A', from: 'datasheet, page 3' };
    const more = after(tried, {
      kind: 'setFigure',
      itemId: TRIAL_NAMES.device,
      path: 'behaviours.output.leakage',
      figure,
    });
    const device = kept(bareJob(), more).devices.find(({ id }) => id === 'd9');
    expect(device?.figures?.['behaviours.output.leakage']).toMatchObject(figure);
  });
});
