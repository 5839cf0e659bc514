import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { elementOf } from '../network/index.ts';
import { refuse, unlessRefused } from '../model/index.ts';
import type { Scaling } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import {
  COLD_JUNCTION,
  checkTable,
  ohmsPerKelvin,
  seebeck,
  thermocoupleTolerance,
  thermometerElement,
  thermometerTolerance,
} from '../sensing/index.ts';
import { countedOf, displayHalf, engineeringOf } from './chain.ts';
import type { SignalChain } from './chain.ts';
import { loopShares } from './loopCurve.ts';
import type { PointChain } from './pointChainTypes.ts';
import { countsPulses } from './pulseChain.ts';
import { resolutionOf } from './rawFormats.ts';
import type { ThermometerClass } from '../sensing/index.ts';
import { convert } from '../units/index.ts';

/** One cause of error: ± so much of the value, in its unit. */
export interface Contribution {
  readonly key:
    | 'sensor'
    | 'cold'
    | 'transmitter'
    | 'burden'
    | 'wiring'
    | 'leads'
    | 'converter'
    | 'scaling'
    | 'linearisation'
    | 'display';
  readonly label: Text;
  /** From what it follows. */
  readonly from: Text;
  readonly plusMinus: number;
}

/** All causes together. */
export interface ErrorBudget {
  readonly unit: string;
  readonly span: number;
  /** The largest first. */
  readonly contributions: readonly Contribution[];
  /** All at their worst at once, and as the root of the sum of their squares. */
  readonly worst: number;
  readonly rootSumSquare: number;
  /** Both in % of span. */
  readonly worstPercent: number;
  readonly rootSumSquarePercent: number;
  readonly largest: Contribution | undefined;
}

/**
 * Adds causes up: worst case Σ|e|, and √Σe², which holds where they do not depend on each other.
 * @throws JobProblem for a span of zero or an error that is no number.
 */
export function addUp(contributions: readonly Contribution[], unit: string, span: number): ErrorBudget {
  if (!(Math.abs(span) > 0)) refuse(say('scaling.error-span-needs-span'));
  const wrong = contributions.find(({ plusMinus }) => !Number.isFinite(plusMinus) || plusMinus < 0);
  if (wrong) refuse(say('scaling.error-0-more', { wrongLabel: wrong.label }));
  const sorted = [...contributions]
    .filter(({ plusMinus }) => plusMinus > 1e-5 * Math.abs(span))
    .sort((a, b) => b.plusMinus - a.plusMinus);
  const worst = sorted.reduce((sum, { plusMinus }) => sum + plusMinus, 0);
  const rootSumSquare = Math.hypot(...sorted.map(({ plusMinus }) => plusMinus));
  const inPercent = (error: number): number => (100 * error) / Math.abs(span);
  return {
    unit,
    span: Math.abs(span),
    contributions: sorted,
    worst,
    rootSumSquare,
    worstPercent: inPercent(worst),
    rootSumSquarePercent: inPercent(rootSumSquare),
    largest: sorted[0],
  };
}

/** Accuracy of a sensor about which nothing was said, % of span. */
const USUAL_SENSOR_PERCENT = 0.5;

/** The error budget of a point at one value: every cause brought to the value's unit through what follows it. */
export function budgetAt(analysis: Analysis, made: PointChain, value: number): ErrorBudget {
  if (countsPulses(analysis)) return withoutLoop(analysis, made, value, pulseCause(made));
  if (made.data) return withoutLoop(analysis, made, value, stepCause(made));
  const { chain, sensed, own } = made;
  const signal = chain.sensor.curve.at(value);
  const perInput = slopeAt(chain, chain.loop.at(signal).nom);
  const shares = loopShares(analysis, sensed.levelOf(signal), own);
  const isElement = analysis.context.output.signal === undefined;
  const ideal = idealInput(chain, signal);
  const seen = chain.loop.at(signal).nom;
  return addUp(
    [
      ...sensorCauses(analysis, made, value),
      {
        key: 'transmitter',
        label: 'Transmitter',
        from: say('scaling.tolerance-output-solved'),
        plusMinus: isElement ? 0 : Math.abs(shares.transmitter * perInput),
      },
      {
        key: 'burden',
        label: 'Burden',
        from: say('scaling.input-resistor-solved', { inputLabel: chain.input.label }),
        plusMinus: Math.abs(shares.burden * perInput),
      },
      {
        key: 'wiring',
        label: say('scaling.wires-supply'),
        from: analysis.context.helpers.length
          ? say('scaling.cable-supply-helpers')
          : say('scaling.cable-supply'),
        plusMinus: Math.abs(shares.wiring * perInput),
      },
      {
        key: 'leads',
        label: isElement ? say('scaling.lead-resistance') : say('scaling.signal-against-what-read'),
        from: say('scaling.what-input-sees-less'),
        plusMinus: Math.abs((seen - ideal) * perInput),
      },
      converterCause(made, perInput),
      mismatchCause(made, value),
      displayCause(chain),
    ],
    chain.sensor.unit,
    chain.sensor.high - chain.sensor.low,
  );
}

