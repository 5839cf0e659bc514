import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import { withPoint, withModule, bareJob, after } from '../../test/jobs.ts';
import { entered, meterJob, serialUnit, sheetIn } from '../../test/settingJobs.ts';
import { BusPlan } from '../model/busPlan.ts';
import type { EthernetPlan, SerialPlan } from '../model/busPlan.ts';
import type { JobContent } from '../model/collections.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { DISTANCE_SENSOR } from '../../test/description.ts';
import { agreementsOf } from './agreement.ts';
import { differencesBetween, momentsOf } from './sheetChanges.ts';
import { lineOf, namingSentence, planAsSet } from './serialPlan.ts';
import { networkFaults, networkSteps } from './networkPlan.ts';
import { plateLines, plateProblem } from './fit.ts';
import { portPlan } from './portPlan.ts';
import { readSheetFile, writeSheetCsv, writeSheetJson } from './sheetFile.ts';
import { serialFaults } from './serialLine.ts';
import { presentText, sheetOf } from './sheet.ts';

const states = (job: JobContent): Record<string, string> =>
  Object.fromEntries(
    agreementsOf(new JobIndex(job), 'ft-1').map(({ subject, state }) => [said(subject), state]),
  );
const sentence = (job: JobContent, subject: string): string =>
  said(sure(agreementsOf(new JobIndex(job), 'ft-1').find((a) => said(a.subject) === subject)).sentence);

describe('what must agree with what', () => {
  test('is unknown until both sides were looked at, then agrees or differs', () => {
    const job = meterJob();
    expect(states(job)['setting.top-range']).toBe('unknown');
    const meter = entered(job, 'found', { unit: 'l/s', high: '11.11111' });
    const both = entered(meter, 'found', { 'A0.unit': 'm³/h', 'A0.high': '40' }, 'm');
    expect(states(both)['setting.top-range']).toBe('agree');
    const wrong = entered(both, 'found', { 'A0.high': '100' }, 'm');
    expect(states(wrong)['setting.top-range']).toBe('differ');
    expect(sentence(wrong, 'setting.top-range')).toMatch('setting.point-every-value-between');
  });

  test('signal, switch and parameter of the input', () => {
    const job = entered(meterJob(), 'found', { 'A0.switch': 'V', 'A0.range': '4-20 mA' }, 'm');
    expect(sentence(job, 'setting.signal-switch-parameter')).toMatch('setting.gives-land-shows-what');
    expect(states(entered(job, 'left', { 'A0.switch': 'mA' }, 'm'))['setting.signal-switch-parameter']).toBe(
      'agree',
    );
  });

  test('a current output that is wired must be on, one that is not must be off', () => {
    const off = entered(meterJob(), 'found', { current: 'off' });
    expect(sentence(off, 'setting.current-output-wire')).toMatch(
      'setting.wired-current-output-stands terminalName=S+ shown=off',
    );
    const bare = after(entered(meterJob(), 'found', { current: '4-20 mA' }), {
      kind: 'assign',
      pointId: 'ft-1',
      place: null,
    });
    expect(sentence(bare, 'setting.current-output-wire')).toMatch(
      'setting.current-output-wired-many terminalName=S+',
    );
  });

  test('memory module', () => {
    expect(
      states(entered(meterJob(), 'found', { memory: 'missing' }))['setting.memory-module-settings'],
    ).toBe('differ');
    expect(states(entered(meterJob(), 'found', { memory: 'fitted' }))['setting.memory-module-settings']).toBe(
      'agree',
    );
  });
});

