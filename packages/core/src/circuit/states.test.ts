import type { Element, Netlist } from './netlist.ts';
import { solve } from './solve.ts';
import { exactly, percent } from './span.ts';

const dc = (volts = 24): Element => ({
  kind: 'source',
  id: 'G',
  plus: 'P',
  minus: 'M',
  volts: exactly(volts),
  internalOhms: exactly(0),
  limitAmps: exactly(10),
});
const resistor = (id: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms: exactly(ohms),
});
const coil = (id: string, a: string, b: string, ohms: number): Element[] => [
  resistor(`${id}.r`, a, b, ohms),
  { kind: 'detector', id, a, b, onVolts: 18, offVolts: 2.4, either: true },
];
const contact = (
  id: string,
  a: string,
  b: string,
  closed: Extract<Element, { kind: 'switch' }>['closed'],
): Element => ({
  kind: 'switch',
  id,
  a,
  b,
  closed,
  ohms: exactly(0.05),
});
const net = (elements: Element[], held: string[] = []): Netlist => ({
  elements,
  reference: 'M',
  held: new Set(held),
});
const twoWire = (active: boolean, leak = 0.0015): Element => ({
  kind: 'twoWire',
  id: 'S',
  a: 'P',
  b: 'x',
  active,
  dropVolts: exactly(4),
  ohms: exactly(10),
  leakAmps: exactly(leak),
  limitAmps: exactly(0.3),
  minAmps: 0.003,
});
const transmitter = (amps: number, lift = 10): Element => ({
  kind: 'transmitter',
  id: 'T',
  plus: 'P',
  minus: 'x',
  amps: exactly(amps),
  liftVolts: exactly(lift),
});

describe('coils and contacts', () => {
  const relay = (volts: number, held: string[] = []) =>
    solve(
      net(
        [
          dc(volts),
          ...coil('K', 'P', 'M', 650),
          contact('K.no', 'P', 'no', { on: 'K' }),
          contact('K.nc', 'P', 'nc', { not: { on: 'K' } }),
          resistor('Lno', 'no', 'M', 1000),
          resistor('Lnc', 'nc', 'M', 1000),
        ],
        held,
      ),
    );

  test('a coil changes its contacts over', () => {
    const on = relay(24);
    expect(on.active('K')).toBe(true);
    expect(on.closed('K.no')).toBe(true);
    expect(on.volts('no')).toBeCloseTo(24, 2);
    expect(on.amps('Lnc')).toBe(0);
    const off = relay(1);
    expect(off.closed('K.nc')).toBe(true);
    expect(off.volts('nc')).toBeCloseTo(1, 2);
  });

  test('between drop-out and pick-up it stays as it was', () => {
    expect(relay(10).active('K')).toBe(false);
    expect(relay(10, ['K']).active('K')).toBe(true);
    expect(relay(2, ['K']).active('K')).toBe(false);
  });

  test('a coil behind its own NC contact never settles', () => {
    const buzzer = solve(
      net([dc(), contact('K.nc', 'P', 'x', { not: { on: 'K' } }), ...coil('K', 'x', 'M', 650)]),
    );
    expect(buzzer.outcome).toBe('chatter');
  });

  test('a coil behind its own NO contact holds itself once it was on', () => {
    const held = (before: string[]) =>
      solve(net([dc(), contact('K.no', 'P', 'x', { on: 'K' }), ...coil('K', 'x', 'M', 650)], before));
    expect(held(['K']).active('K')).toBe(true);
    expect(held([]).active('K')).toBe(false);
  });

  test('a condition that names nothing is a mistake, not a false', () => {
    expect(() => solve(net([dc(), contact('c', 'P', 'M', { on: 'nobody' })]))).toThrow(/nobody/);
  });
});

