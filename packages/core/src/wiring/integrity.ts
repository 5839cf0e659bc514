import {
  channelsOf,
  findDeviceType,
  findModuleType,
  moduleTerminals,
  moduleType,
  SUPPLY_TERMINALS,
} from '../catalog/index.ts';
import type { JobContent } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import type { Problem } from '../model/problem.ts';

/** Everything in a job that cannot be as it stands: each with its place and a sentence. Empty when the job is sound. */
export function checkIntegrity(job: JobContent): Problem[] {
  const typeProblems = checkTypes(job);
  return [
    ...checkIds(job),
    ...checkTags(job),
    ...typeProblems,
    ...checkPoints(job),
    ...(typeProblems.length ? [] : [...checkWires(job), ...checkAddresses(job)]),
  ];
}

const SHELVES = ['supplies', 'modules', 'devices', 'points', 'wires', 'stamps', 'results'] as const;

function checkIds(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const items = new Map<string, string>();
  for (const shelf of SHELVES) {
    const own = ['supplies', 'modules', 'devices'].includes(shelf) ? items : new Map<string, string>();
    job[shelf].forEach(({ id }, i) => {
      const path = `${shelf}[${i}].id`;
      const first = own.get(id);
      if (first)
        problems.push({ path, message: `The id “${id}” is used already by ${first}. Each needs its own.` });
      own.set(id, path);
    });
  }
  return problems;
}

function checkTags(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const used = new Map<string, string>();
  const claim = (tag: string, path: string, what: string): void => {
    const key = tag.toLowerCase();
    const first = used.get(key);
    if (first)
      problems.push({ path, message: `The tag ${tag} is used already by ${first}. Choose another.` });
    else used.set(key, what);
  };
  job.supplies.forEach((s, i) => claim(s.tag, `supplies[${i}].tag`, `the supply ${s.tag}`));
  job.modules.forEach((m, i) => claim(m.tag, `modules[${i}].tag`, `the module ${m.tag}`));
  job.points.forEach((p, i) => claim(p.tag, `points[${i}].tag`, `the point ${p.tag} (${p.name})`));
  return problems;
}

function checkTypes(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  job.modules.forEach((module, i) => {
    const type = findModuleType(module.typeId);
    const path = `modules[${i}].typeId`;
    if (!type) problems.push({ path, message: `The catalog holds no module type “${module.typeId}”.` });
    else if (type.groups.length === 0)
      problems.push({ path, message: `The module type “${module.typeId}” has no group of channels.` });
  });
  job.devices.forEach((device, i) => {
    const type = findDeviceType(device.typeId);
    const path = `devices[${i}]`;
    if (!type) {
      problems.push({
        path: `${path}.typeId`,
        message: `The catalog holds no device type “${device.typeId}”.`,
      });
      return;
    }
    if (!type.outputs.includes(device.output))
      problems.push({
        path: `${path}.output`,
        message: `${type.name} has no ${device.output} output. Allowed: ${type.outputs.join(', ')}.`,
      });
    if (!type.logics.includes(device.logic))
      problems.push({
        path: `${path}.logic`,
        message: `${type.name} cannot be “${device.logic}”. Allowed: ${type.logics.join(', ')}.`,
      });
  });
  return problems;
}

function checkPoints(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const devices = new Set(job.devices.map((d) => d.id));
  const points = new Set(job.points.map((p) => p.id));
  const owner = new Map<string, string>();
  job.points.forEach((point, i) => {
    const path = `points[${i}].deviceId`;
    if (!devices.has(point.deviceId))
      problems.push({
        path,
        message: `${point.tag} names a device “${point.deviceId}” that the job does not hold.`,
      });
    const other = owner.get(point.deviceId);
    if (other) problems.push({ path, message: `${point.tag} and ${other} claim the same device.` });
    owner.set(point.deviceId, point.tag);
  });
  for (const shelf of ['stamps', 'results'] as const)
    job[shelf].forEach(({ pointId }, i) => {
      if (!points.has(pointId))
        problems.push({ path: `${shelf}[${i}].pointId`, message: `The job holds no point “${pointId}”.` });
    });
  return problems;
}

function terminalNames(job: JobContent): Map<string, { tag: string; terminals: readonly string[] }> {
  const map = new Map<string, { tag: string; terminals: readonly string[] }>();
  for (const s of job.supplies) map.set(s.id, { tag: s.tag, terminals: SUPPLY_TERMINALS });
  for (const m of job.modules)
    map.set(m.id, { tag: m.tag, terminals: moduleTerminals(moduleType(m.typeId)) });
  for (const d of job.devices)
    map.set(d.id, { tag: d.tag, terminals: findDeviceType(d.typeId)!.terminals.map((t) => t.name) });
  return map;
}

function checkWires(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const names = terminalNames(job);
  const devices = new Map(job.devices.map((d) => [d.id, d.tag]));
  const onChannel = new Map<string, string>();
  job.wires.forEach((wire, i) => {
    for (const end of ['from', 'to'] as const) {
      const path = `wires[${i}].${end}`;
      const { item, terminal } = splitRef(wire[end]);
      const owner = names.get(item);
      if (!owner)
        problems.push({
          path,
          message: `Wire ${wire.number} ends on “${item}”, which the job does not hold.`,
        });
      else if (!owner.terminals.includes(terminal))
        problems.push({
          path,
          message: `Wire ${wire.number} ends on terminal ${terminal}, but ${owner.tag} has only ${listed(owner.terminals)}.`,
        });
    }
    if (wire.from === wire.to)
      problems.push({
        path: `wires[${i}]`,
        message: `Wire ${wire.number} begins and ends on the same terminal.`,
      });
    const [device, channel] = [wire.from, wire.to].sort((a) => (devices.has(splitRef(a).item) ? -1 : 1));
    const tag = devices.get(splitRef(device!).item);
    if (!tag || !/^I\d+$/.test(splitRef(channel!).terminal)) return;
    const first = onChannel.get(channel!);
    const place = `${names.get(splitRef(channel!).item)?.tag} channel ${splitRef(channel!).terminal.slice(1)}`;
    if (first)
      problems.push({
        path: `wires[${i}]`,
        message: `${place} is taken by ${first}. ${tag} needs a free channel.`,
      });
    onChannel.set(channel!, tag);
  });
  return problems;
}

function listed(names: readonly string[]): string {
  return names.length <= 6
    ? names.join(', ')
    : `${names.slice(0, 3).join(', ')} … ${names.slice(-2).join(', ')}`;
}

function checkAddresses(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const used = new Map<number, string>();
  job.modules.forEach((module, i) => {
    const bytes = Math.ceil(channelsOf(moduleType(module.typeId)).length / 8);
    for (let byte = module.firstByte; byte < module.firstByte + bytes; byte++) {
      const first = used.get(byte);
      if (first) {
        problems.push({
          path: `modules[${i}].firstByte`,
          message: `${module.tag} would use input byte ${byte}, which ${first} uses already. Choose a free first byte.`,
        });
        break;
      }
      used.set(byte, module.tag);
    }
  });
  return problems;
}
