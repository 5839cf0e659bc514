import { exactly } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { deadSights } from './deadSights.ts';
import type { Look } from './look.ts';
import { NOTHING_CONDUCTS } from './sight.ts';

/** The most that an ohmmeter may show across one resistor of so many ohms. */
function mostAcross(ohms: number): number | undefined {
  const net: Netlist = {
    reference: 'b',
    elements: [{ kind: 'resistor', id: 'r', a: 'a', b: 'b', ohms: exactly(ohms) }],
  };
  const look = { kind: 'ohms', id: 'look', state: 'away', red: 'a', black: 'b' } as unknown as Look;
  const sight = deadSights({ away: net, present: net }, [look]).get('look');
  return sight?.kind === 'ohms' ? sight.max : undefined;
}

test('ten kilohms are read, whatever rounding makes of them; above, electronics beside it decide', () => {
  for (const ohms of [9999.9999999, 10_000, 10_000.0000001]) expect(mostAcross(ohms)).toBeCloseTo(12500.5, 3);
  for (const ohms of [10_001, 1e6]) expect(mostAcross(ohms)).toBe(NOTHING_CONDUCTS);
});
