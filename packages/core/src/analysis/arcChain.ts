import { lastOf, nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { settingsOf } from '../catalog/index.ts';
import { JobProblem } from '../model/index.ts';
import type { Change, JobIndex, SingleChange } from '../job/index.ts';

/** Address switches of a unit, and how many fit behind one main unit. */
const ADDRESS_SWITCHES = 5;
export const MAX_ARC_UNITS = 30;

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
  readonly fibreFrom: Text;
  readonly fibreTo: Text;
}

/**
 * Switch settings and fibre order for a number of units, binary address, one more switch for the last.
 * The fibre is a ring from the main unit through all of them and back: its light going out is a trip.
 * @param tags tags of the units in the order of the chain.
 * @throws JobProblem for no unit or for more than one main unit takes.
 */
export function arcChain(tags: readonly string[]): ChainedUnit[] {
  if (tags.length < 1 || tags.length > MAX_ARC_UNITS)
    throw new JobProblem([
      { path: 'units', message: say('analysis.chain-1-units-these', { maxArcUnits: MAX_ARC_UNITS, tags }) },
    ]);
  return tags.map((tag, i) => ({
    place: i + 1,
    tag,
    address: Array.from({ length: ADDRESS_SWITCHES }, (_, bit) => (((i + 1) >> bit) & 1) === 1),
    last: i === tags.length - 1,
    fibreFrom: i === 0 ? say('analysis.out-main-unit') : say('analysis.out-of', { tag: tags[i - 1] }),
    fibreTo: i === tags.length - 1 ? say('analysis.main-unit') : say('analysis.in-of', { tag: tags[i + 1] }),
  }));
}

/** What a unit shows when it does not start, and what to look at. */
export const ARC_ERRORS: readonly {
  readonly code: string;
  readonly meaning: Message;
  readonly look: Message;
}[] = [
  {
    code: 'E1',
    meaning: say('analysis.light-arrives'),
    look: say('analysis.fibre-broken-bent-too'),
  },
  {
    code: 'E2',
    meaning: say('analysis.address-used-twice'),
    look: say('analysis.compare-address-switches-units'),
  },
  { code: 'E3', meaning: say('analysis.coil-open'), look: say('analysis.coil-sensor-closed-lead') },
  {
    code: 'E4',
    meaning: say('analysis.end-chain-missing'),
    look: say('analysis.switch-last-unit-off'),
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

/** Something wrong with the switches of a chain: the unit that it is about, then others that it names. */
export interface ArcFault {
  readonly tags: readonly string[];
  readonly sentence: Message;
}

/** What is wrong with the switches of a job's arc units as they are set, each in a sentence; and the change that sets them right. */
export function arcChainFaults(index: JobIndex): { faults: ArcFault[]; change?: Change } {
  const units = arcUnitsOf(index);
  if (!units.length || units.length > MAX_ARC_UNITS) return { faults: [] };
  const wanted = arcChain(units.map(({ tag }) => tag));
  const faults = units.flatMap(({ tag, address, last }, i) => {
    const twin = units.find((other, k) => k < i && other.address === address);
    if (twin)
      return [
        {
          tags: [tag, twin.tag],
          sentence: say('analysis.has-the-address-of', { tag, twin: twin.tag, address }),
        },
      ];
    if (address !== nth(wanted, i).place && !units.some((u) => u.address === i + 1))
      return [{ tags: [tag], sentence: say('analysis.unit-address-stands', { i, tag, address }) }];
    if (last !== nth(wanted, i).last)
      return [
        last
          ? {
              tags: [tag, lastOf(units).tag],
              sentence: say('analysis.set-last-unit-comes', { tag, units: lastOf(units).tag }),
            }
          : { tags: [tag], sentence: say('analysis.last-unit-switch-off', { tag }) },
      ];
    return [];
  });
  if (!faults.length) return { faults };
  const changes = units.flatMap(({ deviceId, address, last }, i): SingleChange[] => {
    const { place, last: atEnd } = nth(wanted, i);
    if (address === place && last === atEnd) return [];
    const before = sure(index.device(deviceId)).settings;
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