describe('a sheet as a file', () => {
  const job = entered(entered(meterJob(), 'found', { size: '50' }), 'left', { size: '80' });
  const sheets = [sheetIn(job)];

  test('as CSV: one row a parameter, in its order', () => {
    const [head, ...rows] = writeSheetCsv(sheets).split('\r\n');
    expect(head).toMatch(/^Tag,Key,Parameter,Unit,As found,Required/);
    expect(rows.find((row) => row.includes(',size,'))).toMatch(/^FT-1,size,Pipe size,mm,50,80,name-plate/);
    expect(rows).toHaveLength(nth(sheets, 0).lines.length);
  });

  test.each([
    ['CSV', writeSheetCsv],
    ['JSON', writeSheetJson],
  ])('%s comes back the same, and what changed in it is taken', (_, write) => {
    const text = write(sheets);
    expect(readSheetFile(text, sheets)).toEqual([{ itemId: 'ft-1-b', found: {}, left: {} }]);
    const bare = [sheetIn(meterJob())];
    expect(readSheetFile(text, bare)[0]).toEqual({
      itemId: 'ft-1-b',
      found: { size: '50' },
      left: { size: '80' },
    });
  });

  test('a CSV with decimal commas says so in each row, and comes back the same', () => {
    const small = [sheetIn(entered(meterJob(), 'left', { size: '80', cutoff: '1.5' }))];
    const text = writeSheetCsv(small, 'comma');
    expect(text).toMatch(/FT-1;cutoff;.*;1,5;.*;decimal comma/);
    expect(readSheetFile(text, [sheetIn(meterJob())])[0]?.left).toEqual({ size: '80', cutoff: '1.5' });
  });

  test.each([
    [
      'a number with two readings in the job’s style',
      'Tag;Key;As left\r\nFT-1;size;1.500',
      'line 2: text.colon name=Pipe size text=(quantity.thousands text=1.500 small=1.5 large=1500)',
    ],
    [
      'one that its row gives another style',
      'Tag;Key;As left;Numbers\r\nFT-1;size;1.500.000;decimal comma',
      'line 2: setting.outside label=Pipe size limits=(setting.from-to min=1 max=3000 unit=mm) value=1500000',
    ],
  ])('%s is refused with its place', (_, text, words) => {
    expect(refusalOf(() => readSheetFile(text, sheets, 'comma'))).toMatch(words);
  });

  test.each([
    [
      'a parameter that is not there',
      'Tag,Key,As left\r\nFT-1,speed,3',
      'line 2: setting.has-no-parameter tag=FT-1 key=speed',
    ],
    ['another tag', 'Tag,Key,As left\r\nXX-9,size,3', 'setting.sheet-here tag=XX-9'],
    [
      'a value out of range',
      'Tag,Key,As left\r\nFT-1,size,-3',
      'line 2: setting.outside label=Pipe size limits=(setting.from-to min=1 max=3000 unit=mm) value=-3',
    ],
    ['no key', 'Tag,As left\r\nFT-1,3', 'setting.file-lacks-column-first missing=Key'],
    ['broken JSON', '{"format":', 'setting.json-breaks-off-holds'],
    [
      'a field that nobody knows',
      '{"format":"keypost-sheet","version":1,"sheets":[{"tag":"FT-1","values":{},"note":"x"}]}',
      'schema.keys keys=note',
    ],
    ['another JSON', '{"format":"x"}', 'setting.sheet-format-must-version sheetFormat=keypost-sheet'],
  ])('%s is refused with its place', (_, text, words) => {
    expect(refusalOf(() => readSheetFile(text, sheets))).toMatch(words);
  });
});

test('history: moments, and what differs between two of them', () => {
  const first = entered(meterJob(), 'found', { size: '50', unit: 'l/s' });
  const at = (job: JobContent, i: number, time: string): JobContent => ({
    ...job,
    entries: job.entries.map((entry, k) => (k === i ? { ...entry, at: time } : entry)),
  });
  const job = at(
    at(entered(first, 'left', { size: '80' }), 0, '2026-01-01T00:00:00.000Z'),
    1,
    '2026-02-01T00:00:00.000Z',
  );
  expect(momentsOf(new JobIndex(job), 'ft-1-b').map(({ side, count }) => [side, count])).toEqual([
    ['left', 1],
    ['found', 2],
  ]);
  expect(
    differencesBetween(new JobIndex(job), 'ft-1-b', '2026-01-15T00:00:00.000Z', '2026-03-01T00:00:00.000Z'),
  ).toEqual([{ key: 'size', label: 'Pipe size', before: '50\u00a0mm', after: '80\u00a0mm' }]);
});

describe('name-plate', () => {
  test('a fact keeps how it was typed, and is converted beside it', () => {
    const job = meterJob('flow-magnetic', { size: '8 cm' });
    const lines = plateLines(new JobIndex(job), nth(job.points, 0));
    expect(lines.find(({ fact }) => fact.key === 'size')).toMatchObject({
      typed: '8 cm',
      converted: '80 mm',
    });
  });
  test.each([
    ['size', '-3', 'setting.or-more-this-is label=Pipe size words=1 mm words2=−3 mm'],
    ['size', '4 m', 'setting.or-less-this-is label=Pipe size words=3000 mm words2=4000 mm'],
    ['size', '3 kg', 'text.colon name=Pipe size text=(quantity.unit unit=kg units=m+mm+cm+km+in+ft)'],
    ['factor', 'x', 'text.colon name=Calibration factor text=(quantity.no-number text=x unit=)'],
    ['medium', 'honey', 'setting.choose-list label=Medium'],
  ])('%s %s is refused', (key, typed, words) => {
    const job = meterJob();
    const { fact } = sure(
      plateLines(new JobIndex(job), nth(job.points, 0)).find((line) => line.fact.key === key),
    );
    expect(said(plateProblem(fact, typed))).toMatch(words);
  });
});

