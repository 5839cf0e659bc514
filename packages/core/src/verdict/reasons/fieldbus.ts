import { say } from '../../messages/index.ts';
import { resistanceBetween, solve } from '../../circuit/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { assemble, elementId, signalLeads } from '../../network/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Longest cable of a drop, m: IEC 61131-9 for IO-Link, IEEE 802.3 for twisted-pair Ethernet. */
const LONGEST = { 'io-link': 20, ethernet: 100 } as const;

/** What is wrong with a drop that talks, besides that it does not hear. */
export function fieldbusReasons(analysis: Analysis): Reason[] {
  const { context } = analysis;
  const { landsOn } = context.output;
  if (landsOn === 'serial') return serialReasons(analysis);
  if (landsOn !== 'io-link' && landsOn !== 'ethernet') return [];
  const long = context.scope.wires.find(
    ({ lengthM, from, to }) =>
      lengthM > LONGEST[landsOn] && [from, to].some((ref) => ref.startsWith(`${context.device.id}:`)),
  );
  return [
    ...(landsOn === 'io-link' ? portClass(analysis) : []),
    ...(long
      ? [
          cannot(
            'cable-length',
            say('reason.cable-length', {
              device: context.device.tag,
              lengthM: long.lengthM,
              landsOn,
              longest: LONGEST[landsOn],
            }),
          ),
        ]
      : []),
  ];
}

/** A class A device's second output must not meet the power of a class B port. */
function portClass({ context, states }: Analysis): Reason[] {
  const { device, type, port } = context;
  if (port?.kind !== 'io-link') return [];
  const second = type.outputs.find(({ fightsClass }) => fightsClass && fightsClass === port.portClass);
  if (!second?.element) return [];
  const id = elementId(device.id, second.element);
  const fought = Math.max(
    ...states.map(({ solution }) =>
      Math.max(Math.abs(solution.amps(`${id}/high`)), Math.abs(solution.amps(`${id}/low`))),
    ),
  );
  return fought > 0.02
    ? [cannot('port-class', say('reason.port-class', { portLabel: port.label, device: device.tag }))]
    : [];
}

function serialReasons({ context, present }: Analysis): Reason[] {
  const { device, index, scope } = context;
  const { red: d1, black: d0 } = signalLeads(context, present.netlist.reference);
  const mark = present.solution.volts(d1) - present.solution.volts(d0);
  if (mark < -0.2) return [cannot('line-swapped', say('reason.line-swapped', { device: device.tag, mark }))];
  const idle = new Map([...scope.parts.keys()].map((id) => [id, new Set(['idle'])]));
  const resting = assemble(index, scope, { present: new Set(), forced: idle });
  const ohms = resistanceBetween(resting, d1, d0, 'dead');
  const reasons: Reason[] = [];
  if (ohms > 90) reasons.push(doubtful('line-terminators', say('reason.line-terminators', { ohms })));
  else if (ohms < 48)
    reasons.push(doubtful('line-terminators', say('reason.line-terminators.too-many', { ohms })));
  const solution = solve(resting);
  const rest = solution.volts(d1) - solution.volts(d0);
  if (Math.abs(rest) < 0.2) reasons.push(doubtful('line-bias', say('reason.line-bias', { rest })));
  return reasons;
}
