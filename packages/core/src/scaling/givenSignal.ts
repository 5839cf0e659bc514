import { SIGNALS } from '../catalog/index.ts';
import type { SignalKind } from '../catalog/index.ts';
import { givenQuantity } from '../analysis/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { solvedOnce } from '../circuit/index.ts';
import type { Quantity, Span } from '../circuit/index.ts';
import { oncePer, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { Scaling } from '../model/index.ts';
import type { RawFormat } from '../model/index.ts';
import { assemble } from '../network/index.ts';
import { straight } from '../sensing/index.ts';
import { effective, effectiveRange } from './effective.ts';
import { countsOf, findRawFormat } from './rawFormats.ts';

/** One value that the program gives, and what becomes of it on its way. */
interface GivenRow {
  /** Share of the program's range, %. */
  readonly share: number;
  /** What the program writes, in the point's unit, and the counts of it. */
  readonly value: number;
  readonly counts: number;
  /** What the output is to give, mA or V. */
  readonly given: number;
  /** What the device gets, mA or V, from the solved circuit with its tolerances. */
  readonly gets: Span;
  /** What the device makes of it, in the point's unit. */
  readonly makes: number;
}

/** The way of a value out of a controller: to an indicator, to the set-point of a drive. */
export interface GivenSignal {
  readonly unit: 'mA' | 'V' | 'mV';
  /** Unit of the value: Hz of a drive. */
  readonly of: string;
  readonly format: RawFormat;
  readonly output: string;
  readonly device: string;
  readonly rows: readonly GivenRow[];
  /** What is taken for granted, and where the device makes something else of a value than the program meant. */
  readonly notes: readonly Message[];
  readonly otherwise?: Message;
}

const SHARES = [0, 25, 50, 75, 100];

/** More than this beside what the program wrote, % of the range, is told. */
const TOLD = 0.5;

/**
 * What a device on an analog output makes of each value that the program writes. The circuit is solved with the output
 * at each, so that a burden that is too large, or a switch that stands wrong, shows.
 * @returns nothing for a point that takes no signal; a problem while something is not known yet.
 */
export const givenSignal = oncePer(makeGiven);

function makeGiven(analysis: Analysis): GivenSignal | { readonly problem: Message } | undefined {
  const { context } = analysis;
  const { point, device, output, index } = context;
  const quantity = givenQuantity(context);
  if (!quantity || !output.signal) return undefined;
  const own = context.ports.find(({ port }) => port.kind === 'output' && port.drives === 'analog');
  if (!own) return { problem: say('scaling.no-analog-output', { point: point.tag }) };
  if (!point.range) return { problem: say('scaling.range-yet-give-such', { point: point.tag }) };
  const { unit: of } = point.range;
  const channel = effectiveRange(index, own.module.id, of, `${own.port.name}.`) ?? point.range;
  const display = effectiveRange(index, device.id, of) ?? point.range;
  const kind = (own.settings[`${own.port.name}.signal`] ?? output.signal) as SignalKind;
  const gives = SIGNALS[kind];
  const takes = SIGNALS[output.signal];
  const scaling = point.scaling ?? Scaling.parse({});
  const { zero, formatId, own: ownFormat } = scaling.converter;
  const format = ownFormat ?? findRawFormat(formatId) ?? sure(findRawFormat('27648'));
  const value = straight(0, channel.low, 100, channel.high);
  const signal = straight(0, gives.low, 100, gives.high);
  const shown = straight(takes.low, display.low, takes.high, display.high);
  const rows = SHARES.map((share): GivenRow => {
    const gets = getsAt(analysis, own.module.id, share / 100, quantity);
    return {
      share,
      value: value.at(share),
      counts: countsOf(format, { low: gives.low, high: gives.high, zero }, signal.at(share)).counts,
      given: signal.at(share),
      gets,
      makes: shown.at(gets.nom),
    };
  });
  const notes = [
    ...(effective(index, device.id, 'high')?.assumed
      ? [say('scaling.nobody-looked-range-yet', { device: device.tag })]
      : []),
  ];
  const otherwise = differenceIn(rows, device.tag, of, Math.abs(channel.high - channel.low));
  return {
    ...(otherwise && { otherwise }),
    unit: takes.unit,
    of,
    format,
    output: `${own.module.tag} ${own.port.label}`,
    device: device.tag,
    rows,
    notes,
  };
}

/** What arrives at the device with an output of a module at a share of its range, mA or V. */
function getsAt(
  { context: { index, scope }, away }: Analysis,
  moduleId: string,
  share: number,
  quantity: Quantity,
): Span {
  const { held } = away.solution;
  const netlist = assemble(index, scope, { present: new Set(), levels: new Map([[moduleId, share]]), held });
  const [{ nom, min, max }] = solvedOnce(netlist, [quantity], 'bands').bands as [Span];
  const times = quantity.kind === 'amps' ? 1000 : 1;
  return { nom: nom * times, min: min * times, max: max * times };
}

/** Where the device makes something else of a value than the program meant, the worst alone. */
function differenceIn(
  rows: readonly GivenRow[],
  device: string,
  unit: string,
  span: number,
): Message | undefined {
  const [worst] = [...rows].sort((a, b) => Math.abs(b.makes - b.value) - Math.abs(a.makes - a.value));
  return worst && Math.abs(worst.makes - worst.value) > (TOLD / 100) * span
    ? say('scaling.makes-otherwise', { device, value: worst.value, makes: worst.makes, unit })
    : undefined;
}
