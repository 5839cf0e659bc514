import { deviceType, terminalWithRole } from '../catalog/index.ts';
import type { JobContent, Stamp, Wire } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import { otherEnd } from './jobIndex.ts';
import { railWords } from './reasons.ts';
import { commonWords, placeWords, ruleFor } from './sentences.ts';
import type { Analysis } from './analysis.ts';
import type { PointContext } from './states.ts';
import { signalNode, supplyNodes } from './states.ts';

export type StepKey = 'isolate' | 'supply' | 'power' | 'signal' | 'tug' | 'common' | 'follow';

/** One step of landing a device. */
export interface LandStep {
  readonly key: StepKey;
  /** What to do; it is kept with the stamp, so that a later change of the wiring opens the step again. */
  readonly title: string;
  readonly detail?: string;
  /** What can hurt here. Defers to local rules; never a permission. */
  readonly caution?: string;
  /** Terminals on which a meter is put at this step. */
  readonly meter?: { readonly red: string; readonly black: string };
}

const ISOLATE =
  'Follow the site’s lock-off rules; mains only for people licensed or authorised under the local code.';
const RESTART = 'Machines can start by themselves when power returns. Keep people clear.';
const FORCED = 'What the input starts may move. Clear the machine before the target goes in.';

/** The steps that land a point as it is wired, in safe order. Empty while it is on no channel. */
export function landSteps(analysis: Analysis): LandStep[] {
  const { context } = analysis;
  const { place, device } = context;
  if (!place) return [];
  const supplied = supplyNodes(device);
  return [
    {
      key: 'isolate',
      title: 'Isolate, lock off, prove dead',
      detail: 'Test the tester before and after.',
      caution: ISOLATE,
    },
    {
      key: 'supply',
      title: supplied ? supplyTitle(context) : contactTitle(context),
      detail: 'Tug each wire.',
    },
    ...(supplied
      ? [
          {
            key: 'power' as const,
            title: 'Power up: the sensor’s own lamp answers',
            detail: 'Its supply, BN to BU:',
            caution: RESTART,
            meter: { red: supplied.plus, black: supplied.minus },
          },
        ]
      : []),
    { key: 'signal', title: signalTitle(context), detail: 'Isolate again first.', caution: ISOLATE },
    { key: 'tug', title: `Tug all wires of ${device.tag} at both ends` },
    commonStep(context),
    {
      key: 'follow',
      title: 'Power up, target in and out: the input lamp follows',
      detail: 'The meter on the signal wire must change with it.',
      caution: FORCED,
    },
  ];
}

function endWords({ index, supply }: PointContext, ref: string): string {
  const { item, terminal } = splitRef(ref);
  if (index.supply(item)) return railWords(terminal === '+' ? '+' : '-', supply.volts);
  return `${index.module(item)?.tag ?? index.device(item)?.tag ?? item} ${terminal.replace(/^I/, 'channel ').replace(/^COM/, 'common ')}`;
}

function landing(context: PointContext, ref: string): string {
  const { terminal } = splitRef(ref);
  const wire: Wire | undefined = context.index.wiresAt(ref)[0];
  if (!wire) return `${terminal} on nothing`;
  return `${terminal} to ${endWords(context, otherEnd(wire, ref))} (wire ${wire.number})`;
}

function supplyTitle(context: PointContext): string {
  const type = deviceType(context.device.typeId);
  const roles = ['plus', 'minus', 'emitterPlus', 'emitterMinus'] as const;
  return roles
    .flatMap((role) => terminalWithRole(type, role) ?? [])
    .map(({ name }) => landing(context, `${context.device.id}:${name}`))
    .join(', ');
}

function contactTitle(context: PointContext): string {
  return landing(
    context,
    `${context.device.id}:${terminalWithRole(deviceType(context.device.typeId), 'sideA')!.name}`,
  );
}

function signalTitle(context: PointContext): string {
  return landing(context, signalNode(context.device));
}

function commonStep(context: PointContext): LandStep {
  const { rail, supply } = context;
  const where = rail ? `sits on ${railWords(rail, supply.volts)}` : 'is on no rail';
  return {
    key: 'common',
    title: `${commonWords(context)} of ${placeWords(context).split(' · ')[0]} ${where}`,
    detail: ruleFor(context),
  };
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
