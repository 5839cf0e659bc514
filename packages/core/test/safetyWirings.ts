import type { JobContent } from '../src/model/collections.ts';
import type { ReasonCode } from '../src/verdict/reasons/reason.ts';
import { after, withWires } from './jobs.ts';
import * as S from './safetyJobs.ts';

const { moved, without, twoContactors, guardJob, driveStopJob, relayOnDrive } = S;

/** Safety functions that are wired as they should be; each passes. */
export const RIGHT: readonly (readonly [what: string, job: () => JobContent, id?: string])[] = [
  ['a guard switch, one contactor with feedback', () => guardJob()],
  ['the same with manual reset on press', () => guardJob({ reset: 'manual' })],
  ['the same with automatic reset', () => guardJob({ reset: 'automatic' })],
  ['an emergency stop', () => guardJob({}, 'estop-2c')],
  ['a guard sensor with transistor outputs', () => guardJob({}, 'guard-transistor')],
  ['two contactors, each on a contact of its own', () => twoContactors()],
  ['two contactors behind an emergency stop', () => twoContactors({}, 'estop-2c')],
  ['two contactors behind a guard sensor', () => twoContactors({}, 'guard-transistor')],
  ['a guard sensor on a drive’s safe-stop pair', () => driveStopJob()],
  ['a drive’s safe-stop pair behind a safety relay', () => relayOnDrive()],
  ['a valve on a safe contact', () => S.withValve()],
  ['the safe contact in the return of the coil', () => S.inTheReturn()],
  ['a chain of two guard sensors, the nearer', () => S.chainJob()],
  ['a chain of two guard sensors, the farther', () => S.chainJob(), 'px-2'],
  ['two guards on one safety relay', () => S.twoGuards()],
];

/** The code that says what is wrong; `open` where the point is not complete. */
type Wrong = readonly [what: string, job: () => JobContent, code: ReasonCode | 'open', status?: 'doubtful'];

const guardOnDrive = driveStopJob;
const sensor = () => twoContactors({}, 'guard-transistor');
const relayDrive = relayOnDrive;

