import { nth } from '../lists/index.ts';
import type { Condition, Element } from '../circuit/netlist.ts';
import { nodesOf } from '../circuit/netlist.ts';
import { solve } from '../circuit/solve.ts';
import { DEVICE_TYPES, MODULE_TYPES } from './catalog.ts';
import { settingsOf } from './partType.ts';
import { outputsNow } from './deviceType.ts';
import type { DeviceType } from './deviceType.ts';
import { DeviceDescription } from './description/deviceDescription.ts';
import { ModuleDescription } from './description/moduleDescription.ts';
import { problemsOfDevice, problemsOfModule } from './soundness.ts';
import type { FaceGlyph } from './description/terminals.ts';
import type { ModuleType } from './moduleType.ts';
import type { OperatingState } from './description/expression.ts';
import type { Device } from '../model/job.ts';
import type { PartType } from './partType.ts';

/** Every choice of every setting once, the others as from the factory. */
function variants(type: PartType): Record<string, string>[] {
  const factory = settingsOf(type);
  return [
    factory,
    ...(type.settings ?? []).flatMap(({ key, choices }) =>
      choices.map(({ value }) => ({ ...factory, [key]: value })),
    ),
  ];
}

/** Every state that a device can be in by the kinds and logics of its outputs, its settings and its stimulus. */
const momentsOf = (type: DeviceType): OperatingState[] =>
  chosenOutputs(type).flatMap((outputs) =>
    variants(type).flatMap((settings) =>
      [false, true].map((present) => {
        const level = present ? 1 : 0;
        return {
          outputs: outputsNow(type, { outputs }, { present, level }),
          settings,
          present,
          level,
          forced: new Set<string>(),
        };
      }),
    ),
  );

/** Every way to choose the first output of a device. */
const chosenOutputs = ({ outputs: [first] }: DeviceType): NonNullable<Device['outputs']>[] =>
  first
    ? first.kinds.flatMap((kind) => first.logics.map((logic) => ({ [first.id]: { kind, logic } })))
    : [{}];

const momentsOfModule = (type: ModuleType): OperatingState[] =>
  variants(type).map((settings) => ({
    outputs: new Map(),
    settings,
    present: false,
    level: 0,
    forced: new Set<string>(),
  }));

/** Names under which the state of an element can be asked for. */
const namesOf = ({ id, kind }: Element): string[] =>
  kind === 'output' ? [id, `${id}/high`, `${id}/low`] : [id];

function conditionIds(condition: Condition): string[] {
  if (typeof condition === 'boolean') return [];
  if ('on' in condition) return [condition.on];
  if ('was' in condition) return [condition.was];
  if ('not' in condition) return conditionIds(condition.not);
  return ('all' in condition ? condition.all : condition.any).flatMap(conditionIds);
}

function conditionsOf(element: Element): Condition[] {
  return Object.values(element).filter(
    (value): value is Condition =>
      typeof value === 'object' &&
      value !== null &&
      ['on', 'was', 'not', 'all', 'any'].some((key) => Object.hasOwn(value, key)),
  );
}

function expectSoundTerminals(type: PartType): void {
  const names = type.terminals.map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  for (const name of names) expect(name).toMatch(/^[^:\s~]{1,16}$/);
  const others = type.terminals.flatMap(({ printed }) => printed ?? []);
  expect(new Set(others).size).toBe(others.length);
  const places = type.terminals.flatMap(({ stacking }, i) =>
    stacking ? [`${Math.floor(i / 4)} ${stacking.row} ${stacking.level}`] : [],
  );
  expect(new Set(places).size).toBe(places.length);
}

function expectSoundSettings(type: PartType): void {
  const keys = (type.settings ?? []).map(({ key }) => key);
  expect(new Set(keys).size).toBe(keys.length);
  for (const { key, label, choices } of type.settings ?? []) {
    expect(key).toMatch(/^[\w.-]{1,40}$/);
    expect(label.length).toBeGreaterThan(2);
    expect(choices.length).toBeGreaterThan(1);
    expect(new Set(choices.map(({ value }) => value)).size).toBe(choices.length);
    for (const { value, label: said } of choices) {
      expect(value.length).toBeLessThanOrEqual(60);
      expect(said).not.toBe('');
    }
  }
}

