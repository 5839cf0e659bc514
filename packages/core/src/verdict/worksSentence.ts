import { SIGNALS } from '../catalog/index.ts';
import { fixed, formatMilliamps, formatVolts } from '../units/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { PointContext } from '../network/index.ts';
import { elementId, commonWords } from '../network/index.ts';
import { safetyTarget, loopBudget } from '../analysis/index.ts';
import { lowerFirst, railWords } from '../job/index.ts';

/** Why a point works, in terms of current and common. */
export function worksSentence(analysis: Analysis): string {
  const { context } = analysis;
  const { drivenBy } = context.output;
  if (drivenBy === 'guard') return guardWorks(analysis);
  if (relayOf(context)) return relayWorks(analysis);
  if (drivenBy === 'value' && context.kind === 'none') return analogWorks(analysis);
  if (drivenBy === 'command') return loadWorks(analysis);
  if (drivenBy === 'communication') return talkWorks(context);
  return switchWorks(analysis);
}

function switchWorks({ context, present, away }: Analysis): string {
  const { port, supply } = context;
  const rail = context.rail ?? port?.inside?.rail;
  const volts = port?.inside?.volts ?? supply.volts;
  const common = lowerFirst(commonWords(context));
  const where = rail ? railWords(rail, volts) : 'no rail';
  const input = rail === '-' ? 'the input takes the current in' : 'the input gives the current';
  const on = present.lamp === 'on' ? present : away;
  const turned = !on.outputOn ? ' Mind: the input is on while the sensor’s output is off.' : '';
  const plus = railWords('+', volts);
  switch (context.kind) {
    case 'contact':
    case 'none':
      return `Works. The contact brings ${rail === '-' ? plus : railWords('-', volts)} to the input; ${common} sits on ${where}, and ${input}.${turned}`;
    case 'twowire': {
      if (context.output.needsAmplifier) return namurWorks(context);
      const leak = formatMilliamps(Math.abs((on === present ? away : present).inputAmps?.nom ?? 0));
      return `Works. The sensor is in series with the input; ${common} sits on ${where}. While it is off ${leak} still flow, too little to be taken for on.`;
    }
    case 'pnp':
      return `Works. The sensor pulls the input up to ${plus}, so ${common} sits on ${where} and ${input}.${turned}`;
    case 'npn':
      return `Works. The sensor pulls the input to 0 V, so ${common} sits on ${where} and ${input}.${turned}`;
    case 'pushpull':
      return `Works. The output drives both ways; with ${common} on ${where}, ${input} while it is ${rail === '-' ? 'high' : 'low'}.${turned}`;
  }
}

function namurWorks({ index, helpers, device }: PointContext): string {
  const amplifier = helpers.find((helper) => index.deviceType(helper).description.amplifier);
  return `Works. ${amplifier?.tag ?? 'The amplifier'} sees much or little current through ${device.tag} and passes it on by its contact; a break and a short are told apart.`;
}

/** The interposing relay among a point's further parts. */
const relayOf = ({ index, helpers }: PointContext) =>
  helpers.find(
    (helper) =>
      index.deviceType(helper).coil && index.deviceType(helper).contacts && !index.deviceType(helper).load,
  );

function relayWorks({ context, shown }: Analysis): string {
  const relay = relayOf(context);
  if (!relay) return 'Works.';
  const on = shown.find(({ solution }) => solution.active(elementId(relay.id, 'coil')));
  const volts = on ? formatVolts(Math.abs(on.coils.get(relay.id)?.nom ?? 0)) : '';
  const loads = new Set(shown[0]?.duties.map(({ duty }) => duty.label));
  const follow = loads.size
    ? ` ${[...loads].join(', ')} ${loads.size === 1 ? 'follows' : 'follow'} as planned.`
    : '';
  return `Works. ${on?.situation.words ?? ''}: ${relay.tag} is in, with ${volts} at its coil; otherwise it is out.${follow}`;
}

function analogWorks(analysis: Analysis): string {
  const { context, present } = analysis;
  const reading = present.measured[0];
  const budget = loopBudget(analysis);
  const where = reading ? `${reading.own.module.tag} ${reading.own.port.label}` : 'The input';
  if (budget)
    return `Works. ${where} reads the loop’s current through ${reading?.own.port.burdenOhms ?? 0} Ω; at the top ${formatVolts(budget.left.nom)} are left for ${context.device.tag}, which needs ${formatVolts(budget.needs)}.`;
  const { signal } = context.output;
  const given = signal ? `the signal of ${signal}` : `the ${context.type.title}`;
  return `Works. ${where} reads ${given}: ${reading ? `${fixed(reading.value.nom, SIGNALS[signal ?? '0-10 V'].unit === 'V' ? 2 : 1)} ${reading.unit}` : ''} at the top of the range.`;
}

function loadWorks({ context, present }: Analysis): string {
  const duty = present.duties.find((reading) => reading.duty.on === 'present');
  return `Works. ${context.module?.tag ?? ''} ${context.port?.label ?? ''} switches ${context.device.tag}: ${formatVolts(Math.abs(duty?.volts.nom ?? 0))} across it while on.`;
}

function talkWorks({ device, module, port }: PointContext): string {
  return `Works. ${device.tag} has its supply and hears ${module?.tag ?? ''} ${port?.label ?? ''} both ways.`;
}

function guardWorks(analysis: Analysis): string {
  const target = safetyTarget(analysis.context);
  return `Wired as meant. Each channel of ${analysis.context.device.tag} alone takes ${target?.module.tag ?? ''} off.`;
}
