import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Text } from '../../messages/index.ts';
import { STACK_LIGHT_ID } from '../../catalog/index.ts';
import { JobProblem } from '../../model/index.ts';
import type { JobIndex } from '../../job/index.ts';
import { contactRail } from '../../job/index.ts';
import type { RelayTask } from './relayRequest.ts';

/** One wire from a contact: on which rail its pole's common must be, whether it is the NO or the NC contact, and where it goes. */
export interface Contact {
  readonly rail: string;
  readonly throwTo: 'no' | 'nc';
  /** Terminal that it feeds. */
  readonly target: string;
  readonly words: Text;
}

/** One changeover pole and what its two contacts feed. */
export interface Pole {
  readonly number: number;
  /** The rail on its common. */
  readonly rail: string;
  readonly no: readonly Contact[];
  readonly nc: readonly Contact[];
}

/** The wires of a load that do not pass a contact. */
interface Direct {
  readonly from: string;
  readonly to: string;
}

/** A part that the request adds: its id in the job, its kind, settings and tag. */
interface Added {
  readonly id: string;
  readonly tag: string;
  readonly typeId: string;
  readonly settings: Readonly<Record<string, string>>;
}

export interface Demands {
  readonly contacts: readonly Contact[];
  readonly direct: readonly Direct[];
  readonly added: readonly Added[];
}

/**
 * What the tasks ask of the contacts.
 * @param coilInPresent whether the coil is in with the target or without it.
 * @param idFor gives the id of a part by its tag.
 * @throws JobProblem where the job lacks the supply or the input that a task needs.
 */
export function demandsOf(
  index: JobIndex,
  tasks: readonly RelayTask[],
  coilInPresent: boolean,
  idFor: (tag: string) => string,
): Demands {
  const contacts: Contact[] = [];
  const direct: Direct[] = [];
  const added = new Map<string, Added>();
  const throwOf = ({ on }: RelayTask): 'no' | 'nc' => ((on === 'present') === coilInPresent ? 'no' : 'nc');
  for (const task of tasks) {
    const throwTo = throwOf(task);
    if (task.kind === 'input') contacts.push(inputContact(index, task, throwTo));
    else if (task.kind === 'tier') {
      const id = idFor(task.tag);
      const minus = task.common === 'minus';
      const [plusRail, minusRail] = railsFor(index, 'dc', task.tag);
      contacts.push({
        rail: minus ? plusRail : minusRail,
        throwTo,
        target: `${id}:${task.tier}`,
        words: say('planning.tier', { load: task.tag, tier: task.tier }),
      });
      if (!added.has(id)) direct.push({ from: `${id}:C`, to: minus ? minusRail : plusRail });
      const before = added.get(id)?.settings ?? { duty1: 'unused', duty2: 'unused', duty3: 'unused' };
      const settings = { ...before, common: task.common, [`duty${task.tier}`]: task.on };
      added.set(id, { id, tag: task.tag, typeId: STACK_LIGHT_ID, settings });
    } else {
      const id = idFor(task.tag);
      const { load, terminals } = index.types.device(task);
      if (!load)
        throw new JobProblem([{ path: 'tasks', message: say('planning.is-no-load', { load: task.tag }) }]);
      const [line, back] = railsFor(index, load.volts > 60 || load.current === 'ac' ? 'ac' : 'dc', task.tag);
      const plus = sure(terminals.find(({ role }) => role === 'loadPlus')).name;
      const minus = sure(terminals.find(({ role }) => role === 'loadMinus')).name;
      contacts.push({ rail: line, throwTo, target: `${id}:${plus}`, words: task.tag });
      if (task.bothLines)
        contacts.push({ rail: back, throwTo, target: `${id}:${minus}`, words: `${task.tag}, return` });
      else direct.push({ from: `${id}:${minus}`, to: back });
      added.set(id, { id, tag: task.tag, typeId: task.typeId, settings: { duty: task.on } });
    }
  }
  return { contacts, direct, added: [...added.values()] };
}

function inputContact(
  index: JobIndex,
  { moduleId, channel }: Extract<RelayTask, { kind: 'input' }>,
  throwTo: 'no' | 'nc',
): Contact {
  const place = { moduleId, channel };
  const port = index.module(moduleId) && index.portsOf(moduleId).find((p) => p.channel === channel);
  if (port?.kind !== 'digital')
    throw new JobProblem([{ path: 'tasks', message: say('planning.choose-digital-input-job') }]);
  const supply = index.railOf(moduleId, port.common)?.supply;
  const [plusRail, minusRail] = supply
    ? [`${supply.id}:+`, `${supply.id}:-`]
    : railsFor(index, 'dc', say('planning.the-contact'));
  return {
    rail: contactRail(index.job, place) === '+' ? plusRail : minusRail,
    throwTo,
    target: `${moduleId}:${port.terminal}`,
    words: `${sure(index.module(moduleId)).tag} ${port.label}`,
  };
}

function railsFor(index: JobIndex, kind: 'ac' | 'dc', tag: Text): [string, string] {
  const supply = index.job.supplies.find((s) => s.kind === kind);
  if (!supply)
    throw new JobProblem([
      {
        path: 'tasks',
        message: say('planning.runs-job-such-supply', { tag, kind }),
      },
    ]);
  return kind === 'ac' ? [`${supply.id}:L`, `${supply.id}:N`] : [`${supply.id}:+`, `${supply.id}:-`];
}

/** Contacts that share a rail share a pole; a line that is switched comes before what only shows or tells. */
export function polesOf(contacts: readonly Contact[]): Pole[] {
  const rails = [...new Set(contacts.map(({ rail }) => rail))];
  return rails.map((rail, i) => {
    const own = contacts.filter((contact) => contact.rail === rail);
    return {
      number: i + 1,
      rail,
      no: own.filter(({ throwTo }) => throwTo === 'no'),
      nc: own.filter(({ throwTo }) => throwTo === 'nc'),
    };
  });
}
