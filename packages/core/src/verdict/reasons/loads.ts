import { SIGNALS } from '../../catalog/index.ts';
import { nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { formatVolts } from '../../units/index.ts';
import { givenQuantity } from '../../analysis/index.ts';
import type { Analysis, LoadReading, PointState } from '../../analysis/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Loads and listening devices that are not on when they are to be, or not off. */
export function loadReasons(analysis: Analysis): Reason[] {
  const { context, shown } = analysis;
  const [burnt, other] = givenReasons(analysis);
  if (burnt) return [burnt];
  const unmetOnes = (shown[0]?.loads ?? []).flatMap((_, i) => {
    const rows = shown.map((state) => ({ state, reading: nth(state.loads, i) }));
    const wrong = rows.find(({ state, reading }) => reading.on !== wanted(state, reading));
    if (wrong) return [unmet(wrong.state, wrong.reading)];
    const edge = rows.find(({ reading }) => unsure(reading));
    return edge && context.point ? [atEdge(edge.reading)] : [];
  });
  return other && !unmetOnes.some(({ weight }) => weight === 'cannot') ? [other] : unmetOnes;
}

/** So far above the top of its signal an input takes no more, and so far beside its ends it means something else. */
const TOO_MUCH = 1.25;
const BESIDE = 0.05;

/** A device that gets more than its signal can be, or another signal than the output was told to give. */
function givenReasons({
  context,
  shown,
}: Analysis): readonly [burnt?: Reason | undefined, other?: Reason | undefined] {
  const quantity = givenQuantity(context);
  const { signal } = context.output;
  if (!quantity || !signal) return [];
  const { unit, low, high } = SIGNALS[signal];
  const { tag: device } = context.device;
  const rows = shown.map(({ present, solution, situation }) => ({
    when: situation.words,
    gets:
      quantity.kind === 'volts'
        ? solution.volts(quantity.a) - solution.volts(quantity.b)
        : solution.amps(quantity.element) * 1000,
    meant: present ? high : low,
  }));
  const burnt = rows.find(({ gets }) => Math.abs(gets) > TOO_MUCH * high);
  const other = rows.find(({ gets, meant }) => Math.abs(gets - meant) > BESIDE * (high - low));
  return [
    burnt && cannot('over-current', say('reason.given-too-much', { device, unit, signal, ...burnt })),
    other && cannot('signal-reading', say('reason.given-other', { device, unit, ...other })),
  ];
}

/** Whether a load is to be on in a state. */
export function wanted({ present }: PointState, { expected }: LoadReading): boolean {
  return expected.on === 'always' || (expected.on === 'present') === present;
}

function unsure({ on, volts, onVolts, offVolts, either }: LoadReading): boolean {
  const [low, high] = either && volts.nom < 0 ? [-volts.max, -volts.min] : [volts.min, volts.max];
  return on ? low < offVolts : high >= onVolts;
}

function unmet(state: PointState, reading: LoadReading): Reason {
  const { expected, volts, across } = reading;
  const { title, outputs } = expected.type;
  const when = state.situation.words;
  if (outputs.some(({ drivenBy }) => drivenBy === 'communication'))
    return cannot(
      'duty-unmet',
      expected.on === 'always'
        ? say('reason.duty-unmet.no-supply', {
            loadLabel: expected.label,
            volts: volts.nom,
            onVolts: reading.onVolts,
          })
        : say('reason.duty-unmet.line', {
            when,
            loadLabel: expected.label,
            voltsOf: voltsOf(volts.nom),
            wanted: wanted(state, reading),
            voltsOf2: voltsOf(reading.onVolts),
            voltsOf3: voltsOf(reading.offVolts),
          }),
    );
  return cannot(
    'duty-unmet',
    wanted(state, reading)
      ? say('reason.duty-unmet.stays-off', { when, loadLabel: expected.label, title, volts: across.nom })
      : say('reason.duty-unmet.stays-on', { when, loadLabel: expected.label, title, volts: across.nom }),
  );
}

const voltsOf = (volts: number): string =>
  Math.abs(volts) < 1 ? `${Math.round(volts * 1000)}\u00a0mV` : formatVolts(volts);

function atEdge({ expected, across, on }: LoadReading): Reason {
  return doubtful(
    'duty-edge',
    say('reason.duty-edge', { loadLabel: expected.label, on, min: across.min, max: across.max }),
  );
}
