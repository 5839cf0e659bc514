import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import { formatFineVolts, formatMilliamps, formatVolts } from '../units/index.ts';
import type { Analysis, PointState } from '../analysis/index.ts';
import type { PointContext } from '../network/index.ts';
import { elementId, commonText } from '../network/index.ts';
import { safetyTarget, loopBudget } from '../analysis/index.ts';
import { commonRails, isReturn, railText } from '../job/index.ts';

/** Why a point works, in terms of current and common. */
export function worksSentence(analysis: Analysis): Message {
  const { context } = analysis;
  const { drivenBy } = context.output;
  if (drivenBy === 'guard') return guardWorks(analysis);
  if (relayOf(context)) return relayWorks(analysis);
  if (drivenBy === 'value' && context.kind === 'none') return analogWorks(analysis);
  if (drivenBy === 'command') return loadWorks(analysis);
  if (drivenBy === 'communication') return communicationWorks(context);
  if (!context.port && !context.output.needsAmplifier) return drivesItself(analysis);
  return switchWorks(analysis);
}

function switchWorks({ context, present, away }: Analysis): Message {
  if (context.output.rule === 'pair') return pairWorks(context, present, away);
  const { port, supply } = context;
  const rail = context.rail ?? port?.inside?.rail;
  const volts = port?.inside?.volts ?? supply.volts;
  const common = commonText(context);
  const where = rail ? railText(rail, volts) : say('verdict.no-rail');
  const input = isReturn(rail) ? say('verdict.input-takes') : say('verdict.input-gives');
  const on = present.led === 'on' ? present : away;
  const turned = !on.outputOn ? say('verdict.mind-inverted') : '';
  const [back, feed] = port ? commonRails(port) : (['-', '+'] as const);
  const plus = railText(feed, volts);
  switch (context.kind) {
    case 'contact':
    case 'none':
      return say('verdict.works.contact', {
        given: isReturn(rail) ? plus : railText(back, volts),
        common,
        where,
        input,
        turned,
      });
    case 'twowire': {
      if (context.output.needsAmplifier) return namurWorks(context);
      const leak = formatMilliamps(Math.abs((on === present ? away : present).inputAmps?.nom ?? 0));
      return say('verdict.works.two-wire', { common, where, leak });
    }
    case 'pnp':
      return say('verdict.works.pnp', { plus, common, where, input, turned });
    case 'npn':
      return say('verdict.works.npn', { common, where, input, turned });
    case 'pushpull':
      return say('verdict.works.push-pull', { common, where, input, high: isReturn(rail), turned });
  }
}

/** A switching output that is on no input: what it drives, or what stands at it. */
function drivesItself({ shown }: Analysis): Message {
  const on = sure(shown.find(({ outputOn }) => outputOn) ?? shown[0]);
  const off = sure(shown.find(({ outputOn }) => !outputOn) ?? shown[0]);
  const load = on.loads.find((reading) => reading.on);
  const situation = on.situation.words;
  return load
    ? say('verdict.works.drives', {
        situation,
        load: load.expected.label,
        volts: formatVolts(Math.abs(load.across.nom)),
      })
    : say('verdict.works.alone', {
        situation,
        on: formatVolts(on.signalVolts),
        off: formatVolts(off.signalVolts),
      });
}

function pairWorks({ port, module }: PointContext, on: PointState, off: PointState): Message {
  const volts = ({ inputVolts }: PointState): string => formatFineVolts(inputVolts?.nom ?? NaN);
  return say('verdict.works.pair', {
    module: module?.tag ?? '',
    port: port?.label ?? '',
    on: volts(on),
    off: volts(off),
  });
}

function namurWorks({ index, helpers, device }: PointContext): Message {
  const amplifier = helpers.find((helper) => index.deviceType(helper).description.amplifier);
  return say('verdict.works.amplifier', { amplifier: amplifier?.tag, device: device.tag });
}

/** The interposing relay among a point's further parts. */
const relayOf = ({ index, helpers }: PointContext) =>
  helpers.find(
    (helper) =>
      index.deviceType(helper).coil && index.deviceType(helper).contacts && !index.deviceType(helper).load,
  );

function relayWorks({ context, shown }: Analysis): Message {
  const relay = relayOf(context);
  if (!relay) return say('verdict.works');
  const on = shown.find(({ solution }) => solution.active(elementId(relay.id, 'coil')));
  const volts = on ? formatVolts(Math.abs(on.coils.get(relay.id)?.nom ?? 0)) : '';
  const loads = new Set(shown[0]?.loads.map(({ expected }) => expected.label));
  const follow = loads.size ? say('verdict.loads-follow', { value: [...loads], size: loads.size }) : '';
  return say('verdict.works.relay', {
    situation: on?.situation.words ?? '',
    relay: relay.tag,
    volts,
    follow,
  });
}

function analogWorks(analysis: Analysis): Message {
  const { context, present } = analysis;
  const reading = present.measured[0];
  const budget = loopBudget(analysis);
  const where = reading ? `${reading.own.module.tag} ${reading.own.port.label}` : say('verdict.the-input');
  if (budget)
    return say('verdict.works.loop', {
      where,
      burdenOhms: reading?.own.port.burdenOhms,
      left: budget.left.nom,
      device: context.device.tag,
      needs: budget.needs,
    });
  const { signal } = context.output;
  const given = signal
    ? say('verdict.the-signal-of', { signal })
    : say('verdict.the', { title: context.type.title });
  return say('verdict.works.signal', {
    where,
    given,
    nom: reading?.value.nom ?? NaN,
    digits: SIGNALS[signal ?? '0-10 V'].unit === 'V' ? 2 : 1,
    unit: reading?.unit ?? '',
  });
}

function loadWorks({ context, present }: Analysis): Message {
  const { signal } = context.output;
  if (signal)
    return say('verdict.works.given', {
      module: context.module?.tag ?? '',
      portLabel: context.port?.label ?? '',
      device: context.device.tag,
      signal,
    });
  const load = present.loads.find((reading) => reading.expected.on === 'present');
  return say('verdict.works.load', {
    module: context.module?.tag ?? '',
    portLabel: context.port?.label ?? '',
    device: context.device.tag,
    volts: load?.across.nom,
  });
}

function communicationWorks({ device, module, port }: PointContext): Message {
  return say('verdict.works.communication', {
    device: device.tag,
    module: module?.tag ?? '',
    portLabel: port?.label ?? '',
  });
}

function guardWorks(analysis: Analysis): Message {
  const target = safetyTarget(analysis.context);
  return say('verdict.wired-as-meant', {
    device: analysis.context.device.tag,
    module: target?.module.tag ?? '',
  });
}