/** Pulses and data bring no error of a loop: what is left is the sensor, one step, unequal lines, the screen. */
const withoutLoop = (
  analysis: Analysis,
  made: PointChain,
  value: number,
  counting: Contribution,
): ErrorBudget =>
  addUp(
    [...sensorCauses(analysis, made, value), counting, mismatchCause(made, value), displayCause(made.chain)],
    made.chain.sensor.unit,
    made.chain.sensor.high - made.chain.sensor.low,
  );

const pulseCause = ({ chain }: PointChain): Contribution => ({
  key: 'converter',
  label: 'Counter',
  from: say('scaling.pulse-more-less-gate'),
  plusMinus: Math.abs(engineeringOf(chain, 1) - engineeringOf(chain, 0)),
});

/** Half of what its raw number tells apart. */
const stepCause = ({ chain }: PointChain): Contribution => {
  const { low, step } = chain.converter.format;
  return {
    key: 'converter',
    label: say('scaling.step-of-raw'),
    from: say('scaling.half-a-raw-number'),
    plusMinus: Math.abs(engineeringOf(chain, low + step) - engineeringOf(chain, low)) / 2,
  };
};

/** Value in the program for each unit that the input sees more. */
function slopeAt({ converter, controller }: SignalChain, input: number): number {
  const h = 1e-4 * Math.max(Math.abs(input), 1);
  const at = (x: number): number => controller.curve.at(converter.curve.at(x));
  const slope = (at(input + h) - at(input - h)) / (2 * h);
  return Number.isFinite(slope) ? slope : 0;
}

/**
 * What an input of the right kind would see of a signal without any lead or loss. Where it measures something else
 * than the sensor gives, the signal as it is seen.
 */
const idealInput = ({ sensor, input, loop }: SignalChain, signal: number): number =>
  sensor.signal.unit === input.unit ? signal : loop.at(signal).nom;

function sensorCauses({ context }: Analysis, { chain, scaling }: PointChain, value: number): Contribution[] {
  const { unit, low, high } = chain.sensor;
  const celsius = convert(value, unit, '°C') ?? value;
  const perKelvin = unit === '°F' ? 1.8 : 1;
  const { class: name, percent } = scaling.sensor;
  if (context.output.thermocouple) {
    const { letter } = context.output.thermocouple;
    const chosen = name === '1' || name === '3' ? (Number(name) as 1 | 3) : 2;
    const tolerance = thermocoupleTolerance(letter, chosen, celsius);
    return [
      {
        key: 'sensor',
        label: 'Sensor',
        from: say('scaling.type-class-iec-60584', { letter, chosen, holds: tolerance?.holds }),
        plusMinus: (tolerance?.kelvin ?? 0) * perKelvin,
      },
      {
        key: 'cold',
        label: say('scaling.cold-junction'),
        from: say('scaling.k-terminals', { coldKelvin: scaling.converter.coldKelvin }),
        plusMinus:
          (scaling.converter.coldKelvin * perKelvin * seebeck(letter, COLD_JUNCTION)) /
          seebeck(letter, celsius),
      },
    ];
  }
  const resistance = elementOf(context);
  if (resistance?.kind === 'rtd') {
    const element = thermometerElement(resistance.name ?? 'Pt100');
    const chosen = (
      element.metal === 'Ni' ? 'Ni' : name && name in { AA: 1, A: 1, B: 1, C: 1 } ? name : 'B'
    ) as ThermometerClass;
    const { kelvin, holds } = thermometerTolerance(chosen, celsius);
    return [
      {
        key: 'sensor',
        label: 'Sensor',
        from: say('scaling.element-class', {
          metal: element.metal,
          chosen,
          holds,
          slope: ohmsPerKelvin(element, celsius),
        }),
        plusMinus: kelvin * perKelvin,
      },
    ];
  }
  return [
    {
      key: 'sensor',
      label: 'Sensor',
      from:
        percent === undefined
          ? say('scaling.span-taken-nobody-said', { usualSensorPercent: USUAL_SENSOR_PERCENT })
          : say('scaling.of-span', { percent }),
      plusMinus: ((percent ?? USUAL_SENSOR_PERCENT) / 100) * Math.abs(high - low),
    },
  ];
}