describe('a port plan', () => {
  const withDevice = (described: boolean): JobContent => {
    const job = withPoint(withModule(bareJob(), 'i', 'iol-aaaa', [], 10), {
      typeId: 'io-link-a',
      output: 'none',
      logic: 'none',
      at: ['i', 1],
    });
    return described
      ? after(
          job,
          { kind: 'addDescription', description: { id: 'd', fileName: 'd.xml', text: DISTANCE_SENSOR } },
          { kind: 'editDevice', id: 'px-1-b', patch: { descriptionId: 'd' } },
        )
      : job;
  };
  const required = (job: JobContent, key: string) =>
    sheetOf(new JobIndex(job), 'i').lines.find(({ parameter }) => parameter.key === key)?.required?.value;

  test('follows from the description of what is on it', () => {
    const job = withDevice(true);
    const [first, second] = portPlan(new JobIndex(job), 'i');
    expect([sure(first).device, sure(second).bytes, sure(second).cycle]).toEqual([
      undefined,
      { input: 2, output: 0 },
      2.3,
    ]);
    expect(sure(second).addresses.byte).toEqual({ firstIn: '%IB10', lastIn: '%IB11', qualifier: '%IB12' });
    expect([
      required(job, 'P1.mode'),
      required(job, 'P2.vendor'),
      required(job, 'P2.device'),
      required(job, 'P2.lengthIn'),
    ]).toEqual(['off', '4711', '131073', '2']);
  });

  test('says what is missing while there is none', () => {
    const [, port] = portPlan(new JobIndex(withDevice(false)), 'i');
    expect(said(sure(port).problem)).toMatch('setting.description-file-data-read device=PX-1');
    expect(
      said(sure(port).sheet.lines.find(({ parameter }) => parameter.key === 'P2.vendor')?.problem),
    ).toMatch('setting.description-file-yet device=PX-1');
  });
});

const serial = BusPlan.parse({
  kind: 'serial',
  id: 'l',
  tag: 'L',
  mm2: 0.25,
  bias: { at: 'a', ohms: 390, volts: 5 },
  units: [
    {
      id: 'a',
      tag: 'A',
      baud: 19200,
      parity: 'even',
      stopBits: 1,
      plusName: 'D1',
      terminated: true,
      unitLoad: 1,
      fromLastM: 0,
    },
    serialUnit(),
  ],
}) as SerialPlan;

test('a serial plan: as it is set rather than as it is planned, and both schools of names', () => {
  const job = after(
    withPoint(withModule(bareJob(), 's', 'serial-master', []), {
      typeId: 'serial-unit',
      output: 'none',
      logic: 'none',
      at: ['s', 0],
      settings: { terminator: 'on' },
    }),
    { kind: 'setPlan', plan: serial },
  );
  const faults = (j: JobContent): string[] =>
    serialFaults(lineOf(planAsSet(new JobIndex(j), serial)))
      .map(({ sentence: words }) => words)
      .map(said);
  expect(faults(job)).toEqual([]);
  const set = entered(job, 'found', { baud: '9600', frame: '8N2', terminator: 'off' }, 'px-1-b');
  expect(faults(set).join(' ')).toMatch('fieldbus.set-others');
  expect(said(namingSentence(serial))).toMatch('fieldbus.line-positive-rest-called');
  expect(
    sheetOf(new JobIndex(job), 'px-1-b').lines.find(({ parameter }) => parameter.key === 'frame')?.required,
  ).toMatchObject({ value: '8E1', from: say('setting.plan-of', { plan: 'L' }) });
});

test('a network plan: files, names, and the order of bringing it up', () => {
  const plan = BusPlan.parse({
    kind: 'ethernet',
    id: 'n',
    tag: 'N',
    members: [
      { id: 'c', tag: 'PLC', role: 'controller', address: '10.0.0.1', mask: '/24' },
      {
        id: 'd',
        tag: 'DRV',
        role: 'device',
        address: '10.0.0.5',
        mask: '/24',
        name: 'drv',
        nameOnDevice: 'pump',
        file: 'missing',
      },
      { id: 'p', tag: 'LAP', role: 'laptop', address: '10.0.0.5', mask: '/24' },
    ],
  }) as EthernetPlan;
  expect(
    networkFaults(plan)
      .map(({ sentence: words }) => words)
      .map(said),
  ).toEqual([
    'fieldbus.same-address tags=DRV+LAP address=10.0.0.5',
    'fieldbus.description-file-installed-controller tag=DRV',
    'fieldbus.name-project-looks tag=DRV nameOnDevice=pump name=drv',
  ]);
  const keys = networkSteps(plan).map(({ key }) => key);
  expect(keys).toEqual(['plan', 'laptop', 'files', 'device-d', 'controller', 'test']);
  expect(said(nth(networkSteps(plan), 0).title)).toMatch('fieldbus.clear-what-plan-says faults=3');
});

describe('a value that a device gave and its description does not know', () => {
  const read = (values: Record<string, string>): JobContent =>
    after(meterJob(), {
      kind: 'enter',
      entries: [{ id: 'r1', itemId: 'ft-1-b', side: 'found', how: 'read', values }],
    });

  test('is kept raw with its number, beside the others that were read with it', () => {
    const job = read({ unit: '77', size: '80' });
    expect(nth(job.entries, 0).values).toEqual({ unit: 'raw 77', size: '80' });
    const line = sure(sheetIn(job).lines.find(({ parameter }) => parameter.key === 'unit'));
    expect(line.state).toBe('differs');
    expect(presentText(line)).toMatch(/raw 77/);
  });

  test('is refused where somebody types it', () =>
    expect(() => entered(meterJob(), 'found', { unit: '77' })).toThrow());
});