describe('latches', () => {
  const gate = (pressed: boolean, guard: boolean, held: string[]) =>
    solve(
      net(
        [
          dc(),
          contact('button', 'P', 'r', pressed),
          resistor('Rr', 'r', 'M', 4700),
          { kind: 'detector', id: 'reset', a: 'r', b: 'M', onVolts: 11, offVolts: 5 },
          contact('guard', 'P', 'g', guard),
          resistor('Rg', 'g', 'M', 4700),
          { kind: 'detector', id: 'channel', a: 'g', b: 'M', onVolts: 11, offVolts: 5 },
          {
            kind: 'latch',
            id: 'released',
            set: { all: [{ on: 'channel' }, { was: 'reset' }, { not: { on: 'reset' } }] },
            hold: { on: 'channel' },
          },
          contact('out', 'P', 'q', { on: 'released' }),
          resistor('Load', 'q', 'M', 100),
        ],
        held,
      ),
    );

  test('a monitored reset sets on release and not on press', () => {
    const idle = gate(false, true, []);
    expect(idle.active('released')).toBe(false);
    const pressed = gate(true, true, [...idle.held]);
    expect(pressed.active('released')).toBe(false);
    const released = gate(false, true, [...pressed.held]);
    expect(released.active('released')).toBe(true);
    expect(released.amps('Load')).toBeCloseTo(24 / 100.05, 3);
    const open = gate(false, false, [...released.held]);
    expect(open.active('released')).toBe(false);
    expect(gate(false, true, [...open.held]).active('released')).toBe(false);
  });
});

describe('two-wire sensors', () => {
  test('on, it leaves its drop to the load; off, its leakage flows', () => {
    const on = solve(net([dc(), twoWire(true), resistor('R', 'x', 'M', 2000)]));
    // 24 = 4 + (10 + 2000)·I, to the rounding of the knee.
    expect(on.amps('S')).toBeCloseTo(20 / 2010, 4);
    const off = solve(net([dc(), twoWire(false), resistor('R', 'x', 'M', 2000)]));
    expect(off.volts('x')).toBeCloseTo(0.0015 * 2000, 1);
  });

  test('with too little load it lets go, either way round', () => {
    for (const ends of [
      ['P', 'x'],
      ['x', 'P'],
    ] as const) {
      const sensor: Element = { ...twoWire(true), a: ends[0], b: ends[1] } as Element;
      const held = solve(net([dc(), sensor, resistor('R', 'x', 'M', 5000)]));
      expect(held.closed('S')).toBe(true);
      const starved = solve(net([dc(), sensor, resistor('R', 'x', 'M', 10000)]));
      expect(starved.closed('S')).toBe(false);
      expect(Math.abs(starved.amps('S'))).toBeLessThan(0.0016);
    }
  });
});

describe('transmitters', () => {
  test('the current does not hang on the load until the voltage runs out', () => {
    for (const ohms of [50, 250, 600])
      expect(solve(net([dc(), transmitter(0.02), resistor('R', 'x', 'M', ohms)])).amps('T')).toBeCloseTo(
        0.02,
        7,
      );
    // 24 V − 10 V lift-off leave 700 Ω at 20 mA; 1000 Ω can have no more than 14 V and a little below lift-off.
    const starved = solve(net([dc(), transmitter(0.02), resistor('R', 'x', 'M', 1000)]));
    expect(starved.amps('T')).toBeGreaterThan(0.0139);
    expect(starved.amps('T')).toBeLessThan(0.0146);
  });

  test('nothing flows backwards', () => {
    const back: Element = { ...transmitter(0.012), plus: 'x', minus: 'P' } as Element;
    expect(Math.abs(solve(net([dc(), back, resistor('R', 'x', 'M', 250)])).amps('T'))).toBeLessThan(1e-6);
  });
});

test('a tolerance of the least supply is not needed for a contact to carry', () => {
  const s = solve(
    net([
      { ...dc(), volts: percent(24, 10) } as Element,
      contact('c', 'P', 'x', true),
      resistor('R', 'x', 'M', 100),
    ]),
  );
  expect(s.floating('x')).toBe(false);
  expect(s.closed('c')).toBe(true);
});
