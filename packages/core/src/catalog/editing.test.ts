import { DEVICE_TYPES, MODULE_TYPES } from './catalog.ts';
import { DeviceDescription } from './description/deviceDescription.ts';
import { figuresIn, withFigures } from './description/figure.ts';
import { figureText, namedFigures } from './description/figureText.ts';
import { ModuleDescription } from './description/moduleDescription.ts';
import {
  isNameSettled,
  outputToCopy,
  withChannel,
  withCommonFrom,
  withOutput,
  withoutChannel,
  withoutOutput,
  withTerminalNamed,
} from './editing.ts';
import { problemsOfDevice, problemsOfModule } from './soundness.ts';

const devices = DEVICE_TYPES.map(({ id, description }) => [id, description] as const);
const modules = MODULE_TYPES.map(({ id, description }) => [id, description] as const);
const asStored = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

const soundDevice = (description: DeviceDescription) =>
  problemsOfDevice(DeviceDescription.parse(asStored(description)));
const soundModule = (description: ModuleDescription) =>
  problemsOfModule(ModuleDescription.parse(asStored(description)));

test.each(devices)('%s is as sound with any terminal under another name', (_, description) => {
  for (const { name } of description.terminals) {
    if (isNameSettled(description, name)) continue;
    const renamed = withTerminalNamed(description, name, 'ZZ9');
    expect(soundDevice(renamed)).toEqual([]);
    expect(JSON.stringify(renamed.terminals)).toContain('ZZ9');
    expect(asStored(withTerminalNamed(renamed, 'ZZ9', name))).toEqual(asStored(description));
  }
});

test.each(modules)('%s is as sound with its first and last terminal under other names', (_, description) => {
  for (const { name } of [...description.terminals.slice(0, 1), ...description.terminals.slice(-1)])
    expect(
      soundModule(
        isNameSettled(description, name) ? description : withTerminalNamed(description, name, 'ZZ9'),
      ),
    ).toEqual([]);
});

test.each(devices.filter(([, description]) => outputToCopy(description)))(
  '%s is sound with one more output, and as it was without it again',
  (_, description) => {
    const more = withOutput(description);
    expect(more.outputs).toHaveLength(description.outputs.length + 1);
    expect(soundDevice(more)).toEqual([]);
    const added = more.outputs.at(-1);
    expect(added && description.terminals.some(({ name }) => added.terminals.includes(name))).toBe(false);
    const { face: _face, ...before } = description;
    expect(asStored(withoutOutput(more, added?.id ?? ''))).toEqual(asStored(before));
  },
);

const inputs = modules.filter(([, { groups, ports }]) => groups.length && ports[0]?.kind === 'digital');

test.each(inputs)('%s is sound with a channel more and one less', (_, description) => {
  const more = withChannel(description);
  expect(more.ports).toHaveLength(description.ports.length + 1);
  expect(soundModule(more)).toEqual([]);
  expect(withoutChannel(more)).toEqual(description);
  expect(soundModule(withoutChannel(description))).toEqual([]);
});

test.each(inputs)('%s is sound with its commons divided and put together', (_, description) => {
  const [group] = description.groups;
  const at = group?.channels[1];
  if (at === undefined) return;
  const divided = withCommonFrom(description, at);
  expect(divided.groups).toHaveLength(description.groups.length + 1);
  expect(soundModule(divided)).toEqual([]);
  const together = withCommonFrom(divided, at);
  expect(together.groups.map(({ channels }) => channels)).toEqual(
    description.groups.map(({ channels }) => channels),
  );
  expect(soundModule(together)).toEqual([]);
});

test.each([...devices, ...modules])(
  '%s names its figures apart, and takes others in their place',
  (_, it) => {
    const named = namedFigures(it);
    expect(new Set(named.map(({ path }) => path)).size).toBe(named.length);
    expect(new Set(named.map(({ label }) => label)).size).toBe(named.length);
    for (const { path, figure } of named) {
      const own = { ...figure, source: 'datasheet, page 3' };
      expect(
        figuresIn(withFigures(it, { [path]: own })).find((found) => found.path === path)?.figure,
      ).toEqual(own);
    }
  },
);

test.each([
  [{ min: 0.3, nominal: 1.1, max: 2, unit: 'V' }, '0.3 to 2\u00a0V, usually 1.1'],
  [{ nominal: 0.0005, max: 0.0006, unit: 'A' }, '0.5\u00a0mA, at most 0.6'],
  [{ max: 0.2, unit: 'A' }, 'at most 200\u00a0mA'],
  [{ min: 18, unit: 'V' }, 'at least 18\u00a0V'],
  [{ nominal: 0.75, unit: '' }, '0.75'],
])('a figure is told in a line', (figure, text) => {
  expect(figureText({ ...figure, source: 'x' })).toBe(text);
});
