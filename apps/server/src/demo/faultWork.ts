import type { Actor, Change } from '@keypost/core/job';
import type { FaultBody } from '@keypost/core/model';

/** By whom and when: day and hour of autumn. */
const at = (by: string, month: number, day: number, hour: number, minute: number): Actor => ({
  by,
  at: new Date(Date.UTC(2026, month - 1, day, hour, minute)).toISOString(),
});

const told = (id: string, pointId: string, body: FaultBody): Change => ({
  kind: 'reportFault',
  fault: { id, pointId, body },
});

/**
 * Faults of the demo: two that were mended, of which the second is the first come back, and three that are open.
 * @param wireNumber of the wire that was loose.
 */
export const faultWork = (wireNumber: string): [Change, Actor][] => {
  const what = `Wire ${wireNumber} from ZS-111 2 to DI 2 I0 is interrupted`;
  const mended = (of: string, done: string, parts: string, downMinutes: number): FaultBody => ({
    kind: 'mended',
    of,
    what,
    fault: 'open zs-111-b-2',
    sort: 'wire-open',
    done,
    parts,
    downMinutes,
    touched: ['zs-111-b-2'],
  });
  return [
    [
      told('f1', 'zs-111', {
        kind: 'opened',
        symptom: 'The hatch counts as closed no more',
        seen: [
          { id: 'inputLed present', is: false },
          { id: 'ohms zs-111-b:2 di-2:I0 present', is: 20e6 },
        ],
      }),
      at('JT', 9, 22, 5, 40),
    ],
    [
      told('f1-mended', 'zs-111', mended('f1', 'Clamped anew at the switch.', '', 35)),
      at('JT', 9, 22, 6, 15),
    ],
    [
      told('f2', 'zs-111', {
        kind: 'opened',
        symptom: 'Hatch open, says the screen; it is shut',
        seen: [{ id: 'inputLed present', is: false }],
      }),
      at('MR', 10, 6, 13, 5),
    ],
    [
      told(
        'f2-mended',
        'zs-111',
        mended('f2', 'Core broken at the gland: cable shortened, gland changed.', 'Gland M20', 80),
      ),
      at('MR', 10, 6, 14, 25),
    ],
    [
      told('f3', 'lx-215', {
        kind: 'opened',
        symptom: 'No level; PX-115, UT-224 and FT-232 on the same card are dead too',
        seen: [
          { id: 'sensorLed present', is: false },
          { id: 'inputLed present', is: false },
        ],
      }),
      at('JT', 10, 12, 4, 50),
    ],
    [
      told('f4', 'wt-222', {
        kind: 'opened',
        symptom: 'Weighs far too little since the card was changed',
        seen: [],
      }),
      at('MR', 10, 12, 9, 20),
    ],
    [
      told('f4-seen', 'wt-222', {
        kind: 'seen',
        of: 'f4',
        seen: [],
        note: 'The signal at the terminals is right; look at the switch on the card.',
      }),
      at('MR', 10, 12, 10, 5),
    ],
    [
      told('f5', 'ft-235', {
        kind: 'opened',
        symptom: 'The display stands at zero while the blower runs',
        seen: [],
      }),
      at('JT', 10, 13, 6, 30),
    ],
  ];
};
