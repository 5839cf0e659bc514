import { say } from '../../messages/index.ts';
import type { Parameter, Rule } from '../../catalog/index.ts';
import { networkValue, lineValue, portValue } from './bus.ts';
import type { DeriveContext, Derivation } from './context.ts';
import {
  activeState,
  arcValue,
  currentOutput,
  elementWires,
  outputKind,
  outputLogic,
  portUse,
  safetySelector,
  signalRange,
  signalSwitch,
} from './electrical.ts';
import { lowFlowCutoff, pulseFilter, pulseOutput, pulseVolume, pulseWidth, totalUnit } from './flow.ts';
import { plateValue, rangeUnit, rangeValue } from './values.ts';

type Derive = (context: DeriveContext, parameter: Parameter) => Derivation;

const RULES: Readonly<Record<Exclude<Rule, `plate.${string}`>, Derive>> = {
  'range.low': (context, parameter) => rangeValue(context, 'low', parameter),
  'range.high': (context, parameter) => rangeValue(context, 'high', parameter),
  'range.unit': rangeUnit,
  'signal.kind': signalRange,
  'signal.switch': signalSwitch,
  'signal.range': signalRange,
  'signal.current': currentOutput,
  'signal.wires': elementWires,
  'output.kind': outputKind,
  'output.logic': outputLogic,
  'pulse.enabled': pulseOutput,
  'pulse.value': pulseVolume,
  'pulse.width': pulseWidth,
  'pulse.filter': pulseFilter,
  'flow.cutoff': lowFlowCutoff,
  'flow.volume': totalUnit,
  mains: ({ index }) => ({ value: String(index.job.mainsHertz), from: say('setting.mains-site') }),
  tag: ({ point }) => point && { value: point.tag, from: say('setting.tag-point') },
  active: activeState,
  'safety.selector': safetySelector,
  'arc.address': (context) => arcValue(context, 'address'),
  'arc.last': (context) => arcValue(context, 'last'),
  'line.unit': (context) => lineValue(context, 'unit'),
  'line.baud': (context) => lineValue(context, 'baud'),
  'line.frame': (context) => lineValue(context, 'frame'),
  'line.terminator': (context) => lineValue(context, 'terminator'),
  'line.bias': (context) => lineValue(context, 'bias'),
  'net.address': (context) => networkValue(context, 'address'),
  'net.mask': (context) => networkValue(context, 'mask'),
  'net.gateway': (context) => networkValue(context, 'gateway'),
  'net.name': (context) => networkValue(context, 'name'),
  'port.mode': (context) => portValue(context, 'mode'),
  'port.use': portUse,
  'port.vendor': (context) => portValue(context, 'vendor'),
  'port.device': (context) => portValue(context, 'device'),
  'port.lengthIn': (context) => portValue(context, 'lengthIn'),
  'port.lengthOut': (context) => portValue(context, 'lengthOut'),
  'port.cycle': (context) => portValue(context, 'cycle'),
};

/** What is required of a parameter by the job: by its own rule, else by what is usual. */
export function derive(context: DeriveContext, parameter: Parameter): Derivation {
  const { from, usual } = parameter;
  const followed = from && byRule(context, parameter, from);
  if (followed) return followed;
  return usual && (context.point || !context.port)
    ? { value: usual.value, from: usual.why, usual: true }
    : undefined;
}

const byRule = (context: DeriveContext, parameter: Parameter, rule: Rule): Derivation =>
  rule.startsWith('plate.')
    ? plateValue(context, rule.slice('plate.'.length), parameter)
    : RULES[rule as keyof typeof RULES](context, parameter);
