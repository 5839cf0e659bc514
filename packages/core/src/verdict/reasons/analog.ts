import { lastOf, nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { signalAt, switchedTo } from '../../catalog/index.ts';
import type { DeviceOutput } from '../../catalog/index.ts';
import { refText } from '../../job/index.ts';
import { elementOf } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { fixed } from '../../units/index.ts';
import type { Analysis, AnalogReading, PointState } from '../../analysis/index.ts';
import { loopBudget } from '../../analysis/index.ts';
import { elementSideReasons } from './elementSide.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Shares of the range by which a reading may be off before it is doubtful, and before it is useless. */
const DOUBTFUL = 0.015;
const USELESS = 0.05;

/** Why an analog input does not read what the device measures. */
export function analogReasons(analysis: Analysis): Reason[] {
  const { context, shown } = analysis;
  const element = elementSideReasons(analysis);
  if (element.length) return element;
  const loop = loopReasons(analysis);
  if (loop.some(({ weight }) => weight === 'cannot')) return loop;
  const reasons = (shown[0]?.measured ?? []).flatMap((_, i) => {
    const rows = shown.map((state) => ({ state, reading: nth(state.measured, i) }));
    if (elementOf(context) && nth(rows, 0).reading.unit === 'Ω') return resistanceReasons(analysis, rows);
    return signalReasons(context, rows);
  });
  return [...loop, ...reasons];
}

/** Ohms of a resistance element at a share of its range. */
const ohmsAt = ({ lowOhms, highOhms }: { lowOhms: number; highOhms: number }, level: number): number =>
  lowOhms + level * (highOhms - lowOhms);

type Row = { readonly state: PointState; readonly reading: AnalogReading };

/** Level of the circuit that a reading tells of. */
function levelOf(context: PointContext, { unit, value, share }: AnalogReading): number | undefined {
  if (share) return share.nom;
  const element = elementOf(context);
  if (unit === 'Ω' && element) return (value.nom - element.lowOhms) / (element.highOhms - element.lowOhms);
  const { thermocouple } = context.output;
  return unit === 'mV' && thermocouple ? value.nom / thermocouple.millivolts : undefined;
}

/** Levels as shares of what lies between the levels of the range's two ends. */
function sharesOf(rows: readonly Row[]): (level: number) => number {
  const [low, high] = [nth(rows, 0), lastOf(rows)].map(({ state }) => state.situation.level) as [
    number,
    number,
  ];
  return (level) => (level - low) / (high - low || 1);
}

function signalReasons(context: PointContext, rows: readonly Row[]): Reason[] {
  const shareOf = sharesOf(rows);
  const offs = rows.map(({ state, reading }) => {
    const level = levelOf(context, reading);
    const share = level === undefined ? undefined : shareOf(level);
    return { state, reading, share, off: (share ?? Infinity) - shareOf(state.situation.level) };
  });
  const worst = offs.reduce((a, b) => (Math.abs(b.off) > Math.abs(a.off) ? b : a));
  if (Math.abs(worst.off) <= DOUBTFUL) return [];
  const clash = clashText(context.output, worst.reading);
  const reads = readsText(context, worst);
  // What was set otherwise is the cause; what follows from it comes after, and only where it can be a reading at all.
  const sentence = clash
    ? say('text.sentences', { parts: [clash, isPlausible(worst.share) ? reads : ''] })
    : reads;
  return [
    Math.abs(worst.off) > USELESS
      ? cannot(clash ? 'signal-switch' : 'signal-reading', sentence)
      : doubtful(clash ? 'signal-switch' : 'signal-reading', sentence),
  ];
}

/** Shares of a range beyond which a number is no reading of it any more. */
const isPlausible = (share: number | undefined): boolean =>
  share !== undefined && share >= -0.05 && share <= 1.2;

/** What an input makes of the value; beside its range it gets no number, since nothing of that kind is measured. */
function readsText(
  { device }: PointContext,
  { state, reading, share }: Row & { readonly share: number | undefined },
): Message {
  const { own, value, unit } = reading;
  const at = { level: state.situation.share, module: own.module.tag, portLabel: own.port.label };
  return isPlausible(share)
    ? say('reason.signal-reading.value', {
        ...at,
        share: `${fixed((share ?? 0) * 100, 1)} %`,
        nom: value.nom,
        unit,
      })
    : say('reason.signal-reading.beyond', { ...at, device: device.tag });
}

/** What of signal, switch and range parameter do not agree. */
function clashText(output: DeviceOutput, { own }: AnalogReading): Message | undefined {
  const { signal } = output;
  const { port, settings } = own;
  if (!signal || !port.rangeKey || !port.switchKey) return undefined;
  const [at, range] = [settings[port.switchKey], settings[port.rangeKey]];
  if (switchedTo(signal) === at && signal === range) return undefined;
  return say('reason.signal-switch', { signal, at, range });
}

/** Where a loop without current is open: the terminals of it on which nothing is landed, if there are any. */
function openLoop({ context, present }: Analysis): Message {
  const { index, device, type } = context;
  const own = present.measured[0]?.own;
  const ends = [
    ...type.terminals
      .filter(({ role }) => role === 'loopPlus' || role === 'loopMinus')
      .map(({ name }) => `${device.id}:${name}`),
    ...(own && !own.port.inside
      ? [`${own.module.id}:${own.port.terminal}`, `${own.module.id}:${own.port.common}`]
      : []),
  ].filter((ref) => !index.wiresAt(ref).length);
  return ends.length
    ? say('reason.loop-open.nothing-on', { device: device.tag, ends: ends.map((ref) => refText(index, ref)) })
    : say('reason.loop-open.no-current', { device: device.tag });
}

function loopReasons(analysis: Analysis): Reason[] {
  const { context, present, shown } = analysis;
  const budget = loopBudget(analysis);
  if (!budget) return [];
  const top = signalAt(context.output.signal ?? '4-20 mA', present.situation.level) / 1000;
  const id = `${context.device.id}/signal`;
  const amps = present.solution.amps(id);
  const clash = present.measured.some((reading) => clashText(context.output, reading) !== undefined);
  if (shown.every(({ solution }) => solution.amps(id) < 0.001))
    return clash ? [] : [cannot('loop-open', openLoop(analysis))];
  const left = say('reason.loop-left', {
    left: budget.left.nom,
    device: context.device.tag,
    top,
    needs: budget.needs,
  });
  if (amps < top * 0.995) return [cannot('loop-volts', say('reason.loop-volts', { amps, left }))];
  const reasons: Reason[] = [];
  if (budget.margin < 0)
    reasons.push(
      doubtful(
        'loop-volts',
        say('reason.loop-volts.at-edge', {
          min: budget.left.min,
          device: context.device.tag,
          needs: budget.needs,
        }),
      ),
    );
  const { digitalOhms } = context.output;
  if (digitalOhms !== undefined && budget.ohms < digitalOhms * 0.98)
    reasons.push(doubtful('loop-ohms', say('reason.loop-ohms', { ohms: budget.ohms, digitalOhms })));
  return reasons;
}

function resistanceReasons({ context }: Analysis, rows: readonly Row[]): Reason[] {
  const element = elementOf(context);
  if (!element) return [];
  const [first] = rows;
  const { own } = sure(first).reading;
  const sense = ['s+', 's-'].map((end) => `${own.module.id}:${own.port.name}${end}`);
  const wires = own.settings[own.port.wiresKey ?? ''] ?? '2';
  const needed = wires === '4' ? sense : wires === '3' ? [nth(sense, 1)] : [];
  const loose = needed.find((node) => context.index.wiresAt(node).length === 0);
  if (loose)
    return [
      cannot(
        'sense-open',
        say('reason.sense-open', {
          module: own.module.tag,
          portLabel: own.port.label,
          wires,
          split: loose.split(':')[1],
        }),
      ),
    ];
  const off = rows.map(({ state, reading }) => reading.value.nom - ohmsAt(element, state.situation.level));
  const worst = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  const share = Math.abs(worst / (element.highOhms - element.lowOhms));
  const words = say('reason.lead-reading', { module: own.module.tag, portLabel: own.port.label, worst });
  if (share > 0.2)
    return [
      cannot(
        'signal-reading',
        say('reason.signal-reading', {
          module: own.module.tag,
          portLabel: own.port.label,
          device: context.device.tag,
        }),
      ),
    ];
  if (element.kind !== 'rtd')
    return share > DOUBTFUL ? [doubtful('lead-error', say('reason.lead-error', { words }))] : [];
  const kelvin = Math.abs(worst) / sure(element.perUnit);
  // Class B of IEC 60751 at 0 °C.
  return kelvin > 0.3 ? [doubtful('lead-error', say('reason.lead-error.kelvin', { words, kelvin }))] : [];
}