/** The part's circuit stands on its own terminals and inner nodes, each element once, and refers to what is there. */
function expectSoundCircuit(type: PartType, elements: readonly Element[]): void {
  const terminals = new Set(type.terminals.map(({ name }) => name));
  const ids = elements.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  const known = new Set(elements.flatMap(namesOf));
  for (const element of elements) {
    if (element.kind !== 'output') expect(element.id).not.toMatch(/\/(high|low)$/);
    for (const node of nodesOf(element))
      if (!node.startsWith('~'))
        expect([type.id, element.id, terminals.has(node) || node]).toEqual([type.id, element.id, true]);
    for (const id of conditionsOf(element).flatMap(conditionIds))
      expect([type.id, element.id, known.has(id) || id]).toEqual([type.id, element.id, true]);
  }
}

/** A part on its own, on no supply: every node at rest, and the solver comes to an end. */
/** What is told of a load or of what must be heard is told between terminals, where a meter can stand. */
function expectVoltsOnTerminals(type: DeviceType, elements: readonly Element[]): void {
  const terminals = type.terminals.map(({ name }) => name);
  const told = [
    ...(type.load ? (type.indicators ?? []).filter(({ kind }) => kind === 'load').map(({ id }) => id) : []),
    ...type.outputs.flatMap(({ expects = {} }) => Object.values(expects).flat()),
  ];
  for (const element of elements)
    if (element.kind === 'detector' && told.includes(element.id)) {
      const { a, b } = element.outside ?? element;
      expect([element.id, terminals.includes(a), terminals.includes(b)]).toEqual([element.id, true, true]);
    }
}

function expectAtRest(elements: readonly Element[], reference: string): void {
  const solution = solve({ elements, reference });
  expect(solution.outcome).toBe('solved');
}

function expectSoundFace(type: PartType, known: ReadonlySet<string>): void {
  const terminals = new Set(type.terminals.map(({ name }) => name));
  const glyphs: FaceGlyph[] = [];
  for (const { a, b, middle, glyph, second } of type.face ?? []) {
    for (const name of [a, b, middle])
      if (name !== undefined) expect([type.id, terminals.has(name) || name]).toEqual([type.id, true]);
    glyphs.push(...[glyph, second].filter((g) => g !== undefined));
  }
  for (const { id } of glyphs)
    if (id !== undefined) expect([type.id, known.has(id) || id]).toEqual([type.id, true]);
  for (const { id, label } of type.indicators ?? []) {
    expect([type.id, known.has(id) || id]).toEqual([type.id, true]);
    expect(label).not.toBe('');
  }
}

test('ids and names are the catalog’s own: no two alike', () => {
  for (const types of [DEVICE_TYPES, MODULE_TYPES]) {
    expect(new Set(types.map(({ id }) => id)).size).toBe(types.length);
    expect(new Set(types.map(({ name }) => name)).size).toBe(types.length);
  }
});

