import { acRelay, FAMILIES, fieldbusJob, inputs, outputJob, relayJob } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { nodesOf } from '../circuit/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import { dictionaryOf } from './dictionary.ts';
import { pointFaults } from './pointFaults.ts';
import { isReading, middleOf } from './sight.ts';

const analysed = (job: JobContent) => analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');

/** What each look shows with a fault of a job: on, off, either, or the middle of a reading. */
function shown(job: JobContent, id: RegExp | undefined) {
  const { looks, rows } = dictionaryOf(analysed(job));
  const row = sure(rows.find(({ fault }) => (id ? fault && id.test(fault.id) : !fault)));
  return (look: RegExp) => {
    const sight = sure(row.sights[looks.findIndex((one) => look.test(one.id))]);
    return isReading(sight) ? middleOf(sight) : sight.kind;
  };
}

describe('a relay between sensor and input', () => {
  const ACTS = /^acts k1\/coil present/;

  test('picks up with the target there and not with it away; with its coil burnt through it does not, though fed', () => {
    const sound = shown(relayJob(), undefined);
    expect([sound(/^acts k1\/coil away/), sound(ACTS)]).toEqual(['off', 'on']);
    const burnt = shown(relayJob(), /^opens k1:A1 k1:A2/);
    expect([burnt(ACTS), burnt(/^inputLed present/), burnt(/^sensorLed present/)]).toEqual([
      'off',
      'off',
      'on',
    ]);
    expect(burnt(/^volts k1:A1 k1:A2 present/)).toBeGreaterThan(20);
  });

  test('a contact that does not conduct leaves the coil acting; one that is welded stays', () => {
    const worn = shown(relayJob(), /^opens k1:21 k1:24/);
    expect([worn(ACTS), worn(/^inputLed present/)]).toEqual(['on', 'off']);
    const welded = shown(relayJob(), /^closed k1:21 k1:24/);
    expect([welded(/^acts k1\/coil away/), welded(/^inputLed away/)]).toEqual(['off', 'on']);
  });
});

test('a wire on the terminal beside its own leaves its input dark though the sensor is lit', () => {
  const job = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
  const beside = shown(job, /^beside .* I1$/);
  expect([beside(/^sensorLed present/), beside(/^inputLed present/)]).toEqual(['on', 'off']);
  const fault = sure(pointFaults(analysed(job)).find(({ id }) => /^beside /.test(id)));
  expect(said(fault.what)).toMatch(/^fault\.wire-beside .*place=\S+/);
});

test('what the program commands acts; a channel that gives nothing, and a load that is burnt, are told apart by volts', () => {
  const job = outputJob('do8-high', 0, 'valve-24');
  const sound = shown(job, undefined);
  expect([sound(/^acts .* away/), sound(/^acts .* present/)]).toEqual(['off', 'on']);
  const [dead, burnt] = [shown(job, /^channel low/), shown(job, /^opens /)];
  expect([dead(/^acts .* present/), burnt(/^acts .* present/)]).toEqual(['off', 'off']);
  const VOLTS = /^volts q:\S+ g1:- present/;
  expect(Number(dead(VOLTS))).toBeLessThan(5);
  expect(Number(burnt(VOLTS))).toBeGreaterThan(20);
});

describe('a device that talks', () => {
  const job = fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' });

  test('without its supply is dark and silent; silent with its supply, it is the talking', () => {
    const sound = shown(job, undefined);
    expect([sound(/^fed /), sound(/^talks/)]).toEqual(['on', 'on']);
    const gone = shown(job, /^supply gone/);
    expect([gone(/^fed /), gone(/^talks/)]).toEqual(['off', 'off']);
    for (const id of [/^device silent/, /^other address/]) {
      const silent = shown(job, id);
      expect([silent(/^fed /), silent(/^talks/)]).toEqual(['on', 'off']);
    }
  });

  test('nobody is asked to put leads on its line', () => {
    const { context } = analysed(job);
    const [port] = context.ports;
    const line = `${port?.module.id ?? ''}:${port?.port.terminal ?? ''}`;
    const { looks } = dictionaryOf(analysed(job));
    expect(looks.filter((look) => look.kind === 'volts' && [look.red, look.black].includes(line))).toEqual(
      [],
    );
  });
});

