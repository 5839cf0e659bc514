import { oncePer, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { outputOfType, partTypesOf, supplyTerminals, takesSetting } from '../catalog/index.ts';
import type { DeviceType, PartType } from '../catalog/index.ts';
import type { Device, JobContent, Settings, Wire, Problem } from '../model/index.ts';
import { COLLECTION_NAMES, splitRef } from '../model/index.ts';
import { feedersOf } from './feeders.ts';
import { imageOf } from './addresses.ts';
import { onIds, onLists, onRows } from './checkedOnce.ts';
import { checkOwnKinds } from './ownKindIntegrity.ts';
import { checkFaults } from './faultIntegrity.ts';
import { photosFit, photoSubjects } from './photoIntegrity.ts';
import { checkCalibrations } from './scalingIntegrity.ts';
import { checkSettingRows } from './settingIntegrity.ts';
import { checkPrograms } from './programs.ts';

/** Everything in a job that cannot be as it stands: each with its place and a sentence. Empty when the job is sound. */
export function checkIntegrity(job: JobContent): Problem[] {
  const typeProblems = TYPES(job);
  return [
    ...IDS.flatMap((check) => check(job)),
    ...TAGS(job),
    ...OWN_KINDS(job),
    ...typeProblems,
    ...SUPPLIES(job),
    ...OWNERS(job),
    ...PROGRAMS(job),
    ...ABOUT_POINTS.flatMap((check) => check(job)),
    ...checkSettingRows(job),
    ...CALIBRATIONS(job),
    ...FAULTS(job),
    ...PHOTOS.flatMap((check) => check(job)),
    ...(typeProblems.length ? [] : LANDED.flatMap((check) => check(job))),
  ];
}

/** Lists of rows that wires end on: their ids are those of one list. */
const ITEMS = ['supplies', 'modules', 'devices'] as const;
const KINDS = ['ownDevices', 'ownModules'] as const;

const IDS = [
  onLists(ITEMS, checkItemIds),
  ...COLLECTION_NAMES.filter((name) => !(ITEMS as readonly string[]).includes(name)).map((name) =>
    onIds(name, (id, first) => say('job.id-used-already-each', { id, first })),
  ),
];
const TAGS = onLists(['supplies', 'modules', 'points'], checkTags);
const OWN_KINDS = onLists(KINDS, checkOwnKinds);
const TYPES = onLists(['modules', 'devices', ...KINDS], checkTypes);
const SUPPLIES = onLists(['supplies'], checkSupplies);
const OWNERS = onLists(['points', 'devices', 'modules', ...KINDS], checkOwners);
const PROGRAMS = onLists(['points', 'devices', 'ownDevices'], checkPrograms);
const ABOUT_POINTS = (['stamps', 'results', 'calibrations', 'faults'] as const).map((name) =>
  onRows(name, ['points'], (job) => aboutPoint(job, name)),
);
const FAULTS = onLists(['faults'], checkFaults);
const PHOTOS = [
  onRows('photos', ['points', ...ITEMS, 'results'], photoSubjects),
  onLists(['photos'], photosFit),
];
const CALIBRATIONS = onLists(['calibrations'], checkCalibrations);
const LANDED = [checkWires, checkAddresses].map((check) =>
  onLists(['wires', 'points', ...ITEMS, ...KINDS], check),
);

function checkItemIds(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const used = new Map<string, string>();
  for (const collection of ITEMS)
    job[collection].forEach(({ id }, i) => {
      const path = `${collection}[${i}].id`;
      const first = used.get(id);
      if (first) problems.push({ path, message: say('job.id-used-already-each', { id, first }) });
      used.set(id, path);
    });
  return problems;
}

function checkTags(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const used = new Map<string, Message>();
  const claim = (tag: string, path: string, what: Message): void => {
    const key = tag.toLowerCase();
    const first = used.get(key);
    if (first) problems.push({ path, message: say('job.tag-used-already-choose', { tag, first }) });
    else used.set(key, what);
  };
  job.supplies.forEach((s, i) => claim(s.tag, `supplies[${i}].tag`, say('job.the-supply', { s: s.tag })));
  job.modules.forEach((m, i) => claim(m.tag, `modules[${i}].tag`, say('job.the-module', { m: m.tag })));
  job.points.forEach((p, i) =>
    claim(p.tag, `points[${i}].tag`, say('job.the-point', { p: p.tag, pName: p.name })),
  );
  return problems;
}

function checkSupplies(job: JobContent): Problem[] {
  if (!job.supplies.length) return [{ path: 'supplies', message: say('job.job-needs-supply-add') }];
  return job.supplies.flatMap((supply, i) => {
    const { tag, kind, volts } = supply;
    const refuse = (field: string, message: Message): Problem[] => [
      { path: `supplies[${i}].${field}`, message },
    ];
    if (kind === 'dc' && volts > 60) return refuse('volts', say('job.dc-control-supply-60', { tag }));
    if (!supply.feed) return [];
    const line = feedersOf(job.supplies, supply);
    if (!line.length) return refuse('feed.from', say('job.must-fed-another-supply', { tag }));
    const [from] = line;
    return sure(from).kind === kind && sure(from).volts === volts
      ? []
      : refuse('volts', say('job.branch-v', { tag, from: sure(from).tag, volts: sure(from).volts }));
  });
}

/** Settings that a part does not have, or that stand at something that it does not offer. */
function checkSettings(type: PartType, settings: Settings | undefined, path: string): Problem[] {
  return Object.entries(settings ?? {}).flatMap(([key, value]) => {
    const setting = type.settings?.find((s) => s.key === key);
    if (!setting)
      return [
        { path: `${path}.settings.${key}`, message: say('job.has-no-setting', { typeName: type.name, key }) },
      ];
    return takesSetting(setting, value)
      ? []
      : [
          {
            path: `${path}.settings.${key}`,
            message: say('job.cannot-be-allowed', {
              settingLabel: setting.label,
              value,
              choices: [
                ...setting.choices.map((c) => c.value),
                ...(setting.any ? [say('setting.from-to', setting.any)] : []),
              ],
            }),
          },
        ];
  });
}

function checkTypes(job: JobContent): Problem[] {
  const types = partTypesOf(job);
  return [
    ...job.modules.flatMap((module, i): Problem[] => {
      const type = types.findModule(module);
      return type
        ? checkSettings(type, module.settings, `modules[${i}]`)
        : [{ path: `modules[${i}].typeId`, message: say('job.kind-module', { typeId: module.typeId }) }];
    }),
    ...job.devices.flatMap((device, i): Problem[] => {
      const type = types.findDevice(device);
      return type
        ? [
            ...checkSettings(type, device.settings, `devices[${i}]`),
            ...checkOutputs(type, device, `devices[${i}]`),
          ]
        : [{ path: `devices[${i}].typeId`, message: say('job.kind-device', { typeId: device.typeId }) }];
    }),
  ];
}

/** Outputs that a device does not have, or that are chosen as it does not offer them. */
function checkOutputs(type: DeviceType, { outputs = {} }: Device, path: string): Problem[] {
  return Object.entries(outputs).flatMap(([id, { kind, logic }]): Problem[] => {
    const output = type.outputs.find((own) => own.id === id);
    if (!output)
      return [
        {
          path: `${path}.outputs.${id}`,
          message: say('job.output-allowed', {
            typeName: type.name,
            id,
            outputs: type.outputs.map((own) => own.id),
          }),
        },
      ];
    return [
      ...(output.kinds.includes(kind)
        ? []
        : [
            {
              path: `${path}.outputs.${id}.kind`,
              message: say('job.output-allowed-2', { typeName: type.name, kind, kinds: output.kinds }),
            },
          ]),
      ...(output.logics.includes(logic)
        ? []
        : [
            {
              path: `${path}.outputs.${id}.logic`,
              message: say('job.cannot-be-allowed-2', { typeName: type.name, logic, logics: output.logics }),
            },
          ]),
    ];
  });
}

/** Devices that points claim: each output serves one point, each further part too, and none is both. */
function checkOwners(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const types = partTypesOf(job);
  const devices = new Map(job.devices.map((device) => [device.id, device]));
  const owner = new Map<string, string>();
  const claim = (key: string, tag: string, path: string): void => {
    const other = owner.get(key);
    if (other) problems.push({ path, message: say('job.claim-same-device', { tag, other }) });
    owner.set(key, tag);
  };
  const unknown = (path: string, tag: string, id: string): void =>
    void problems.push({ path, message: say('job.names-device-job-does', { tag, id }) });
  job.points.forEach(({ tag, deviceId, outputId }, i) => {
    const device = devices.get(deviceId);
    if (!device) return unknown(`points[${i}].deviceId`, tag, deviceId);
    const type = types.findDevice(device);
    const output = type && outputOfType(type, outputId);
    if (type && outputId !== undefined && output?.id !== outputId)
      problems.push({
        path: `points[${i}].outputId`,
        message: say('job.output-allowed-3', {
          typeName: type.name,
          outputId,
          outputs: type.outputs.map(({ id }) => id),
        }),
      });
    claim(`${deviceId}/${output?.id ?? ''}`, tag, `points[${i}].deviceId`);
    owner.set(deviceId, owner.get(deviceId) ?? tag);
  });
  job.points.forEach(({ tag, helperIds = [] }, i) =>
    helperIds.forEach((id, k) => {
      const path = `points[${i}].helperIds[${k}]`;
      if (!devices.has(id)) unknown(path, tag, id);
      else claim(id, tag, path);
    }),
  );
  job.points.forEach(({ tag, stops = [] }, i) =>
    stops.forEach((id, k) => {
      if (!canBeStopped(job, id))
        problems.push({
          path: `points[${i}].stops[${k}]`,
          message: say('job.cannot-be-stopped', { tag, id }),
        });
    }),
  );
  return problems;
}

/** Whether a part takes energy that a safety function has to take away. */
export function canBeStopped(job: JobContent, id: string): boolean {
  const types = partTypesOf(job);
  const device = job.devices.find((one) => one.id === id);
  if (device) return types.findDevice(device)?.description.moves !== undefined;
  const module = job.modules.find((one) => one.id === id);
  return (
    module !== undefined &&
    (types.findModule(module)?.description.ports.some((port) => port.kind === 'safety' && !port.gives) ??
      false)
  );
}

/** What is about a point that the job does not hold. */
function aboutPoint(job: JobContent, collection: 'stamps' | 'results' | 'calibrations' | 'faults') {
  const points = pointIds(job.points);
  return ({ pointId }: { readonly pointId: string }, i: number): Problem[] =>
    points.has(pointId)
      ? []
      : [{ path: `${collection}[${i}].pointId`, message: say('job.job-holds-point', { pointId }) }];
}

const pointIds = oncePer(
  (points: JobContent['points']): ReadonlySet<string> => new Set(points.map(({ id }) => id)),
);

function terminalNames(job: JobContent): Map<string, { tag: string; terminals: readonly string[] }> {
  const map = new Map<string, { tag: string; terminals: readonly string[] }>();
  for (const s of job.supplies) map.set(s.id, { tag: s.tag, terminals: supplyTerminals(s) });
  const types = partTypesOf(job);
  for (const m of job.modules)
    map.set(m.id, { tag: m.tag, terminals: types.module(m).terminals.map((t) => t.name) });
  for (const d of job.devices)
    map.set(d.id, { tag: d.tag, terminals: types.device(d).terminals.map((t) => t.name) });
  return map;
}

/** Both ends of a wire, as planned and as found, each with its path. */
function endsOf({ from, to, asFound }: Wire, path: string): { ref: string; path: string }[] {
  return [
    { ref: from, path: `${path}.from` },
    { ref: to, path: `${path}.to` },
    ...(asFound?.from ? [{ ref: asFound.from, path: `${path}.asFound.from` }] : []),
    ...(asFound?.to ? [{ ref: asFound.to, path: `${path}.asFound.to` }] : []),
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
          message: say('job.wire-ends-which-job', { number: wire.number, item }),
        });
      else if (!owner.terminals.includes(terminal))
        problems.push({
          path,
          message: say('job.wire-ends-terminal', {
            number: wire.number,
            terminal,
            owner: owner.tag,
            terminals: owner.terminals,
          }),
        });
    }
    const { from = wire.from, to = wire.to } = wire.asFound ?? {};
    if (wire.from === wire.to || from === to)
      problems.push({
        path: `wires[${i}]`,
        message: say('job.wire-begins-ends-same', { number: wire.number }),
      });
  });
  return [...problems, ...checkChannels(job, names)];
}

