import { lookText } from '@keypost/core/fault';
import type { Act } from '@keypost/core/fault';
import { refText } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { withUnit } from '@keypost/core/units';
import { indicatorText, readText } from '../fault/suspectText';
import type { OpenPoint } from '../point/usePoint';

/** What was done, and how the target stood. */
export function actText({ analysis, index }: OpenPoint, act: Act): { what: string; state: string } {
  const { kind, state } = act;
  const words = lookText(analysis, {
    ...('red' in act ? { kind: 'volts', red: act.red, black: act.black } : act),
    id: '',
    state,
    spot: 'panel',
    seconds: 0,
    power: 'on',
  } as Parameters<typeof lookText>[1]);
  const stands = textOf(words.state);
  if (!('red' in act)) return { what: textOf(words.what), state: stands };
  const pair = `${textOf(refText(index, act.red))} and ${textOf(refText(index, act.black))}`;
  const name = kind === 'volts' ? 'Volts' : kind === 'ohms' ? 'Ohms' : 'Current';
  return { what: `${name} between ${pair}`, state: `${stands}, power ${act.power}` };
}

/** What was seen. */
export function seenText({ analysis }: OpenPoint, kind: Act['kind'], is: number | boolean): string {
  if (typeof is === 'boolean')
    return indicatorText(kind === 'volts' || kind === 'ohms' || kind === 'amps' ? 'inputLed' : kind, is);
  if (kind === 'amps') return withUnit(1000 * is, 'mA', 3);
  if (kind === 'ohms') return readText({ kind: 'ohms' }, is);
  const unit = analysis.context.point.range?.unit;
  return kind === 'value' ? readText({ kind: 'value', unit }, is) : readText({ kind: 'volts' }, is);
}
