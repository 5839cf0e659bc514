import { say } from '../messages/index.ts';
import { arcChain, arcUnitsOf } from '../analysis/index.ts';
import { aboutWires } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { nothing } from './landStep.ts';
import type { LandStep } from './landStep.ts';

/** What is mounted and connected at an arc unit while the switchgear is dead, beside its wires. */
export function chainSteps({ index, device, type }: PointContext): LandStep[] {
  const ends = (type.description.chain?.coils ?? []).flatMap(({ a, b }) => [a, b]);
  const coilWires = ends.flatMap((name) => index.plannedAt(`${device.id}:${name}`));
  const units = arcChain(arcUnitsOf(index).map(({ tag }) => tag));
  return [
    {
      key: 'coils',
      title: say('analysis.close-coil-sensors-round'),
      caution: say('analysis.never-open-secondary-current'),
      about: () => aboutWires(coilWires),
    },
    { key: 'screen', title: say('analysis.earth-screen-screened-coil'), about: nothing },
    {
      key: 'fibre',
      title: say('analysis.lead-fibre-out-order', { units: units.map(({ tag }) => tag) }),
      about: nothing,
    },
  ];
}

/** What the main unit must show once all of the chain has its supply. */
export function chainTest({ index }: PointContext): LandStep[] {
  return [
    {
      key: 'count',
      title: say('analysis.switch-main-unit-must', { n: arcUnitsOf(index).length }),
      caution: say('analysis.test-test-function-never'),
      about: nothing,
    },
  ];
}
