import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { LINE } from './fieldbus.ts';
import { choices, CLOCK, MAINS } from './menu.ts';

/** Arc-protection current unit: besides its switches, the first start. */
export const ARC_HANDLING: Handling = {
  fit: [
    {
      key: 'dead',
      title: 'Switchgear isolated, earthed and proved dead before anything is mounted',
      reason: 'The coils go round live conductors.',
      caution: 'Only authorised people open switchgear, under the local rules. Arc flash can kill.',
    },
    {
      key: 'coils',
      title: 'Coil sensors closed until they lock, arrow towards the load',
      reason: 'An open coil sees nothing.',
      caution: 'Never open the secondary of a current transformer that carries current.',
    },
    {
      key: 'cable',
      title: 'Screen of each cable led back through its coil before it is earthed',
      reason:
        'Otherwise what flows in the screen is taken from what flows in the conductor, and a fault is not seen.',
      caution: 'Only authorised people touch screens of switchgear cables, dead and earthed.',
    },
    {
      key: 'fibre',
      title: 'Fibre bends wider than 30 mm, OUT to IN',
      reason: 'A sharp bend lets no light through, and no light is a trip.',
    },
  ],
  plate: [
    SERIAL,
    {
      key: 'system',
      label: 'Voltage of the switchgear',
      kind: 'number',
      unit: 'kV',
      min: 0.2,
      max: 52,
      example: '11 kV',
    },
    {
      key: 'cable',
      label: 'Cables there',
      kind: 'choice',
      choices: choices({
        single: 'single cores, each with its screen',
        three: 'three cores under one screen',
        bare: 'busbars or unscreened cores',
      }),
      example: 'single cores, each with its screen',
    },
    ...[1, 2, 3].map((n) => ({
      key: `coil${n}`,
      label: `Correction factor of coil ${n}`,
      kind: 'number' as const,
      min: 0.5,
      max: 2,
      example: '1.013',
    })),
  ],
  parameters: [
    {
      key: 'mains',
      label: 'Mains frequency',
      kind: 'choice',
      place: 'parameter',
      choices: MAINS.choices,
      factory: '60',
      from: 'mains',
    },
    ...[1, 2, 3].map((n) => ({
      key: `coil${n}`,
      label: `Correction factor of coil ${n}`,
      kind: 'number' as const,
      place: 'parameter' as const,
      min: 0.5,
      max: 2,
      factory: '1',
      from: `plate.coil${n}` as const,
    })),
    {
      key: 'pickup',
      label: 'Current from which it trips',
      kind: 'number',
      place: 'parameter',
      unit: 'A',
      min: 50,
      max: 5000,
      factory: '500',
      needs: ['coil1', 'coil2', 'coil3'],
      caution:
        'The protection setting is given by the responsible engineer. Enter only what stands in the setting sheet.',
    },
    {
      key: 'warn',
      label: 'Current from which it warns',
      kind: 'number',
      place: 'parameter',
      unit: 'A',
      min: 20,
      max: 5000,
      factory: '250',
      needs: ['pickup'],
      caution:
        'Below the current from which it trips; the setting sheet of the responsible engineer says how much.',
    },
    {
      key: 'loss',
      label: 'On loss of light',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ ignore: 'only warn', trip: 'trip' }),
      factory: 'ignore',
      usual: { value: 'trip', why: 'fail-safe: loss of light means trip' },
    },
  ],
};

/** What the unit with a link has besides: what its second input and its neutral coil do, its line, its own record. */
export const ARC_LINK_HANDLING: Handling = {
  ...ARC_HANDLING,
  parameters: [
    ...ARC_HANDLING.parameters,
    {
      key: 'neutral',
      label: 'Neutral coil',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ none: 'not fitted', warn: 'warns', trip: 'trips' }),
      factory: 'none',
      caution: 'The setting sheet of the responsible engineer says which.',
    },
    {
      key: 'second',
      label: 'Second input',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ none: 'unused', trip: 'trips from outside', block: 'blocks the trip' }),
      factory: 'none',
      caution:
        'While it is blocked, nothing protects. Only as the setting sheet of the responsible engineer says.',
    },
    CLOCK,
    ...LINE,
    {
      key: 'event',
      label: 'Last event in its list',
      kind: 'text',
      place: 'parameter',
      max: 60,
      readOnly: true,
    },
  ],
  codes: [
    {
      shows: 'Power LED dark',
      means: 'no supply, or its own fault: with the contact at rest fail-safe it has tripped',
      look: 'Volts at A1 and A2, then its fuse.',
    },
    {
      shows: 'Light loop LED red',
      means: 'a fibre of the chain is open, bent too sharply, or plugged the wrong way round',
      look: 'From unit to unit, OUT to IN; the first that lights is behind the fault.',
    },
    {
      shows: 'Coil LED flashing',
      means: 'a coil sensor is open, shorted or not locked shut',
      look: 'Switchgear dead and earthed by those authorised: lock, leads, 20 to 40 Ω between k and l.',
    },
    {
      shows: 'Trip LED red',
      means: 'it tripped and keeps so until it is acknowledged',
      look: 'Read the last event first. Nothing is switched on again before the responsible engineer has said so.',
    },
  ],
};
