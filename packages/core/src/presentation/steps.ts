import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { settingsOf } from '../catalog/index.ts';
import type { DeviceType, PartTerminal, PartType, TerminalRole } from '../catalog/index.ts';
import type { Device, Fingerprint, JobContent, Settings, Stamp, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refText, otherEnd, railText, terminalName } from '../job/index.ts';
import {
  aboutKind,
  aboutPoint,
  aboutSettings,
  aboutWires,
  changedParts,
  ofPorts,
  supplyNodes,
  commonText,
  placeText,
  relayedRuleFor,
  ruleFor,
} from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { chainSteps, chainTest } from './chainSteps.ts';
import { guardSteps } from './guardSteps.ts';
import { nothing } from './landStep.ts';
import type { LandStep } from './landStep.ts';

const ISOLATE = say('step.follow-site-lock-off');
const RESTART = say('step.machines-start-themselves-when');
const FOLLOWS = say('step.what-input-starts-may');
const FORCED = say('step.what-it-drives-may');

const SUPPLY_ROLES: readonly TerminalRole[] = [
  'protectiveEarth',
  'plus',
  'minus',
  'emitterPlus',
  'emitterMinus',
  'extraPlus',
  'extraMinus',
];

/** Terminals to which a part of its own belongs: they are landed with that. */
const terminalsForParts = ({ description: { chain, elementSide } }: DeviceType): ReadonlySet<string> =>
  new Set([
    ...(chain?.coils ?? []).flatMap(({ a, b }) => [a, b]),
    ...Object.values(elementSide?.roles ?? {}),
  ]);

/** The steps that land a point as it is planned, in safe order. Empty while it is not landed. */
export function landSteps(analysis: Analysis): LandStep[] {
  const { context } = analysis;
  const { device, type, helpers } = context;
  if (!context.ports.length && !helpers.length) return [];
  const supplied = supplyNodes(context);
  const wired = type.terminals.filter(({ name }) => context.index.plannedAt(`${device.id}:${name}`).length);
  const first = wired.filter(({ role }) =>
    supplied ? role && SUPPLY_ROLES.includes(role) : role === 'sideA' || role === 'loopPlus',
  );
  const ofParts = terminalsForParts(type);
  const rest = wired.filter((terminal) => !first.includes(terminal) && !ofParts.has(terminal.name));
  const isolate: LandStep = {
    key: 'isolate',
    title: say('step.isolate-lock-off-prove'),
    detail: say('step.test-tester-before-after'),
    caution: joined(ISOLATE, ...cautionsOf(context, 'isolate')),
    about: nothing,
  };
  const { supply, power } = supplySteps(context, first);
  const signal = (detail?: Message): LandStep => ({
    key: 'signal',
    title: titleOf(context, device, rest),
    ...(detail && { detail, caution: ISOLATE }),
    about: () => aboutWires(wiresAt(context, device, rest)),
  });
  const parts = helpers.map((helper) => helperStep(context, helper));
  const tug: LandStep = {
    key: 'tug',
    title: say('step.tug-all-wires-both', { device: device.tag }),
    about: nothing,
  };
  // What is mounted in switchgear is mounted, wired and chained dead: power comes once, at the end.
  if (type.description.chain)
    return [
      isolate,
      ...switchSteps(context),
      ...chainSteps(context),
      ...parts,
      ...supply,
      signal(),
      tug,
      ...commonStep(context),
      ...power,
      ...chainTest(context),
      followStep(context),
    ];
  return [
    isolate,
    ...switchSteps(context),
    ...supply,
    ...power,
    signal(say('step.isolate-again-first')),
    ...parts,
    tug,
    ...commonStep(context),
    ...(context.output.drivenBy === 'guard' ? guardSteps(analysis) : [followStep(context)]),
  ];
}

/** Landing a device's supply, and looking whether it arrives. */
function supplySteps(
  context: PointContext,
  first: readonly PartTerminal[],
): { supply: LandStep[]; power: LandStep[] } {
  const { device, type } = context;
  const supplied = supplyNodes(context);
  const supply: LandStep[] =
    first.length || supplied
      ? [
          {
            key: 'supply',
            title: titleOf(context, device, first, supplied),
            detail: say('step.tug-each-wire'),
            about: () => aboutWires(wiresAt(context, device, first)),
          },
        ]
      : [];
  const power: LandStep[] = supplied
    ? [
        {
          key: 'power',
          title: powerTitle(type),
          detail: say('step.its-supply-to', {
            terminal: splitRef(supplied.plus).terminal,
            terminal2: splitRef(supplied.minus).terminal,
          }),
          caution: RESTART,
          about: () => ({
            ...aboutKind(context.index, device.id),
            ...aboutWires(wiresAt(context, device, first)),
          }),
          meter: { red: supplied.plus, black: supplied.minus },
        },
      ]
    : [];
  return { supply, power };
}