/** Accuracy of the converter in % of its range, and half of what it tells apart. */
function converterCause({ chain, scaling }: PointChain, perInput: number): Contribution {
  const { format, range } = chain.converter;
  const { percent } = scaling.converter;
  const { controller } = chain;
  const isTemperature = chain.converter.unit !== chain.input.unit;
  const half = resolutionOf(format, range) / 2;
  const span = isTemperature ? Math.abs(controller.high - controller.low) : Math.abs(range.high - range.low);
  const factor = isTemperature ? 1 : Math.abs(perInput);
  return {
    key: 'converter',
    label: 'Converter',
    from: say('scaling.range-half-count', { percent }),
    plusMinus: ((percent / 100) * span + half) * factor,
  };
}

/** By how much sensor and program are apart at a value, with an ideal loop between them. */
function apartAt({ sensor, converter, controller, input }: SignalChain, value: number): number {
  if (sensor.signal.unit !== input.unit) return 0;
  const ideal = unlessRefused(() => controller.curve.at(converter.curve.at(sensor.curve.at(value))));
  return ideal !== undefined && Number.isFinite(ideal) ? ideal - value : 0;
}

/** Below this share of the largest difference its middle is no bend: the ends or a factor differ, not the curve. */
const BENT = 0.05;

/** Whether sensor and program differ by a straight line: by a range or a multiplier, not by a curve. */
function isStraightApart(chain: SignalChain): boolean {
  const { low, high } = chain.sensor;
  const [bottom, middle, top] = [low, (low + high) / 2, high].map((value) => apartAt(chain, value)) as [
    number,
    number,
    number,
  ];
  const most = Math.max(...[bottom, middle, top].map(Math.abs));
  return Math.abs(middle - (bottom + top) / 2) < BENT * most;
}

/** What sensor and program make of the same value: other ranges or multipliers, or straight lines for a curve. */
function mismatchCause({ chain, tables, scaling }: PointChain, value: number): Contribution {
  const apart = Math.abs(apartAt(chain, value));
  const sag =
    scaling.controller.shape === 'table' && tables.points.length > 2
      ? checkTable(tables.points).sag * scaling.controller.multiplier
      : 0;
  if (sag === 0 && isStraightApart(chain))
    return {
      key: 'scaling',
      label: say('scaling.ranges-and-multipliers'),
      from: differenceText(chain, scaling),
      plusMinus: apart,
    };
  return {
    key: 'linearisation',
    label: say('scaling.linearisation'),
    from:
      sag > 0
        ? say('scaling.straight-pieces-between-points')
        : (rangesText(chain) ?? say('scaling.sensor-program-follow-different')),
    plusMinus: apart + sag,
  };
}

/** The ranges of sensor and program, where they differ. */
function rangesText({ sensor, controller }: SignalChain): Text | undefined {
  if (sensor.low === controller.low && sensor.high === controller.high) return undefined;
  return say('scaling.has-to-to', {
    sensorLabel: sensor.label,
    low: sensor.low,
    high: sensor.high,
    controllerLabel: controller.label,
    low2: controller.low,
    high2: controller.high,
    unit: sensor.unit,
  });
}

/** In what sensor and program differ, where no curve does. */
function differenceText(chain: SignalChain, { sensor: s, controller: c }: Scaling): Text {
  const { sensor, controller } = chain;
  if (s.multiplier !== c.multiplier)
    return say('scaling.multiplied-by', {
      sensorLabel: sensor.label,
      times: s.multiplier,
      controllerLabel: controller.label,
      times2: c.multiplier,
    });
  return rangesText(chain) ?? say('scaling.same-range');
}

const displayCause = (chain: SignalChain): Contribution => ({
  key: 'display',
  label: say('scaling.display-rounding'),
  from: say('scaling.half-last-place-decimals', { decimals: chain.display.decimals }),
  plusMinus: displayHalf(chain),
});

/** What the program makes of a value, for short. */
export const readAt = (chain: SignalChain, value: number): number =>
  engineeringOf(chain, countedOf(chain, chain.loop.at(chain.sensor.curve.at(value)).nom).counts);
