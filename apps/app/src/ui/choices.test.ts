import { DEVICE_TYPES, MODULE_TYPES } from '@keypost/core/catalog';
import { deviceChoice, DEVICE_SIGHTS, moduleChoice } from '../job/kindOptions';
import { filtered, found, wordsOf } from './choices';

const DEVICES = DEVICE_TYPES.map(deviceChoice);
const values = (choices: readonly { value: string }[]) => choices.map(({ value }) => value);

test.each([
  ['prox', 'inductive-3w'],
  ['photo eye', 'diffuse-3w'],
  ['Pt100', 'rtd-3w'],
  ['e-stop', 'estop-2c'],
  ['inductve', 'inductive-3w'],
  ['load cell', 'rope-link-2w'],
  ['magmeter', 'flow-magnetic'],
  ['230 relay', 'relay-1co-230ac'],
  ['modbus', 'serial-unit'],
  ['solenoid', 'valve-24'],
])('“%s” finds what people mean by it, among the first five', (sought, id) => {
  expect(values(found(DEVICES, sought)).slice(0, 5)).toContain(id);
});

test('what fits nothing finds nothing, and nothing sought is everything', () => {
  expect(found(DEVICES, 'xyzzy plugh')).toEqual([]);
  expect(found(DEVICES, '  ')).toHaveLength(DEVICES.length);
});

test('every device is found by each thing that is seen of it, and has a name that people use', () => {
  for (const choice of DEVICES) {
    expect(choice.terms?.length).toBeGreaterThan(1);
    for (const { kind } of DEVICE_SIGHTS)
      for (const word of choice.marks?.[kind] ?? [])
        expect(values(filtered(DEVICES, { [kind]: word }))).toContain(choice.value);
  }
  for (const type of MODULE_TYPES) expect(moduleChoice(type).terms?.length).toBeGreaterThan(1);
});

test('of what is seen only that is offered which leads to something', () => {
  const filters = { wires: '3', printed: 'PNP' };
  expect(values(filtered(DEVICES, filters))).toContain('inductive-3w');
  expect(values(filtered(DEVICES, filters))).not.toContain('dry-contact');
  for (const word of wordsOf(DEVICES, filters, 'senses'))
    expect(filtered(DEVICES, { ...filters, senses: word }).length).toBeGreaterThan(0);
  const counts = wordsOf(DEVICES, {}, 'wires').map((word) => parseInt(word));
  expect(counts).toEqual([...counts].sort((a, b) => a - b));
});
