import { holds } from './netlist.ts';
import type { Element, Netlist } from './netlist.ts';
import { solve } from './solve.ts';
import { exactly } from './span.ts';

const TEST_AMPS = 0.0005;

/**
 * What an ohmmeter shows between two nodes, Ω. Every source is first taken out (`dead`, as on an isolated panel) or
 * set to 0 V (`inner`, the resistance behind the terminals of a live circuit). Infinity where nothing joins them.
 * On an isolated panel a contact rests as its spring has it.
 */
export function resistanceBetween(netlist: Netlist, a: string, b: string, sources: 'dead' | 'inner'): number {
  const elements = netlist.elements.flatMap((element): Element[] => {
    if (element.kind === 'source') return sources === 'dead' ? [] : [{ ...element, volts: exactly(0) }];
    // What is not powered gives nothing.
    if (element.kind === 'transmitter' || element.kind === 'detector') return [];
    if (element.kind === 'switch' && typeof element.closed !== 'boolean')
      return sources === 'dead' && holds(element.closed, nothing, nothing)
        ? [{ ...element, closed: true }]
        : [];
    if (element.kind === 'output') return [];
    if (element.kind === 'latch') return [];
    return [element];
  });
  const solution = solve({
    elements: [
      ...elements,
      {
        kind: 'source',
        id: 'ohmmeter',
        plus: a,
        minus: b,
        volts: exactly(3),
        internalOhms: exactly(1),
        limitAmps: exactly(TEST_AMPS),
      },
    ],
    reference: b,
  });
  const amps = solution.amps('ohmmeter');
  return amps < 1e-8 ? Infinity : (solution.volts(a) - solution.volts(b)) / amps;
}

const nothing = (): boolean => false;
