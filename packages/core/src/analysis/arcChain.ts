import { settingsOf } from '../catalog/index.ts';
import { JobProblem } from '../model/index.ts';
import type { Change, JobIndex, SingleChange } from '../job/index.ts';

/** Address switches of a unit, and how many fit behind one main unit. */
const ADDRESS_SWITCHES = 5;
export const MOST_ARC_UNITS = 30;

/** One unit of a chain as it must be set and connected. */
export interface ChainedUnit {
  /** Its place in the chain, from 1 on: its address too. */
  readonly place: number;
  readonly tag: string;
  /** Address switches from switch 1, worth 1, to switch 5, worth 16; true is on. */
  readonly address: readonly boolean[];
  /** Whether the switch for the last unit of the chain is on. */
  readonly last: boolean;
  /** Where its fibre comes from, and where it leads to. */
  readonly fibreFrom: string;
  readonly fibreTo: string;
}

/** The order in which something is done at a chain, with the caution that belongs there. */
export interface ChainStep {
  readonly sentence: string;
  readonly caution?: string;
}

/**
 * Switch settings and fibre order for a number of units, binary address, one more switch for the last.
 * The fibre is a ring from the main unit through all of them and back: its light going out is a trip.
 * @param tags tags of the units in the order of the chain.
 * @throws JobProblem for no unit or for more than one main unit takes.
 */
export function arcChain(tags: readonly string[]): ChainedUnit[] {
  if (tags.length < 1 || tags.length > MOST_ARC_UNITS)
    throw new JobProblem([
      { path: 'units', message: `A chain has 1 to ${MOST_ARC_UNITS} units; these are ${tags.length}.` },
    ]);
  return tags.map((tag, i) => ({
    place: i + 1,
    tag,
    address: Array.from({ length: ADDRESS_SWITCHES }, (_, bit) => (((i + 1) >> bit) & 1) === 1),
    last: i === tags.length - 1,
    fibreFrom: i === 0 ? 'OUT of the main unit' : `OUT of ${tags[i - 1]}`,
    fibreTo: i === tags.length - 1 ? 'IN of the main unit' : `IN of ${tags[i + 1]}`,
  }));
}

/** The steps at the units of a chain, by how many there are and how the screens of their coils are landed. */
export function arcSteps(units: readonly ChainedUnit[]): ChainStep[] {
  const n = units.length;
  return [
    {
      sentence: 'Take the supply off and prove the switchgear dead before anything is mounted.',
      caution:
        'Isolate, earth and prove dead under the local rules; only authorised people open switchgear. Arc flash can kill.',
    },
    {
      sentence: `Set the address switches of ${n === 1 ? 'the unit' : `all ${n} units`} and the switch of the last one, ${units.at(-1)!.tag}.`,
    },
    {
      sentence: 'Close the coil sensors round their conductors until they lock, arrow towards the load.',
      caution: 'Never open the secondary of a current transformer that carries current.',
    },
    { sentence: 'Earth the screen of screened coil leads at the unit only; leave it cut back at the coil.' },
    {
      sentence: `Lead the fibre from OUT to IN in this order: main unit, ${units.map(({ tag }) => tag).join(', ')}, main unit.`,
    },
    { sentence: 'Wire contact 11-14 to the supervisor; 11-12 shows the same turned round.' },
    {
      sentence: `Switch on. The main unit must count ${n} ${n === 1 ? 'unit' : 'units'}; pull one fibre: it must trip.`,
      caution: 'Test with the test function only, never with an arc.',
    },
  ];
}

/** What a unit shows when it does not start, and what to look at. */
export const ARC_ERRORS: readonly {
  readonly code: string;
  readonly meaning: string;
  readonly look: string;
}[] = [
  {
    code: 'E1',
    meaning: 'No light arrives',
    look: 'Fibre broken, bent too tightly, or IN and OUT exchanged.',
  },
  { code: 'E2', meaning: 'Address used twice', look: 'Compare the address switches of the units.' },
  { code: 'E3', meaning: 'A coil is open', look: 'Coil sensor not closed, or its lead off k or l.' },
  {
    code: 'E4',
    meaning: 'End of the chain missing',
    look: 'Switch for the last unit off, or on at two units.',
  },
];

/** The units of a job's arc-protection chain in the order of their addresses, each with its point. */
export function arcUnitsOf(
  index: JobIndex,
): { pointId: string; deviceId: string; tag: string; address: number; last: boolean }[] {
  return index.job.points
    .flatMap((point) => {
      const device = index.deviceOf(point);
      const type = index.deviceType(device);
      const { chain } = type.description;
      if (!chain) return [];
      const settings = settingsOf(type, device.settings);
      return [
        {
          pointId: point.id,
          deviceId: device.id,
          tag: point.tag,
          address: Number(settings[chain.address]),
          last: settings[chain.last] === 'on',
        },
      ];
    })
    .sort((a, b) => a.address - b.address || a.tag.localeCompare(b.tag, 'en', { numeric: true }));
}

/** What is wrong with the switches of a job's arc units as they are set, each in a sentence; and the change that sets them right. */
export function arcChainFaults(index: JobIndex): { faults: string[]; change?: Change } {
  const units = arcUnitsOf(index);
  if (!units.length || units.length > MOST_ARC_UNITS) return { faults: [] };
  const wanted = arcChain(units.map(({ tag }) => tag));
  const faults = units.flatMap(({ tag, address, last }, i) => {
    const twin = units.find((other, k) => k < i && other.address === address);
    if (twin) return [`${tag} has the address of ${twin.tag}, ${address}.`];
    if (address !== wanted[i]!.place && !units.some((u) => u.address === i + 1))
      return [`No unit has the address ${i + 1}; ${tag} stands at ${address}.`];
    if (last !== wanted[i]!.last)
      return [
        last
          ? `${tag} is set as the last unit, but ${units.at(-1)!.tag} comes after it.`
          : `${tag} is the last unit, and its switch for that is off.`,
      ];
    return [];
  });
  if (!faults.length) return { faults };
  const changes = units.flatMap(({ deviceId, address, last }, i): SingleChange[] => {
    const { place, last: atEnd } = wanted[i]!;
    if (address === place && last === atEnd) return [];
    const before = index.device(deviceId)!.settings;
    return [
      {
        kind: 'editDevice',
        id: deviceId,
        patch: { settings: { ...before, address: String(place), last: atEnd ? 'on' : 'off' } },
      },
    ];
  });
  return { faults, change: { kind: 'batch', changes } };
}
