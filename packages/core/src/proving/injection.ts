import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { Result } from '../model/index.ts';
import { unlessRefused } from '../model/index.ts';
import { digitsForSpan } from '../units/index.ts';
import {
  arrivesAsData,
  bandOf,
  bandText,
  budgetAt,
  chainOf,
  isMeasured,
  reactionText,
} from '../scaling/index.ts';
import type { SignalChain, Contribution, PointChain } from '../scaling/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Check, CheckGroup } from './check.ts';

/** One value of the plan: what to inject in place of the sensor. */
export interface InjectionStep {
  readonly key: string;
  /** Share of the range, %; absent beyond its ends. */
  readonly share?: number;
  readonly way: 'up' | 'down' | 'below' | 'above';
  readonly words: Text;
}

const up = (share: number): InjectionStep => ({
  key: `up${share}`,
  share,
  way: 'up',
  words: say('proof.rising', { share }),
});
const down = (share: number): InjectionStep => ({
  key: `down${share}`,
  share,
  way: 'down',
  words: say('proof.falling', { share }),
});

/** Up through the range, down again, then below and above it. */
export const INJECTION_STEPS: readonly InjectionStep[] = [
  ...[0, 25, 50, 75, 100].map(up),
  ...[75, 50, 25, 0].map(down),
  { key: 'below', way: 'below', words: say('proof.below-range') },
  { key: 'above', way: 'above', words: say('proof.above-range') },
];

/** Of a value that arrives as data: the real value is set within its range, since no source stands in for it. */
const DATA_STEPS: readonly InjectionStep[] = [25, 50, 75].map(up);

const stepsFor = (isData: boolean): readonly InjectionStep[] => (isData ? DATA_STEPS : INJECTION_STEPS);

/** What a step of the injection is called, by its key. */
export const injectionText = (key: string): Text =>
  INJECTION_STEPS.find((step) => step.key === key)?.words ?? key;

/** Where the value is read at each step. */
const PLACES = ['controller', 'screen'] as const;
type Place = (typeof PLACES)[number];

const keyOf = (step: InjectionStep, place: Place): string => `inject.${step.key}.${place}`;

/** Whether values are injected at a point, or really set: it is measured, on an input, and has a range. */
export const takesInjection = (analysis: Analysis): boolean =>
  arrivesAsData(analysis)
    ? chainIsMade(chainOf(analysis))
    : isMeasured(analysis) &&
      analysis.context.point.range !== undefined &&
      (analysis.present.measured.length ?? 0) > 0;

const chainIsMade = (made: ReturnType<typeof chainOf>): boolean => made !== undefined && !('problem' in made);

/** The keys of the injection's checks, without solving anything. */
export const injectionKeys = (analysis: Analysis): string[] =>
  takesInjection(analysis)
    ? stepsFor(arrivesAsData(analysis)).flatMap((step) =>
        step.share === undefined ? [keyOf(step, 'controller')] : PLACES.map((place) => keyOf(step, place)),
      )
    : [];

/** A step with the signal to inject, in the unit of the sensor's wires. */
export interface PlannedStep {
  readonly step: InjectionStep;
  readonly signal: number;
  readonly unit: string;
  /** The value that it stands for; absent beyond the range. */
  readonly value?: number;
}

/** How far beyond its range a signal is injected: past the limits of break and short. */
const BEYOND = 0.1;

/** What is injected at each step; nothing where it cannot be worked out. */
export function plannedSteps({ chain }: PointChain): PlannedStep[] {
  const { sensor, bands } = chain;
  const { unit, low, high } = sensor.signal;
  return stepsFor(chain.input.isData === true).flatMap((step): PlannedStep[] => {
    if (step.share === undefined) {
      // The same unit at input and wires: just past the limit. Else well past the range.
      const same = unit === chain.input.unit;
      const past = BEYOND * (bands.highFault - bands.lowFault);
      const signal =
        step.way === 'below'
          ? same
            ? Math.max(0, bands.lowFault - past / 5)
            : low - BEYOND * (high - low)
          : same
            ? bands.highFault + past / 5
            : high + BEYOND * (high - low);
      return [{ step, signal, unit }];
    }
    const value = sensor.low + (step.share / 100) * (sensor.high - sensor.low);
    const signal = unlessRefused(() => sensor.curve.at(value));
    return signal === undefined ? [] : [{ step, value, signal, unit }];
  });
}

/** Causes that the source takes the place of, or that the proof is there to find. */
const NOT_ALLOWED: readonly Contribution['key'][] = [
  'sensor',
  'cold',
  'transmitter',
  'scaling',
  'linearisation',
  'leads',
];

