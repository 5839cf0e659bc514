import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { DISTANCE_SENSOR } from '../../test/description.ts';
import { JobProblem } from '../model/problem.ts';
import { decodeRecord, scaled } from './processData.ts';
import { readDescription } from './readDescription.ts';
import { MAX_DESCRIPTION_BYTES } from './xmlTree.ts';

const read = readDescription(DISTANCE_SENSOR);
const problems = (text: string): string => {
  try {
    readDescription(text);
  } catch (error) {
    if (error instanceof JobProblem)
      return error.problems.map(({ path, message }) => `${said(path)}: ${said(message)}`).join(' ');
    throw error;
  }
  return 'not refused';
};
const without = (part: RegExp | string, by = ''): string => {
  const changed = DISTANCE_SENSOR.replace(part, by);
  if (changed === DISTANCE_SENSOR) throw new Error('nothing was changed');
  return changed;
};

test('identity, versions and the physical layer', () => {
  expect(read).toMatchObject({
    vendorId: 4711,
    deviceId: 131073,
    vendor: 'Heron Works',
    name: 'Distance sensor',
    products: [{ id: 'HW-D2', name: 'Distance 2 m' }],
    fileVersion: 'V1.2',
    revision: 'V1.1',
    bitrate: 'COM3',
    minCycleMicroseconds: 2300,
  });
});

test('variables in the order of their index, with words, limits, access and factory value', () => {
  expect(read.variables.map(({ index, id, access }) => [index, id, access])).toEqual([
    [16, 'V_VendorName', 'ro'],
    [24, 'V_ApplicationSpecificTag', 'rw'],
    [60, 'V_SP1', 'rw'],
    [61, 'V_Mode', 'rw'],
  ]);
  expect(read.variables[2]).toMatchObject({
    name: 'Switching point 1',
    description: 'Distance at which output 1 switches & holds',
    type: { kind: 'uint', bits: 16 },
    allowed: { ranges: [{ min: 30, max: 2000 }] },
    factory: '500',
  });
  const { type } = nth(read.variables, 3);
  if (type.kind !== 'record') throw new Error('no record');
  expect(type.items.map(({ subindex, name, bitOffset }) => [subindex, name, bitOffset])).toEqual([
    [1, 'Logic', 8],
    [2, 'Hysteresis', 0],
  ]);
  expect(nth(type.items, 0).allowed.values).toEqual([
    { value: '0', name: 'normally open' },
    { value: '1', name: 'normally closed' },
  ]);
});

test('process data come apart by the description alone, with gradient, offset and unit', () => {
  const { input } = nth(read.processData, 0);
  const record = decodeRecord(sure(input), Uint8Array.of(0x7d, 0x11));
  expect(Object.fromEntries(record)).toEqual({ Distance: 0x7d1, 'Output 2': false, 'Output 1': true });
  const { scale } = nth(sure(input).items, 0);
  expect(scale).toEqual({ gradient: 0.5, offset: 30, unit: 'mm' });
  expect(scaled(0x7d1, sure(scale))).toBe(1030.5);
});

test('menus lead to variables, items and further menus, each with its scale', () => {
  expect(read.menus).toEqual([
    {
      id: 'M_Main',
      name: 'Parameters',
      lines: [
        { kind: 'menu', menuId: 'M_Sub' },
        { kind: 'variable', variableId: 'V_SP1', scale: { gradient: 0.1, offset: 0, unit: 'cm' } },
      ],
    },
    { id: 'M_Sub', name: '', lines: [{ kind: 'variable', variableId: 'V_Mode', subindex: 1 }] },
  ]);
});

describe('what is refused, and says why', () => {
  test.each<[string, string, string]>([
    ['a torn file', DISTANCE_SENSOR.slice(0, 900), 'ioLink.file-damaged-line'],
    ['an unclosed element', without('</Menu>'), 'ioLink.file-damaged-line'],
    ['no XML', 'hello', 'ioLink.file-damaged-line'],
    ['another document', '<Order/>', 'ioLink.file-begins-device-description rootName=Order'],
    ['an unknown version', without('IODD/2010/10', 'IODD/2099/01'), 'ioLink.file-version-known-known'],
    ['no identity', without(/<DeviceIdentity[\s\S]*<\/DeviceIdentity>/), 'ioLink.file-lacks-device-identity'],
    [
      'a type that is missing',
      without('datatypeId="D_Switch"', 'datatypeId="D_Gone"'),
      'ioLink.refers-type-which-file id=D_Gone',
    ],
    [
      'an unknown type',
      without('xsi:type="BooleanT"', 'xsi:type="MagicT"'),
      'ioLink.type-known-here kind=MagicT',
    ],
    ['items over one another', without('bitOffset="1"', 'bitOffset="0"'), 'ioLink.lies-over'],
    [
      'an item beyond the record',
      without('bitOffset="4"', 'bitOffset="8"'),
      'ioLink.lies-bits-beyond-record name=Distance bitOffset=8 bits=12 bitLength=16',
    ],
    ['an index used twice', without('index="61"', 'index="60"'), 'ioLink.index-too index=60 before=V_SP1'],
    [
      'an access that is none',
      without('accessRights="rw" defaultValue="500"', 'accessRights="maybe"'),
      'ioLink.access-ro-rw-wo access=maybe',
    ],
    [
      'a menu that is missing',
      without('menuId="M_Sub"', 'menuId="M_Gone"'),
      'ioLink.refers-menu-which-file menuId=M_Gone',
    ],
    [
      'a number that is none',
      without('vendorId="4711"', 'vendorId="many"'),
      'ioLink.whole-number-0-up text=many',
    ],
  ])('%s', (_, text, words) => {
    expect(problems(text)).toMatch(words);
  });

  test('entities and document types of its own, whatever they would do', () => {
    const bomb = `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]>`;
    expect(problems(DISTANCE_SENSOR.replace('?>', `?>${bomb}`))).toMatch('ioLink.file-defines-document-type');
    expect(problems('<!ENTITY x SYSTEM "file:///etc/passwd"><IODevice/>')).toMatch(
      'ioLink.file-defines-document-type',
    );
  });

  test('a file too large, before it is read', () => {
    expect(problems(`<IODevice>${' '.repeat(MAX_DESCRIPTION_BYTES)}</IODevice>`)).toMatch(
      'ioLink.file-mb-most-mb text=10485800 maxDescriptionBytes=10485800',
    );
  });
});

test('a text that the file lacks stands by its id, so that nothing is nameless', () => {
  const { variables } = readDescription(without('<Text id="TI_SP1" value="Switching point 1"/>'));
  expect(nth(variables, 2).name).toBe('TI_SP1');
});
