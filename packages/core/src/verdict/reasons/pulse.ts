import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { resistanceBetween } from '../../circuit/index.ts';
import { hertzPerUnit } from '../../sensing/index.ts';
import { fixed } from '../../units/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { presentValues } from '../../job/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Capacitance of ordinary screened signal cable, F/m. */
const CABLE_FARADS = 150e-12;
/** A pulse's edge may take this share of the time that the signal stays at one level. */
const EDGE_SHARE = 0.2;

/** What stops a pulse output from being counted. */
export function pulseReasons(analysis: Analysis): Reason[] {
  const { context, present } = analysis;
  if (context.output.drivenBy !== 'pulses') return [];
  const stage = stageReason(analysis);
  if (stage) return [stage];
  const { port } = context;
  const level = passiveLevel(analysis);
  if (level) return [level];
  const hertz = fullHertz(context);
  if (port?.kind !== 'digital' || hertz === undefined) return [];
  const reasons: Reason[] = [];
  if (port.counter && (hertz > port.counter.maxHertz || 0.5 / hertz < port.counter.minPulse))
    reasons.push(
      cannot(
        'pulse-speed',
        say('reason.pulse-speed', { hertz, portLabel: port.label, maxHertz: port.counter.maxHertz }),
      ),
    );
  if (!port.counter && hertz > 20)
    reasons.push(cannot('pulse-speed', say('reason.pulse-speed.plain-input', { hertz })));
  // What drives both ways leaves no edge to a resistor.
  if (context.kind === 'pushpull' || context.output.rule === 'pair') return reasons;
  const node = `${sure(context.module).id}:${port.terminal}`;
  const ohms = resistanceBetween(present.netlist, node, present.netlist.reference, 'inner');
  const metres = context.scope.wires.reduce((max, { lengthM }) => Math.max(max, lengthM), 0);
  // From 10 % to 90 % a capacitor takes 2.2 time constants.
  const edge = 2.2 * ohms * CABLE_FARADS * metres;
  if (edge > EDGE_SHARE * (0.5 / hertz))
    reasons.push(doubtful('pulse-speed', say('reason.pulse-speed.cable', { metres, edge, hertz })));
  return reasons;
}

/** Pulses a second at the top of the range, by the volume of a pulse that was set or the pulses of a turn. */
function fullHertz({ point, device, index }: Analysis['context']): number | undefined {
  const litres = Number(presentValues(index, device.id).values.get('pulseValue')?.value ?? NaN);
  const per = hertzPerUnit(point, litres);
  return point.range && per !== undefined ? point.range.high * per : undefined;
}

/** A passive output can only pull one way; something else must pull the other way far enough. */
function passiveLevel({ context, away, present }: Analysis): Reason | undefined {
  const { index, device, port, rail } = context;
  if (!context.output.passive || port?.kind !== 'digital' || rail !== '-') return undefined;
  if (away.led === 'on' || present.led === 'on') return undefined;
  const resistor = context.helpers.find((helper) => index.deviceType(helper).resistor);
  const volts = fixed(away.inputVolts?.nom ?? 0, 1);
  return cannot(
    'pulse-resistor',
    resistor
      ? say('reason.pulse-resistor.too-large', {
          resistor: resistor.tag,
          volts,
          portLabel: port.label,
          onVolts: port.thresholds.onVolts,
        })
      : say('reason.pulse-resistor.missing', { device: device.tag, portLabel: port.label, volts }),
  );
}

/** A lit display proves the supply of the electronics, not that of the output stage. */
function stageReason({ context, away }: Analysis): Reason | undefined {
  const { device, output } = context;
  const { stage } = output;
  if (!stage) return undefined;
  const at = (name: string): number => away.solution.volts(`${device.id}:${name}`);
  const volts = at(stage.plus) - at(stage.minus);
  if (volts >= stage.minVolts) return undefined;
  const [plus, minus] = [stage.plus, stage.minus.replace('-', '−')];
  return cannot(
    'no-supply',
    say('reason.no-supply.output-stage', { device: device.tag, volts, plus, minus }),
  );
}