const joined = (...parts: (Text | undefined)[]): Message =>
  say('text.sentences', { parts: parts.filter((part) => part !== undefined) });

/** What the types of all own parts and modules say at one step. */
function cautionsOf({ index, type, helpers, ports }: PointContext, at: 'isolate' | 'follow'): string[] {
  const types: PartType[] = [
    type,
    ...helpers.map((helper) => index.deviceType(helper)),
    ...ports.map(({ module }) => index.moduleType(module)),
  ];
  // Parts of one kind, or of one danger, say the same: each sentence stands once.
  const sentences = types.flatMap(({ cautions }) => cautions?.[at]?.split(/(?<=\.) /) ?? []);
  return [...new Set(sentences)];
}

const powerTitle = ({ indicators = [], outputs }: DeviceType): Message => {
  const led = indicators.find(({ kind }) => kind === 'lamp');
  if (!led) return say('step.power-up');
  if (outputs.some(({ indicator }) => indicator === led.id)) return say('step.power-up-sensor-own');
  return say('step.power-up-lights', { ledLabel: led.label });
};

function landing({ index }: PointContext, ref: string): Message {
  const name = terminalName(index, ref);
  const wires = index.plannedAt(ref);
  if (!wires.length) return say('step.on-nothing', { terminal: name });
  return say('text.list', {
    parts: wires.map((wire) =>
      say('step.to-wire', { terminal: name, ref: refText(index, otherEnd(wire, ref)), number: wire.number }),
    ),
  });
}

function titleOf(
  context: PointContext,
  device: Device,
  terminals: readonly PartTerminal[],
  supplied?: { plus: string; minus: string },
): Message {
  const names = supplied
    ? [splitRef(supplied.plus).terminal, splitRef(supplied.minus).terminal].filter(
        (name) => !terminals.some((terminal) => terminal.name === name),
      )
    : [];
  const all = [...terminals.map(({ name }) => name), ...names];
  if (!all.length) return say('step.nothing-landed', { device: device.tag });
  return say('text.list', { parts: all.map((name) => landing(context, `${device.id}:${name}`)) });
}

/** `A1 with 201 and 205`: a terminal and the wires that belong on it. */
function wiresOn({ index }: PointContext, { id }: Device, name: string): Message {
  const numbers = index.plannedAt(`${id}:${name}`).map(({ number }) => number);
  return say('step.with', { name: terminalName(index, `${id}:${name}`), numbers });
}

function helperStep(context: PointContext, helper: Device): LandStep {
  const type = context.index.deviceType(helper);
  const wired = type.terminals.filter(({ name }) => context.index.plannedAt(`${helper.id}:${name}`).length);
  return {
    key: `helper-${helper.id}`,
    about: () => aboutWires(wiresAt(context, helper, wired)),
    title: say('text.colon', {
      name: helper.tag,
      text: say('text.list', { parts: wired.map(({ name }) => wiresOn(context, helper, name)) }),
    }),
    detail: say('text.semicolons', {
      parts: wired.map(({ name }) => landing(context, `${helper.id}:${name}`)),
    }),
    ...(type.cautions?.isolate && { caution: say('step.own-caution', { caution: type.cautions.isolate }) }),
  };
}