test('the rails that a wire may touch are there, on direct current and on mains', () => {
  for (const job of [acRelay('relay-1co-230ac', '22000'), ...Object.values(FAMILIES).map((make) => make())]) {
    const analysis = analysed(job);
    const there = new Set(analysis.present.netlist.elements.flatMap(nodesOf));
    for (const { id } of pointFaults(analysis)) {
      const [kind, , rail = ''] = id.split(' ');
      if (kind === 'short') expect([id, there.has(rail)]).toEqual([id, true]);
    }
  }
});

test('what comes and goes is no setting, and one look at which it was well does not clear a wire', () => {
  const job = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
  const { looks, rows } = dictionaryOf(analysed(job));
  const groups = groupsOf({ looks, rows, harmless: 60 });
  const at = (id: RegExp) => looks.findIndex((look) => id.test(look.id));
  const seen = [
    { look: at(/^sensorLed present/), is: true },
    { look: at(/^inputLed present/), is: true },
  ];
  const shareOf = (sometimes: boolean, sort: RegExp) =>
    suspects(groups, seen, undefined, sometimes)
      .flatMap(({ rows: own, share }) =>
        own.some(({ fault }) => fault && sort.test(fault.id)) ? [share] : [],
      )
      .reduce((sum, share) => sum + share, 0);
  const wire = /^open .*BK/;
  expect(shareOf(true, wire)).toBeGreaterThan(2 * shareOf(false, wire));
  expect(shareOf(true, /^exchanged /)).toBe(0);
});

describe('what is worn before it is gone', () => {
  const sensed = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });

  test('an output that leaks keeps its input from being surely off, though its own LED is dark', () => {
    const leaks = shown(sensed, /^leaks /);
    expect(leaks(/^sensorLed away/)).toBe('off');
    expect(leaks(/^volts .*g1:- away/)).toBeGreaterThan(5);
    expect(leaks(/^inputLed away/)).not.toBe('off');
    expect(shown(sensed, undefined)(/^inputLed away/)).toBe('off');
  });

  test('an output that keeps too much is lit, and a third of the supply is missing at the input', () => {
    const [drops, sound] = [shown(sensed, /^drops /), shown(sensed, undefined)];
    expect(drops(/^sensorLed present/)).toBe('on');
    const missing =
      Number(sound(/^volts \S+:I\d+ g1:- present/)) - Number(drops(/^volts \S+:I\d+ g1:- present/));
    expect(missing).toBeGreaterThan(7);
    expect(missing).toBeLessThan(9);
  });

  test('a contact that is burnt brings too little to its input though the coil acts', () => {
    const burnt = shown(relayJob(), /^burnt k1:21 k1:24/);
    expect(burnt(/^acts k1\/coil present/)).toBe('on');
    expect(burnt(/^inputLed present/)).not.toBe('on');
  });
});

test('a common that hangs free joins what hangs on it: its input reads dark, and full volts stand where none are to be', () => {
  const two = withPoint(withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' }), {
    tag: 'PX-2',
    typeId: 'inductive-3w',
    output: 'pnp',
    logic: 'nc',
    at: ['m', 1],
  });
  const common = sure(pointFaults(analysed(two)).find(({ id }) => /^open .*COM/.test(id)));
  expect(said(common.what)).toMatch(/^fault\.wire-open/);
  const loose = shown(two, new RegExp(`^${common.id}$`));
  expect(loose(/^inputLed present/)).toBe('off');
  // The neighbour is on while nothing is there: it drives the common, and that the input.
  expect(loose(/^volts \S+:I\d+ g1:- away/)).toBeGreaterThan(20);
  expect(loose(/^ohms .*COM/)).toBeGreaterThan(1000);
});

test('whatever else feeds the circuit can be gone: the mains of a fan that a relay switches', () => {
  const gone = pointFaults(analysed(relayJob())).filter(({ id }) => /^supply gone /.test(id));
  expect(gone.map(({ place }) => place)).toEqual([{ in: 'part', id: 'mains' }]);
  const sound = shown(relayJob(), undefined);
  const without = shown(relayJob(), /^supply gone mains/);
  expect([without(/^acts k1\/coil present/), without(/^inputLed present/)]).toEqual(['on', 'on']);
  const fan = /^acts (?!k1\/).* present/;
  expect([sound(fan), without(fan)]).toEqual(['on', 'off']);
});

test('a wire that touches the rail which is earthed may touch earth as well', () => {
  const shorts = pointFaults(analysed(withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' }))).filter(
    ({ sort }) => sort === 'wire-short',
  );
  expect(shorts.map(({ what }) => /earthed=true/.test(said(what)))).toContain(true);
  for (const { id, what } of shorts) expect(/earthed=true/.test(said(what))).toBe(/g1:-$/.test(id));
});