/** The checks of one step for the signal that was truly injected. */
export function injectionChecks(
  analysis: Analysis,
  made: PointChain,
  planned: PlannedStep,
  injected = planned.signal,
): Check[] {
  const { chain } = made;
  const { step, unit } = planned;
  const amount = { injected, digitsOf: digitsOf(unit), unit };
  const text = made.data ? say('proof.really-there', amount) : say('proof.injected', amount);
  if (planned.value === undefined) {
    const band = bandOf(chain.bands, injected);
    return [
      {
        key: keyOf(step, 'controller'),
        label: say('proof.at-controller', { step: step.words }),
        detail: say('text.semicolons', { parts: [text, reactionText(chain.bands)] }),
        expected: {
          kind: 'yesno',
          value: true,
          yes: say('proof.shows', { band: bandText(band, chain.input) }),
          no: say('proof.shows-nothing'),
        },
      },
    ];
  }
  const value = chain.sensor.curve.inverse(injected);
  const allowed = budgetAt(analysis, made, value)
    .contributions.filter(({ key }) => (key === 'sensor' && made.data) || !NOT_ALLOWED.includes(key))
    .reduce((sum, { plusMinus }) => sum + plusMinus, 0);
  return PLACES.map((place) => ({
    key: keyOf(step, place),
    label:
      place === 'controller'
        ? say('proof.at-controller', { step: step.words })
        : say('text.list', { parts: [chain.display.label, step.words] }),
    detail: text,
    expected: expectedAt(chain, place, value, allowed, perSignal(chain, value), injected),
  }));
}

/** Digits that a source has for its unit. */
export const digitsOf = (unit: string): number => (unit === 'mA' || unit === 'V' || unit === 'mV' ? 3 : 2);

/** Value for each unit of the signal, at a value. */
function perSignal({ sensor }: SignalChain, value: number): number {
  const h = 1e-4 * Math.abs(sensor.high - sensor.low);
  const rise = (sensor.curve.at(value + h) - sensor.curve.at(value - h)) / (2 * h);
  return rise === 0 ? 0 : Math.abs(1 / rise);
}

function expectedAt(
  { sensor, display, controller }: SignalChain,
  place: Place,
  value: number,
  allowed: number,
  perInjected: number,
  injected: number,
): Check['expected'] {
  const span = controller.high - controller.low;
  // A screen in another unit shows the wanted value on its own span.
  const factor = place === 'screen' ? (display.high - display.low) / (sensor.high - sensor.low) : 1;
  const nom = place === 'screen' ? display.low + (value - sensor.low) * factor : value;
  const room = Math.abs(allowed * factor);
  return {
    kind: 'value',
    nom,
    min: nom - room,
    max: nom + room,
    unit: place === 'screen' ? display.unit : controller.unit,
    digits: place === 'screen' ? display.decimals : Math.max(1, digitsForSpan(span)),
    injected,
    perInjected: perInjected * Math.abs(factor),
  };
}

/** The injection's part of a plan, one group a step; nothing for a point whose value is not measured. */
export function injectionGroups(analysis: Analysis): CheckGroup[] {
  if (!takesInjection(analysis)) return [];
  const made = chainOf(analysis);
  if (!made || 'problem' in made) return [];
  return plannedSteps(made).flatMap((planned) => {
    const checks = unlessRefused(() => injectionChecks(analysis, made, planned));
    return checks
      ? [
          {
            key: `inject.${planned.step.key}`,
            title: stepTitle(planned, made),
            checks,
          },
        ]
      : [];
  });
}

const stepTitle = ({ signal, unit, step }: PlannedStep, { data }: PointChain): Text => {
  const given = { signal, digitsOf: digitsOf(unit), unit, step: step.words };
  return data ? say('proof.set-really', given) : say('proof.inject', given);
};

/** What the stored results of an injection say together. */
export interface InjectionSummary {
  /** Errors of the latest results in % of span, by place. */
  readonly points: readonly {
    readonly place: Place;
    readonly share: number;
    readonly way: 'up' | 'down';
    readonly errorPercent: number;
    readonly pass: boolean;
  }[];
  /** Largest difference between rising and falling at the same share, % of span; nothing until both are there. */
  readonly hysteresisPercent?: number;
  /** Largest difference between repeated results of one check, % of span; nothing until one was repeated. */
  readonly repeatabilityPercent?: number;
}

/**
 * Hysteresis and repeatability over everything that was stored (IEC 61298-2: as largest differences in % of span).
 * Errors count against the middle of what was expected of each.
 */
export function injectionSummary(results: readonly Result[], span: number): InjectionSummary {
  const rows = results.flatMap((result) => {
    const match = /^inject\.(up|down)(\d+)\.(controller|screen)$/.exec(result.check);
    if (!match || typeof result.measured !== 'number' || !('min' in result.expected)) return [];
    const { min, max } = result.expected;
    const error = result.measured - (min + max) / 2;
    return [
      {
        check: result.check,
        way: match[1] as 'up' | 'down',
        share: Number(match[2]),
        place: match[3] as Place,
        errorPercent: (100 * error) / Math.abs(span),
        pass: result.pass,
      },
    ];
  });
  const latest = new Map(rows.map((row) => [row.check, row]));
  const points = [...latest.values()];
  const both = points.flatMap((row) => {
    const other = row.way === 'up' ? latest.get(row.check.replace('.up', '.down')) : undefined;
    return other ? [Math.abs(row.errorPercent - other.errorPercent)] : [];
  });
  const repeats = [...latest.keys()].flatMap((check) => {
    const errors = rows.filter((row) => row.check === check).map(({ errorPercent }) => errorPercent);
    return errors.length > 1 ? [Math.max(...errors) - Math.min(...errors)] : [];
  });
  return {
    points: points.map(({ check: _, ...row }) => row),
    ...(both.length && { hysteresisPercent: Math.max(...both) }),
    ...(repeats.length && { repeatabilityPercent: Math.max(...repeats) }),
  };
}
