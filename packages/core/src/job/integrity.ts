import { findDeviceType, findModuleType, moduleType, portsOf, supplyTerminals } from '../catalog/index.ts';
import type { PartType } from '../catalog/index.ts';
import type { JobContent, Settings, Wire, Problem } from '../model/index.ts';
import { SHELVES, splitRef } from '../model/index.ts';
import { feedersOf } from './feeders.ts';
import { imageOf } from './jobIndex.ts';
import { checkCalibrations } from './scalingIntegrity.ts';
import { checkSettingRows } from './settingIntegrity.ts';

/** Everything in a job that cannot be as it stands: each with its place and a sentence. Empty when the job is sound. */
export function checkIntegrity(job: JobContent): Problem[] {
  const typeProblems = checkTypes(job);
  return [
    ...checkIds(job),
    ...checkTags(job),
    ...typeProblems,
    ...checkSupplies(job),
    ...checkPoints(job),
    ...checkSettingRows(job),
    ...checkCalibrations(job),
    ...(typeProblems.length ? [] : [...checkWires(job), ...checkAddresses(job)]),
  ];
}

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

function checkSupplies(job: JobContent): Problem[] {
  if (!job.supplies.length)
    return [{ path: 'supplies', message: 'A job needs a supply. Add another first.' }];
  return job.supplies.flatMap((supply, i) => {
    const { tag, kind, volts } = supply;
    const refuse = (field: string, message: string): Problem[] => [
      { path: `supplies[${i}].${field}`, message },
    ];
    if (kind === 'dc' && volts > 60)
      return refuse('volts', `${tag} is a DC control supply and has 60 V at most.`);
    if (!supply.feed) return [];
    const line = feedersOf(job.supplies, supply);
    if (!line.length)
      return refuse(
        'feed.from',
        `${tag} must be fed by another supply of the job, and at the end of the line by one that is no branch.`,
      );
    const [from] = line;
    return from!.kind === kind && from!.volts === volts
      ? []
      : refuse('volts', `${tag} is a branch of ${from!.tag} and has its ${from!.volts} V.`);
  });
}

/** Settings that a part does not have, or that stand at something that it does not offer. */
function checkSettings(type: PartType, settings: Settings | undefined, path: string): Problem[] {
  return Object.entries(settings ?? {}).flatMap(([key, value]) => {
    const setting = type.settings?.find((s) => s.key === key);
    if (!setting)
      return [{ path: `${path}.settings.${key}`, message: `${type.name} has no setting “${key}”.` }];
    return setting.choices.some((choice) => choice.value === value)
      ? []
      : [
          {
            path: `${path}.settings.${key}`,
            message: `${setting.label} cannot be “${value}”. Allowed: ${setting.choices.map((c) => c.value).join(', ')}.`,
          },
        ];
  });
}

function checkTypes(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  job.modules.forEach((module, i) => {
    const type = findModuleType(module.typeId);
    const path = `modules[${i}].typeId`;
    if (!type) problems.push({ path, message: `The catalog holds no module type “${module.typeId}”.` });
    else problems.push(...checkSettings(type, module.settings, `modules[${i}]`));
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
    problems.push(...checkSettings(type, device.settings, path));
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
  job.points.forEach((point, i) => {
    point.helperIds?.forEach((id, k) => {
      const at = `points[${i}].helperIds[${k}]`;
      if (!devices.has(id))
        problems.push({
          path: at,
          message: `${point.tag} names a device “${id}” that the job does not hold.`,
        });
      const other = owner.get(id);
      if (other) problems.push({ path: at, message: `${point.tag} and ${other} claim the same device.` });
      owner.set(id, point.tag);
    });
  });
  for (const shelf of ['stamps', 'results', 'calibrations'] as const)
    job[shelf].forEach(({ pointId }, i) => {
      if (!points.has(pointId))
        problems.push({ path: `${shelf}[${i}].pointId`, message: `The job holds no point “${pointId}”.` });
    });
  return problems;
}

function terminalNames(job: JobContent): Map<string, { tag: string; terminals: readonly string[] }> {
  const map = new Map<string, { tag: string; terminals: readonly string[] }>();
  for (const s of job.supplies) map.set(s.id, { tag: s.tag, terminals: supplyTerminals(s) });
  for (const m of job.modules)
    map.set(m.id, { tag: m.tag, terminals: moduleType(m.typeId).terminals.map((t) => t.name) });
  for (const d of job.devices)
    map.set(d.id, { tag: d.tag, terminals: findDeviceType(d.typeId)!.terminals.map((t) => t.name) });
  return map;
}

/** Both ends of a wire, as planned and as found, each with its path. */
function endsOf({ from, to, landed }: Wire, path: string): { ref: string; path: string }[] {
  return [
    { ref: from, path: `${path}.from` },
    { ref: to, path: `${path}.to` },
    ...(landed?.from ? [{ ref: landed.from, path: `${path}.landed.from` }] : []),
    ...(landed?.to ? [{ ref: landed.to, path: `${path}.landed.to` }] : []),
  ];
}

function checkWires(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const names = terminalNames(job);
  job.wires.forEach((wire, i) => {
    for (const { ref, path } of endsOf(wire, `wires[${i}]`)) {
      const { item, terminal } = splitRef(ref);
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
    const { from = wire.from, to = wire.to } = wire.landed ?? {};
    if (wire.from === wire.to || from === to)
      problems.push({
        path: `wires[${i}]`,
        message: `Wire ${wire.number} begins and ends on the same terminal.`,
      });
  });
  return [...problems, ...checkChannels(job, names)];
}

/** A channel that senses serves one point only. */
function checkChannels(job: JobContent, names: ReadonlyMap<string, { tag: string }>): Problem[] {
  const problems: Problem[] = [];
  const pointOf = new Map(
    job.points.flatMap((p) => [p.deviceId, ...(p.helperIds ?? [])].map((id) => [id, p.id])),
  );
  const sensing = new Map<string, string>(
    job.modules.flatMap((module) =>
      portsOf(module)
        .filter(({ kind }) => kind === 'digital' || kind === 'analog')
        .map((port) => [`${module.id}:${port.terminal}`, `${module.tag} ${port.label}`] as const),
    ),
  );
  const devices = new Set(job.devices.map(({ id }) => id));
  const taken = new Map<string, { device: string; point: string }>();
  job.wires.forEach((wire, i) => {
    for (const [end, far] of [
      [wire.from, wire.to],
      [wire.to, wire.from],
    ] as const) {
      const label = sensing.get(end);
      const device = splitRef(far).item;
      const point = pointOf.get(device) ?? device;
      if (!label || !devices.has(device)) continue;
      const first = taken.get(end);
      if (first && first.point !== point)
        problems.push({
          path: `wires[${i}]`,
          message: `${label} is taken by ${names.get(first.device)?.tag}. ${names.get(device)?.tag} needs a free channel.`,
        });
      taken.set(end, first ?? { device, point });
    }
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
  const used = new Map<string, string>();
  job.modules.forEach((module, i) => {
    const image = imageOf(module);
    if (!image) return;
    for (let byte = module.firstByte; byte < module.firstByte + image.bytes; byte++) {
      const key = `${image.area}${byte}`;
      const first = used.get(key);
      if (first) {
        problems.push({
          path: `modules[${i}].firstByte`,
          message: `${module.tag} would use ${image.area === 'I' ? 'input' : 'output'} byte ${byte}, which ${first} uses already. Choose a free first byte.`,
        });
        break;
      }
      used.set(key, module.tag);
    }
  });
  return problems;
}
