import { sure } from '../lists/index.ts';
import type { DeviceType, SafetyPort } from '../catalog/index.ts';
import { safetyTarget } from '../analysis/index.ts';
import { applyChange, freeTag, minusOf, NOBODY, numbering, panelWire, plusOf } from '../job/index.ts';
import type { Change, JobIndex, SingleChange } from '../job/index.ts';
import type { Device, JobContent, Wire } from '../model/index.ts';
import { contextOf } from '../network/index.ts';
import { statusIn } from '../verdict/index.ts';

/** Ids of what is added: a reset button, and a contactor for each safe contact. */
export interface StopIds {
  readonly button: string;
  readonly contactors: readonly string[];
}

/**
 * What makes a safety function of a guard on a safety relay: a contactor on each safe contact, their mirror contacts in
 * series in the feedback, and a reset button where none is wired. It is a proposal of wiring; whether that is enough is
 * for a competent person to say.
 * @returns nothing where the relay asks for nothing of the kind, or where the solver does not find it to work.
 */
export function stopPlan(index: JobIndex, pointId: string, ids: StopIds): Change | undefined {
  const context = contextOf(index, pointId);
  const target = safetyTarget(context);
  const { gives, starts } = target?.port ?? {};
  const kind = index.types.devices.find(({ description }) => description.welds && description.mirror);
  const button = index.types.devices.find(({ description }) => description.button);
  const supply = index.job.supplies.find((one) => one.kind === 'dc');
  if (!target || !gives || !starts || !kind || !button || !supply) return undefined;
  const moduleId = target.module.id;
  const at = (terminal: string): string => `${moduleId}:${terminal}`;
  const contacts = contactsOf(index, moduleId, gives);
  const [a1, a2] = ['loadPlus', 'loadMinus'].map(
    (role) => kind.terminals.find((one) => one.role === role)?.name,
  );
  const [mirrorIn, mirrorOut] = sure(kind.description.mirror);
  const wiring = new Wiring(index.job);
  const contactors = contacts.map(([, out], i): SingleChange => {
    const id = sure(ids.contactors[i]);
    const before = i === 0 ? at(starts.from) : `${ids.contactors[i - 1]}:${mirrorOut}`;
    return wiring.part(pointId, { id, tag: wiring.tag('K'), typeId: kind.id, settings: settingsOf(kind) }, [
      [`${id}:${a1}`, at(out)],
      [`${id}:${a2}`, minusOf(supply)],
      [`${id}:${mirrorIn}`, before],
      ...(i === contacts.length - 1 ? ([[`${id}:${mirrorOut}`, at(starts.feedback)]] as const) : []),
    ]);
  });
  const feeds = contacts.flatMap(([into]) =>
    index.wiresAt(at(into)).length ? [] : [wiring.wire(at(into), plusOf(supply))],
  );
  const ends = button.terminals.map(({ name }) => name);
  const reset = index.wiresAt(at(starts.reset)).length
    ? []
    : [
        wiring.part(pointId, { id: ids.button, tag: wiring.tag('S'), typeId: button.id }, [
          [`${ids.button}:${ends[0]}`, at(starts.from)],
          [`${ids.button}:${ends[1]}`, at(starts.reset)],
        ]),
      ];
  const change: Change = {
    kind: 'batch',
    changes: [...contactors, ...reset, ...feeds.map((wire): SingleChange => ({ kind: 'addWire', wire }))],
  };
  return statusIn(applyChange(index.job, change, NOBODY), pointId) === 'works' ? change : undefined;
}

/** The two terminals of each safe contact of a safety relay. */
function contactsOf(
  index: JobIndex,
  moduleId: string,
  gives: NonNullable<SafetyPort['gives']>,
): [string, string][] {
  const { behaviours } = index.typeOf(moduleId).description;
  return gives.flatMap((id): [string, string][] => {
    const contact = behaviours.find((one) => one.model === 'contact' && one.id === id);
    return contact?.model === 'contact' ? [[contact.a, contact.b]] : [];
  });
}

/** A load that is to be on while the guard is closed, its coil with a suppressor. */
const settingsOf = ({ settings = [] }: DeviceType): Record<string, string> =>
  Object.fromEntries(
    settings.flatMap(({ key, choices }) =>
      key === 'duty'
        ? [['duty', 'present']]
        : key === 'suppressor' && choices.some(({ value }) => value === 'diode')
          ? [['suppressor', 'diode']]
          : [],
    ),
  );

/** New parts and wires of a job, with tags and numbers that are free. */
class Wiring {
  readonly #job: JobContent;
  readonly #number: () => string;
  readonly #tags: string[] = [];

  constructor(job: JobContent) {
    this.#job = job;
    this.#number = numbering(job);
  }

  tag(letter: string): string {
    const taken = this.#tags.map((tag) => ({ tag }));
    const tag = freeTag({ ...this.#job, devices: [...this.#job.devices, ...(taken as Device[])] }, letter);
    this.#tags.push(tag);
    return tag;
  }

  wire = (from: string, to: string): Wire => panelWire(this.#job, this.#number(), from, to);

  part(
    pointId: string,
    device: Device,
    ends: readonly (readonly [from: string, to: string])[],
  ): SingleChange {
    return { kind: 'addHelper', pointId, device, wires: ends.map(([from, to]) => this.wire(from, to)) };
  }
}
