import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { choices, MAINS } from './menu.ts';

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
      key: 'fibre',
      title: 'Fibre bends wider than 30 mm, OUT to IN',
      reason: 'A sharp bend lets no light through, and no light is a trip.',
    },
  ],
  plate: [
    SERIAL,
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
