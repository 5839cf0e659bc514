import { settingsOf } from '../catalog/index.ts';
import type { PartTerminal, PartType, TerminalRole } from '../catalog/index.ts';
import type { Device, JobContent, Settings, Stamp, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refWords, otherEnd, railWords } from '../job/index.ts';
import {
  aboutKind,
  aboutPoint,
  aboutSettings,
  aboutWires,
  changedParts,
  ofPorts,
  supplyNodes,
  commonWords,
  placeWords,
  ruleFor,
} from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { guardSteps } from './guardSteps.ts';
import type { LandStep } from './landStep.ts';

const ISOLATE =
  'Follow the site’s lock-off rules; mains only for people licensed or authorised under the local code.';
const RESTART = 'Machines can start by themselves when power returns. Keep people clear.';
const FORCED = 'What the input starts may move. Clear the machine before the target goes in.';

const SUPPLY_ROLES: readonly TerminalRole[] = [
  'plus',
  'minus',
  'emitterPlus',
  'emitterMinus',
  'extraPlus',
  'extraMinus',
];

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
  const rest = wired.filter((terminal) => !first.includes(terminal));
  return [
    {
      key: 'isolate',
      title: 'Isolate, lock off, prove dead',
      detail: 'Test the tester before and after.',
      caution: joined(ISOLATE, ...cautionsOf(context, 'isolate')),
      about: {},
    },
    ...switchSteps(context),
    ...(first.length || supplied
      ? [
          {
            key: 'supply',
            title: titleOf(context, device, first, supplied),
            detail: 'Tug each wire.',
            about: aboutWires(wiresAt(context, device, first)),
          },
        ]
      : []),
    ...(supplied
      ? [
          {
            key: 'power',
            title: powerTitle(type),
            detail: `Its supply, ${splitRef(supplied.plus).terminal} to ${splitRef(supplied.minus).terminal}:`,
            caution: RESTART,
            about: { ...aboutKind(context.index, device.id), ...aboutWires(wiresAt(context, device, first)) },
            meter: { red: supplied.plus, black: supplied.minus },
          },
        ]
      : []),
    {
      key: 'signal',
      title: titleOf(context, device, rest),
      detail: 'Isolate again first.',
      caution: ISOLATE,
      about: aboutWires(wiresAt(context, device, rest)),
    },
    ...helpers.map((helper) => helperStep(context, helper)),
    { key: 'tug', title: `Tug all wires of ${device.tag} at both ends`, about: {} },
    ...commonStep(context),
    ...(context.output.drivenBy === 'guard' ? guardSteps(analysis) : [followStep(context)]),
  ];
}

const joined = (...parts: (string | undefined)[]): string => parts.filter(Boolean).join(' ');

/** What the types of all own parts and modules say at one step. */
function cautionsOf(
  { index, type, helpers, ports }: PointContext,
  at: 'isolate' | 'follow',
): (string | undefined)[] {
  const types: PartType[] = [
    type,
    ...helpers.map((helper) => index.deviceType(helper)),
    ...ports.map(({ module }) => index.moduleType(module)),
  ];
  return [...new Set(types.map(({ cautions }) => cautions?.[at]))];
}

const powerTitle = ({ indicators = [] }: PartType): string => {
  const lamp = indicators.find(({ kind }) => kind === 'lamp');
  if (!lamp || lamp.label === 'Sensor LED') return 'Power up: the sensor’s own lamp answers';
  return `Power up: ${lamp.label.charAt(0).toLowerCase()}${lamp.label.slice(1)} lights`;
};

function landing({ index }: PointContext, ref: string): string {
  const { terminal } = splitRef(ref);
  const wires = index.plannedAt(ref);
  if (!wires.length) return `${terminal} on nothing`;
  return wires
    .map((wire) => `${terminal} to ${refWords(index, otherEnd(wire, ref))} (wire ${wire.number})`)
    .join(', ');
}

function titleOf(
  context: PointContext,
  device: Device,
  terminals: readonly PartTerminal[],
  supplied?: { plus: string; minus: string },
): string {
  const names = supplied
    ? [splitRef(supplied.plus).terminal, splitRef(supplied.minus).terminal].filter(
        (name) => !terminals.some((terminal) => terminal.name === name),
      )
    : [];
  const all = [...terminals.map(({ name }) => name), ...names];
  if (!all.length) return `Nothing of ${device.tag} is landed`;
  return all.map((name) => landing(context, `${device.id}:${name}`)).join(', ');
}

/** `A1 with 201 and 205`: a terminal and the wires that belong on it. */
function wiresOn({ index }: PointContext, { id }: Device, name: string): string {
  const numbers = index.plannedAt(`${id}:${name}`).map(({ number }) => number);
  return `${name} with ${numbers.join(' and ')}`;
}

function helperStep(context: PointContext, helper: Device): LandStep {
  const type = context.index.deviceType(helper);
  const wired = type.terminals.filter(({ name }) => context.index.plannedAt(`${helper.id}:${name}`).length);
  return {
    key: `helper-${helper.id}`,
    about: aboutWires(wiresAt(context, helper, wired)),
    title: `${helper.tag}: ${wired.map(({ name }) => wiresOn(context, helper, name)).join(', ')}`,
    detail: wired.map(({ name }) => landing(context, `${helper.id}:${name}`)).join('; '),
    ...(type.cautions?.isolate && { caution: type.cautions.isolate }),
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
            title: `On ${tag} set ${set.join('; ')}`,
            about: aboutSettings(index, id, (key) => keys.has(key)),
          },
        ]
      : [];
  });
}

function commonStep(context: PointContext): LandStep[] {
  const { index, rail, supply, port, module } = context;
  const step = (title: string, about: LandStep['about']): LandStep[] => [
    { key: 'common', title, detail: ruleFor(context), about },
  ];
  if (!module || (port?.kind !== 'digital' && port?.kind !== 'analog'))
    return step('Compare the wiring with the drawing', aboutPoint(context));
  const about = {
    ...aboutKind(index, module.id),
    ...aboutSettings(index, module.id, ofPorts(new Set([port.name]))),
  };
  if (port.inside) return step(`${placeWords(context)} has its common inside`, about);
  const where = rail ? `sits on ${railWords(rail, supply.volts)}` : 'is on no rail';
  return step(`${commonWords(context)} of ${module.tag} ${where}`, {
    ...about,
    ...aboutWires(index.plannedAt(`${module.id}:${port.common}`)),
  });
}

function followStep(context: PointContext): LandStep {
  const { output } = context;
  const caution = joined(FORCED, ...cautionsOf(context, 'follow'));
  const about = aboutPoint(context);
  switch (output.drivenBy) {
    case 'value':
      return {
        key: 'follow',
        title: 'Power up, change the value: the reading follows',
        detail: `Use ${output.stimulus}.`,
        caution,
        about,
      };
    case 'command':
      return { key: 'follow', title: 'Power up, switch the output: the load follows', caution, about };
    case 'communication':
      return {
        key: 'follow',
        title: 'Power up: device LED and line LED answer',
        caution: RESTART,
        about,
      };
    default:
      return {
        key: 'follow',
        title: 'Power up, target in and out: the input LED follows',
        detail: 'The meter on the signal wire must change with it.',
        caution,
        about,
      };
  }
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
    const changed = changedParts(last.fingerprint, step.about);
    return changed.length ? { step, changed } : { step, stamp: last, changed };
  });
}