/** Wrong wirings of guards, emergency stops, relays, contactors, feedback, reset and safe stop; none passes. */
export const WRONG: readonly Wrong[] = [
  // What feeds the contactors
  [
    'a contactor on the guard’s auxiliary contact',
    () => withWires(moved(twoContactors(), 'km:A1', 'px-1-b:34'), ['px-1-b:33', 'g1:+']),
    'safety-output',
  ],
  [
    'a contactor on the guard sensor’s auxiliary output',
    () => moved(sensor(), 'km:A1', 'px-1-b:GY'),
    'safety-output',
  ],
  [
    'the second contactor on the auxiliary output',
    () => moved(sensor(), 'km2:A1', 'px-1-b:GY'),
    'safety-output',
  ],
  [
    'a contactor on the status contact',
    () => withWires(moved(twoContactors(), 'km:A1', 's:42'), ['s:41', 'g1:+']),
    'safety-output',
  ],
  ['a contactor on plus', () => moved(twoContactors(), 'km:A1', 'g1:+'), 'safety-output'],
  ['the second contactor on plus', () => moved(twoContactors(), 'km2:A1', 'g1:+'), 'safety-output'],
  ['a safe contact bridged', () => withWires(twoContactors(), ['s:13', 's:14']), 'safety-output'],
  ['the other safe contact bridged', () => withWires(twoContactors(), ['s:23', 's:24']), 'safety-output'],
  [
    'plus on the far side of a safe contact',
    () => withWires(twoContactors(), ['s:14', 'g1:+']),
    'safety-output',
  ],
  [
    'a wire from one contact’s feed to the other’s output',
    () => withWires(twoContactors(), ['s:13', 's:24']),
    'safety-output',
  ],
  ['a contactor on a test output', () => moved(twoContactors(), 'km:A1', 's:T1'), 'safety-output'],
  ['a contactor on channel 1 itself', () => moved(twoContactors(), 'km:A1', 's:1A'), 'safety-output'],
  [
    'a contactor on an output of the program',
    () => moved(S.withOutputs(twoContactors()), 'km:A1', 'o:Q0'),
    'safety-output',
  ],
  [
    'an output of the program beside the safe contact',
    () => withWires(S.withOutputs(twoContactors()), ['o:Q0', 's:14']),
    'safety-output',
  ],
  [
    'a contactor that holds itself in',
    () => withWires(twoContactors(), ['km:1', 'g1:+'], ['km:2', 'km:A1']),
    'safety-output',
  ],
  [
    'a contactor through the other’s main contact',
    () => withWires(moved(twoContactors(), 'km:A1', 'km2:2'), ['km2:1', 'g1:+']),
    'safety-output',
  ],
  [
    'a contactor through a lamp from plus',
    () => withWires(S.withLamp(twoContactors()), ['km:A1', 'h1:2'], ['h1:1', 'g1:+']),
    'safety-output',
  ],
  [
    'a contactor through the reset button',
    () => withWires(twoContactors(), ['reset:14', 'km:A1']),
    'safety-output',
  ],
  [
    'the return bridged where the contact is in the return',
    () => withWires(S.inTheReturn(), ['s:13', 'g1:-']),
    'safety-output',
  ],
  ['a valve on plus', () => moved(S.withValve(), 'y1:1', 'g1:+'), 'safety-output'],
  [
    'both contactors on one safe contact',
    () => moved(twoContactors(), 'km2:A1', 's:14'),
    'safety-shared',
    'doubtful',
  ],
  [
    'the two safe contacts joined',
    () => withWires(twoContactors(), ['s:14', 's:24']),
    'safety-shared',
    'doubtful',
  ],
  ['a contactor with both ends on plus', () => moved(twoContactors(), 'km:A2', 'g1:+'), 'safety-output'],
  ['a safe contact without feed', () => without(twoContactors(), 's:13'), 'safety-output'],
  ['a coil’s return open', () => without(twoContactors(), 'km:A2'), 'duty-unmet'],
  ['a coil’s feed open', () => without(twoContactors(), 'km2:A1'), 'duty-unmet'],
  [
    'nothing to stop',
    () => after(without(guardJob(), 'km:22', 'km:21', 'km:A1', 'km:A2'), { kind: 'removeHelper', id: 'km' }),
    'safety-feedback',
  ],
  // Channels
  ['channel 1 bridged', () => withWires(twoContactors(), ['px-1-b:11', 'px-1-b:12']), 'safety-channel'],
  ['channel 2 bridged', () => withWires(twoContactors(), ['px-1-b:21', 'px-1-b:22']), 'safety-channel'],
  ['the channels joined at the relay', () => withWires(twoContactors(), ['s:1A', 's:1B']), 'safety-channel'],
  ['both inputs on one contact', () => moved(twoContactors(), 'px-1-b:22', 'px-1-b:12'), 'safety-channel'],
  ['channel 1 missing', () => without(twoContactors(), 'px-1-b:12'), 'safety-channel'],
  ['channel 2 missing', () => without(twoContactors(), 'px-1-b:22'), 'safety-channel'],
  ['input 1A on plus', () => withWires(twoContactors(), ['s:1A', 'g1:+']), 'safety-channel'],
  ['input 1B on its test output', () => withWires(twoContactors(), ['s:1B', 's:T2']), 'safety-channel'],
  [
    'both channels fed from one test output',
    () => moved(twoContactors(), 'px-1-b:21', 's:T1'),
    'safety-cross',
    'doubtful',
  ],
  [
    'both channels fed from plus',
    () => moved(moved(twoContactors(), 'px-1-b:11', 'g1:+'), 'px-1-b:21', 'g1:+'),
    'safety-cross',
    'doubtful',
  ],
  [
    'the auxiliary contact as channel 2',
    () =>
      withWires(
        without(twoContactors(), 'px-1-b:21', 'px-1-b:22'),
        ['px-1-b:33', 's:T2'],
        ['px-1-b:34', 's:1B'],
      ),
    'safety-bypass',
  ],
  [
    'the auxiliary output as channel 2',
    () => withWires(without(sensor(), 'px-1-b:YE'), ['px-1-b:GY', 's:1B']),
    'safety-bypass',
  ],
  ['a guard on normal inputs', () => S.guardOnInput(), 'safety-bypass'],
  ['a guard on nothing', () => S.guardOnNothing(), 'open'],
  ['a chain’s first sensor without one output', () => without(S.chainJob(), 'px-2-b:GN'), 'safety-channel'],
  // Feedback
  ['no feedback wire', () => without(twoContactors(), 'km2:22'), 'safety-feedback'],
  [
    'feedback past both contactors',
    () => withWires(without(twoContactors(), 'km2:22'), ['s:T1', 's:FB']),
    'safety-feedback',
    'doubtful',
  ],
  [
    'feedback past the second contactor',
    () => withWires(without(twoContactors(), 'km2:22'), ['km:22', 's:FB']),
    'safety-feedback',
    'doubtful',
  ],
  [
    'feedback past the first contactor',
    () => moved(twoContactors(), 'km2:21', 's:T1'),
    'safety-feedback',
    'doubtful',
  ],
  [
    'feedback from plus',
    () => withWires(without(twoContactors(), 'km2:22'), ['g1:+', 's:FB']),
    'safety-feedback',
    'doubtful',
  ],
  [
    'feedback over a main contact',
    () => moved(moved(twoContactors(), 'km2:21', 'km2:1'), 'km2:22', 'km2:2'),
    'safety-feedback',
  ],
  // Reset and selector
  ['no reset wire', () => without(twoContactors(), 'reset:14'), 'safety-reset'],
  ['a bridged reset button', () => S.bridgedReset(), 'safety-reset'],
  ['the selector at both inputs', () => twoContactors({ selector: 'both' }), 'safety-channel'],
  // Safe-stop inputs
  [
    'both safe-stop inputs on plus',
    () => moved(moved(guardOnDrive(), 'px-1-b:GN', 'g1:+'), 'px-1-b:YE', 'g1:+'),
    'open',
  ],
  ['safe stop 1 bridged to plus', () => withWires(guardOnDrive(), ['d:S1', 'g1:+']), 'safety-output'],
  ['safe stop 2 bridged to plus', () => withWires(guardOnDrive(), ['d:S2', 'g1:+']), 'safety-output'],
  [
    'both safe-stop inputs on the auxiliary output',
    () =>
      withWires(
        without(guardOnDrive(), 'px-1-b:GN', 'px-1-b:YE'),
        ['px-1-b:GY', 'd:S1'],
        ['px-1-b:GY', 'd:S2'],
      ),
    'safety-output',
  ],
  [
    'both safe-stop inputs on one channel',
    () => moved(guardOnDrive(), 'px-1-b:YE', 'd:S1'),
    'safety-channel',
  ],
  [
    'one channel on both safe-stop inputs',
    () => withWires(without(guardOnDrive(), 'px-1-b:YE'), ['px-1-b:GN', 'd:S2']),
    'safety-channel',
  ],
  ['half a safe stop', () => without(guardOnDrive(), 'px-1-b:YE'), 'safety-channel'],
  ['safe stop without its common', () => without(guardOnDrive(), 'd:SC'), 'safety-channel'],
  [
    'both safe-stop inputs on one safe contact',
    () => moved(relayDrive(), 'd:S2', 's:14'),
    'safety-shared',
    'doubtful',
  ],
  [
    'both safe-stop inputs on the status contact',
    () => withWires(moved(moved(relayDrive(), 'd:S1', 's:42'), 'd:S2', 's:42'), ['s:41', 'g1:+']),
    'safety-output',
  ],
  [
    'one safe-stop input bridged, one on a safe contact',
    () => moved(relayDrive(), 'd:S1', 'g1:+'),
    'safety-output',
  ],
  [
    'both safe-stop inputs on plus though the drive is named as stopped',
    () => S.stopping(moved(moved(relayDrive(), 'd:S1', 'g1:+'), 'd:S2', 'g1:+'), 'd'),
    'safety-output',
  ],
  [
    'a drive that is named as stopped, and not wired',
    () => S.stopping(without(relayDrive(), 'd:S1', 'd:S2'), 'd'),
    'open',
  ],
];