/** A channel that senses serves one point only. */
function checkChannels(job: JobContent, names: ReadonlyMap<string, { tag: string }>): Problem[] {
  const problems: Problem[] = [];
  const types = partTypesOf(job);
  const pointOf = pointsOfTerminals(job);
  const sensing = new Map<string, string>(
    job.modules.flatMap((module) =>
      types
        .ports(module)
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
      const point = pointOf.get(far) ?? pointOf.get(device) ?? device;
      if (!label || !devices.has(device)) continue;
      const first = taken.get(end);
      if (first && first.point !== point)
        problems.push({
          path: `wires[${i}]`,
          message: say('job.taken-needs-free-channel', {
            label,
            names: names.get(first.device)?.tag,
            names2: names.get(device)?.tag,
          }),
        });
      taken.set(end, first ?? { device, point });
    }
  });
  return problems;
}

/** The point that a terminal, or a whole device, belongs to. */
function pointsOfTerminals(job: JobContent): Map<string, string> {
  const types = partTypesOf(job);
  const map = new Map<string, string>();
  for (const point of job.points) {
    for (const id of point.helperIds ?? []) map.set(id, point.id);
    const device = job.devices.find(({ id }) => id === point.deviceId);
    const type = device && types.findDevice(device);
    const output = type && outputOfType(type, point.outputId);
    for (const name of output?.terminals ?? []) map.set(`${point.deviceId}:${name}`, point.id);
    if (!map.has(point.deviceId)) map.set(point.deviceId, point.id);
  }
  return map;
}

function checkAddresses(job: JobContent): Problem[] {
  const problems: Problem[] = [];
  const used = new Map<string, string>();
  job.modules.forEach((module, i) => {
    const image = imageOf(partTypesOf(job).module(module));
    if (!image) return;
    for (let byte = module.firstByte; byte < module.firstByte + image.bytes; byte++) {
      const key = `${image.area}${byte}`;
      const first = used.get(key);
      if (first) {
        problems.push({
          path: `modules[${i}].firstByte`,
          message: say('job.use-byte-which-uses', { module: module.tag, area: image.area, byte, first }),
        });
        break;
      }
      used.set(key, module.tag);
    }
  });
  return problems;
}
