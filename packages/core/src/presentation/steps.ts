import { deviceType, moduleType, settingsOf } from '../catalog/index.ts';
import type { PartTerminal, PartType, TerminalRole } from '../catalog/index.ts';
import type { Device, JobContent, Settings, Stamp } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refWords, otherEnd, railWords } from '../job/index.ts';
import { supplyNodes, commonWords, placeWords, ruleFor } from '../network/index.ts';
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
  const supplied = supplyNodes(device);
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
    },
    ...switchSteps(context),
    ...(first.length || supplied
      ? [{ key: 'supply', title: titleOf(context, device, first, supplied), detail: 'Tug each wire.' }]
      : []),
    ...(supplied
      ? [
          {
            key: 'power',
            title: powerTitle(type),
            detail: `Its supply, ${splitRef(supplied.plus).terminal} to ${splitRef(supplied.minus).terminal}:`,
            caution: RESTART,
            meter: { red: supplied.plus, black: supplied.minus },
          },
        ]
      : []),
    {
      key: 'signal',
      title: titleOf(context, device, rest),
      detail: 'Isolate again first.',
      caution: ISOLATE,
    },
    ...helpers.map((helper) => helperStep(context, helper)),
    { key: 'tug', title: `Tug all wires of ${device.tag} at both ends` },
    ...commonStep(context),
    ...(type.stimulated === 'guard' ? guardSteps(analysis) : [followStep(context)]),
  ];
}

const joined = (...parts: (string | undefined)[]): string => parts.filter(Boolean).join(' ');

/** What the types of all own parts and modules say at one step. */
function cautionsOf(
  { type, helpers, ports }: PointContext,
  at: 'isolate' | 'follow',
): (string | undefined)[] {
  const types: PartType[] = [
    type,
    ...helpers.map(({ typeId }) => deviceType(typeId)),
    ...ports.map(({ module }) => moduleType(module.typeId)),
  ];
  return [...new Set(types.map(({ cautions }) => cautions?.[at]))];
}

const powerTitle = ({ indicators = [] }: PartType): string => {
  const lamp = indicators.find(({ kind }) => kind === 'lamp');
  if (!lamp || lamp.label === 'Sensor lamp') return 'Power up: the sensor’s own lamp answers';
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
  const type = deviceType(helper.typeId);
  const wired = type.terminals.filter(({ name }) => context.index.plannedAt(`${helper.id}:${name}`).length);
  return {
    key: `helper-${helper.id}`,
    title: `${helper.tag}: ${wired.map(({ name }) => wiresOn(context, helper, name)).join(', ')}`,
    detail: wired.map(({ name }) => landing(context, `${helper.id}:${name}`)).join('; '),
    ...(type.cautions?.isolate && { caution: type.cautions.isolate }),
  };
}

/** Switches behind covers, which are set while everything is dead. */
function switchSteps(context: PointContext): LandStep[] {
  const { ports, device, type, helpers } = context;
  const names = new Set(ports.map(({ port }) => port.name));
  const parts: { id: string; tag: string; type: PartType; settings?: Settings; only: boolean }[] = [
    { ...device, type, only: false },
    ...helpers.map((helper) => ({ ...helper, type: deviceType(helper.typeId), only: false })),
    ...[...new Map(ports.map(({ module }) => [module.id, module])).values()].map((module) => ({
      ...module,
      type: moduleType(module.typeId),
      only: true,
    })),
  ];
  return parts.flatMap(({ id, tag, type: part, settings, only }) => {
    const chosen = settingsOf(part, settings);
    const set = (part.settings ?? [])
      .filter(
        ({ place, key }) =>
          place === 'switch' && (!only || !key.includes('.') || names.has(key.split('.')[0]!)),
      )
      .map(
        ({ key, label, choices }) => `${label}: ${choices.find(({ value }) => value === chosen[key])!.label}`,
      );
    return set.length
      ? [{ key: `switch-${id}`.slice(0, 40), title: `On ${tag} set ${set.join('; ')}`.slice(0, 200).trim() }]
      : [];
  });
}

function commonStep(context: PointContext): LandStep[] {
  const { rail, supply, port } = context;
  if (port?.kind !== 'digital' && port?.kind !== 'analog')
    return [{ key: 'common', title: 'Compare the wiring with the drawing', detail: ruleFor(context) }];
  if (port.inside)
    return [
      { key: 'common', title: `${placeWords(context)} has its common inside`, detail: ruleFor(context) },
    ];
  const where = rail ? `sits on ${railWords(rail, supply.volts)}` : 'is on no rail';
  return [
    {
      key: 'common',
      title: `${commonWords(context)} of ${placeWords(context).split(' · ')[0]} ${where}`,
      detail: ruleFor(context),
    },
  ];
}

function followStep(context: PointContext): LandStep {
  const { type } = context;
  const caution = joined(FORCED, ...cautionsOf(context, 'follow'));
  switch (type.stimulated) {
    case 'value':
      return {
        key: 'follow',
        title: 'Power up, change the value: the reading follows',
        detail: `Use ${type.stimulus}.`,
        caution,
      };
    case 'command':
      return { key: 'follow', title: 'Power up, switch the output: the load follows', caution };
    case 'talk':
      return { key: 'follow', title: 'Power up: device lamp and line lamp answer', caution: RESTART };
    default:
      return {
        key: 'follow',
        title: 'Power up, target in and out: the input lamp follows',
        detail: 'The meter on the signal wire must change with it.',
        caution,
      };
  }
}

/** A step with the stamp that holds for it, if there is one; `stale` when the wiring changed since. */
export interface StampedStep {
  readonly step: LandStep;
  readonly stamp?: Stamp;
  readonly stale: boolean;
}

export function stampedSteps(job: JobContent, pointId: string, steps: readonly LandStep[]): StampedStep[] {
  return steps.map((step) => {
    const last = job.stamps.filter((s) => s.pointId === pointId && s.step === step.key && !s.undone).at(-1);
    const holds = last?.subject === step.title;
    return { step, stamp: holds ? last : undefined, stale: last !== undefined && !holds };
  });
}