/** Switches behind covers, which are set while everything is dead. */
function switchSteps(context: PointContext): LandStep[] {
  const { index, ports, device, type, helpers } = context;
  const names = new Set(ports.map(({ port }) => port.name));
  const parts: { id: string; tag: string; type: PartType; settings?: Settings; only: boolean }[] = [
    { ...device, type, only: false },
    ...helpers.map((helper) => ({ ...helper, type: index.deviceType(helper), only: false })),
    ...[...new Map(ports.map(({ module }) => [module.id, module])).values()].map((module) => ({
      ...module,
      type: index.moduleType(module),
      only: true,
    })),
  ];
  return parts.flatMap(({ id, tag, type: part, settings, only }) => {
    const chosen = settingsOf(part, settings);
    const switches = (part.settings ?? []).filter(
      ({ place, key }) => place === 'switch' && (!only || ofPorts(names)(key)),
    );
    const keys = new Set(switches.map(({ key }) => key));
    const set = switches.map(
      ({ key, label, choices }) =>
        `${label}: ${choices.find(({ value }) => value === chosen[key])?.label ?? ''}`,
    );
    return set.length
      ? [
          {
            key: `switch-${id}`,
            title: say('step.on-set', { tag, set }),
            about: () => aboutSettings(index, id, (key) => keys.has(key)),
          },
        ]
      : [];
  });
}

function commonStep(context: PointContext): LandStep[] {
  const { index, rail, supply, port, module } = context;
  const step = (title: Message, about: LandStep['about']): LandStep[] => [
    { key: 'common', title, detail: relayedRuleFor(context) ?? ruleFor(context), about },
  ];
  if (!module || (port?.kind !== 'digital' && port?.kind !== 'analog'))
    return step(say('step.compare-wiring-drawing'), () => aboutPoint(context));
  const about = (): Fingerprint => ({
    ...aboutKind(index, module.id),
    ...aboutSettings(index, module.id, ofPorts(new Set([port.name]))),
  });
  if (port.inside) return step(say('step.common-inside', { place: placeText(context) }), about);
  const where = rail
    ? say('step.sits-on', { rail: railText(rail, supply.volts) })
    : say('step.is-on-no-rail');
  return step(say('step.of', { common: commonText(context), module: module.tag, where }), () => ({
    ...about(),
    ...aboutWires(index.plannedAt(`${module.id}:${port.common}`)),
  }));
}

function followStep(context: PointContext): LandStep {
  const { output } = context;
  const caution = joined(output.drivenBy === 'command' ? FORCED : FOLLOWS, ...cautionsOf(context, 'follow'));
  const about = (): Fingerprint => aboutPoint(context);
  switch (output.drivenBy) {
    case 'value':
      return {
        key: 'follow',
        title: say('step.power-up-change-value'),
        detail: say('step.use', { stimulus: output.stimulus }),
        caution,
        about,
      };
    case 'command':
      return {
        key: 'follow',
        title: output.signal ? say('step.power-up-change-output') : say('step.power-up-switch-output'),
        caution,
        about,
      };
    case 'communication':
      return {
        key: 'follow',
        title: say('step.power-up-device-led'),
        caution: RESTART,
        about,
      };
    default:
      return {
        key: 'follow',
        title: targetTitle(context),
        detail: say('step.meter-signal-wire-must'),
        caution,
        about,
      };
  }
}

/** What is seen to follow the target: an input's LED, counts, or, without an input, what it drives. */
function targetTitle({ output, ports, helpers, index }: PointContext): Message {
  if (output.drivenBy === 'pulses') return say('step.power-up-pulses');
  if (ports.some(({ port }) => port.kind === 'digital')) return say('step.power-up-target-out');
  const loads = helpers.filter((helper) => {
    const { load, coil } = index.deviceType(helper);
    return load !== undefined || coil !== undefined;
  });
  return say('step.power-up-target-loads', { loads: loads.map(({ tag }) => tag) });
}

/** Wires that the plan puts on some terminals of a part. */
const wiresAt = ({ index }: PointContext, { id }: Device, terminals: readonly PartTerminal[]): Wire[] =>
  terminals.flatMap(({ name }) => [...index.plannedAt(`${id}:${name}`)]);

/** A step with the stamp that holds for it, if there is one; what changed since the last where that holds no more. */
export interface StampedStep {
  readonly step: LandStep;
  readonly stamp?: Stamp;
  /** Parts of the job that stand otherwise than when it was last done; empty where it is done or never was. */
  readonly changed: readonly string[];
}

export function stampedSteps(job: JobContent, pointId: string, steps: readonly LandStep[]): StampedStep[] {
  const own = job.stamps.filter((stamp) => stamp.pointId === pointId && !stamp.undone);
  return steps.map((step) => {
    const last = own.findLast((stamp) => stamp.step === step.key);
    if (!last) return { step, changed: [] };
    const changed = changedParts(last.fingerprint, step.about());
    return changed.length ? { step, changed } : { step, stamp: last, changed };
  });
}