describe.each(DEVICE_TYPES.map((type) => [type.id, type] as const))('device %s', (_, type) => {
  const moments = momentsOf(type);

  test('has sound terminals, settings and words', () => {
    expectSoundTerminals(type);
    expectSoundSettings(type);
    expect(type.outputs.length > 0 || type.description.part).toBe(true);
    for (const { kinds, logics, words, stimulus } of type.outputs) {
      expect(kinds.length * logics.length).toBeGreaterThan(0);
      expect(words.present).not.toBe(words.away);
      expect(stimulus.length).toBeGreaterThan(5);
    }
    if (type.supply) expect(type.supply.min).toBeLessThan(type.supply.max);
    for (const { resistanceFor } of type.outputs) {
      const element = resistanceFor?.(settingsOf(type));
      if (element) expect(element.lowOhms).not.toBe(element.highOhms);
    }
    if (type.coil) expect(type.coil.dropOut).toBeLessThan(type.coil.pickUp);
  });

  test('is data: it goes out as JSON and comes back the same, sound', () => {
    const back: unknown = JSON.parse(JSON.stringify(type.description));
    expect(back).toEqual(type.description);
    const read = DeviceDescription.parse(back);
    expect(read).toEqual(type.description);
    expect(problemsOfDevice(read)).toEqual([]);
  });

  test('has a circuit on its own terminals in every state', () => {
    for (const now of moments) expectSoundCircuit(type, type.circuit(now));
    expectVoltsOnTerminals(type, type.circuit(nth(moments, 0)));
  });

  test('is at rest on no supply', () => {
    for (const now of moments.slice(0, 12)) expectAtRest(type.circuit(now), nth(type.terminals, 0).name);
  });

  test('shows and follows only elements that it has', () => {
    const known = new Set(moments.flatMap((now) => type.circuit(now).flatMap(namesOf)));
    expectSoundFace(type, known);
    for (const { expects = {}, element, carries } of type.outputs) {
      const { always = [], away = [], present = [] } = expects;
      for (const id of [...always, ...away, ...present, ...carries, ...(element ? [element] : [])])
        expect([type.id, known.has(id) || id]).toEqual([type.id, true]);
    }
  });
});

describe.each(MODULE_TYPES.map((type) => [type.id, type] as const))('module %s', (_, type) => {
  const moments = momentsOfModule(type);

  test('has sound terminals and settings', () => {
    expectSoundTerminals(type);
    expectSoundSettings(type);
  });

  test('is data: it goes out as JSON and comes back the same, sound', () => {
    const back: unknown = JSON.parse(JSON.stringify(type.description));
    const read = ModuleDescription.parse(back);
    expect(read).toEqual(type.description);
    expect(problemsOfModule(read)).toEqual([]);
  });

  test('has a circuit on its own terminals under every setting, at rest on no supply', () => {
    for (const now of moments) {
      const elements = type.circuit(now);
      expectSoundCircuit(type, elements);
      expectAtRest(elements, nth(type.terminals, 0).name);
    }
    expectSoundFace(type, new Set(moments.flatMap((now) => type.circuit(now).flatMap(namesOf))));
  });

  test('has ports on its own terminals, each with an element', () => {
    const terminals = new Set(type.terminals.map(({ name }) => name));
    const keys = new Set((type.settings ?? []).map(({ key }) => key));
    for (const now of moments) {
      const ports = type.ports(now.settings);
      const known = new Set(type.circuit(now).flatMap(namesOf));
      expect(new Set(ports.map(({ channel }) => channel)).size).toBe(ports.length);
      for (const port of ports) {
        const at = [type.id, port.label];
        expect([...at, terminals.has(port.terminal)]).toEqual([...at, true]);
        expect([...at, terminals.has(port.common) || port.common.startsWith('~')]).toEqual([...at, true]);
        for (const terminal of Object.values(port.roles))
          expect([...at, terminals.has(terminal) || terminal]).toEqual([...at, true]);
        const elements = port.kind === 'safety' ? [...port.detectors, port.both] : [];
        for (const id of elements) expect([...at, known.has(id) || id]).toEqual([...at, true]);
        if (port.kind === 'digital' || port.kind === 'analog')
          expect([...at, known.has(port.name) || port.name]).toEqual([...at, true]);
        if (port.kind === 'analog')
          for (const key of [port.switchKey, port.rangeKey, port.wiresKey])
            if (key !== undefined) expect([...at, keys.has(key) || key]).toEqual([...at, true]);
      }
    }
  });

  test('has groups whose commons are terminals and whose channels are ports, each once', () => {
    const channels = type.groups.flatMap((group) => group.channels);
    expect(new Set(channels).size).toBe(channels.length);
    const ports = type.ports(settingsOf(type));
    for (const { common, channels: own } of type.groups) {
      expect(type.terminals.map(({ name }) => name)).toContain(common);
      for (const channel of own) expect(ports.find((port) => port.channel === channel)?.common).toBe(common);
    }
  });
});
