import { acRelay, FAMILIES, fieldbusJob, inputs, outputJob, relayJob } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { nodesOf } from '../circuit/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import { dictionaryOf, hasDictionary } from './dictionary.ts';
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

test('what guards people is not searched, whatever it drives', () => {
  for (const [name, make] of Object.entries(FAMILIES)) {
    const analysis = analysed(make());
    if (analysis.context.output.drivenBy === 'guard')
      expect([name, hasDictionary(analysis)]).toEqual([name, false]);
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
    suspects(groups, seen, new Map(), sometimes)
      .flatMap(({ rows: own, share }) =>
        own.some(({ fault }) => fault && sort.test(fault.id)) ? [share] : [],
      )
      .reduce((sum, share) => sum + share, 0);
  const wire = /^open .*BK/;
  expect(shareOf(true, wire)).toBeGreaterThan(2 * shareOf(false, wire));
  expect(shareOf(true, /^exchanged /)).toBe(0);
});
