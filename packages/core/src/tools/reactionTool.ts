import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { slowestReaction } from '../switching/index.ts';
import type { ReactionPart } from '../switching/index.ts';
import { withUnit } from '../units/index.ts';
import { ToolReader } from './tool.ts';
import type { Tool, ToolLine } from './tool.ts';

const PARTS: readonly (readonly [ReactionPart, Message])[] = [
  ['sensor', say('tools.sensor-response')],
  ['damping', say('tools.damping')],
  ['link', say('tools.link-cycle')],
  ['filter', say('tools.input-filter')],
  ['program', say('tools.program-cycle')],
  ['delay', say('tools.delay-set')],
  ['relay', say('tools.relay-time')],
];
const NAMES = Object.fromEntries(PARTS) as Readonly<Record<ReactionPart, Message>>;

export const REACTION_TOOL: Tool = {
  id: 'reaction',
  name: say('tools.reaction'),
  hint: say('tools.reaction-hint'),
  fields: [
    ...PARTS.map(([key, label]) => ({ key, label, kind: 'number', unit: 'ms', optional: true }) as const),
    { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true },
    { key: 'rise', label: say('tools.rises-by'), kind: 'number', unitKey: 'unit', optional: true },
    { key: 'beyond', label: say('tools.may-go-beyond'), kind: 'number', unitKey: 'unit', optional: true },
  ],
  first: {
    sensor: '20',
    damping: '500',
    link: '5',
    filter: '3',
    program: '20',
    delay: '0',
    relay: '12',
    unit: 'bar',
    rise: '0.4',
    beyond: '0.3',
  },
  work(values) {
    const read = new ToolReader(REACTION_TOOL, values);
    const chain = Object.fromEntries(PARTS.map(([key]) => [key, (read.maybe(key) ?? 0) / 1000])) as Record<
      ReactionPart,
      number
    >;
    const { seconds, steps } = slowestReaction(chain);
    const [unit, rise, beyond] = [read.text('unit'), read.maybe('rise'), read.maybe('beyond')];
    if (rise !== undefined && rise < 0) refuse(say('switching.time-negative'), 'rise');
    const over = rise === undefined ? undefined : rise * seconds;
    const tone: ToolLine['tone'] =
      over === undefined || beyond === undefined ? undefined : over <= beyond ? 'good' : 'bad';
    const time = (s: number) => say('switching.time', { seconds: s });
    return {
      title: say('tools.at-worst-after', { time: time(seconds) }),
      lines: [
        ...steps.map(({ part, own, times, seconds: all }) => ({
          label: NAMES[part],
          value: say('tools.time-of', { times, own: time(own), time: time(all) }),
        })),
        ...(over === undefined
          ? []
          : [{ label: say('tools.beyond-by'), value: withUnit(over, unit, 3), ...(tone && { tone }) }]),
        ...(over !== undefined && beyond !== undefined && over > beyond
          ? [{ label: say('tools.set-it-before'), value: withUnit(over - beyond, unit, 3) }]
          : []),
      ],
      words: [
        ...(tone === 'good' ? [{ text: say('tools.reaction-is-quick'), tone }] : []),
        ...(tone === 'bad' && rise && beyond !== undefined
          ? [{ text: say('tools.reaction-is-slow', { spare: time(seconds - beyond / rise) }), tone }]
          : []),
        { text: say('tools.reaction-words') },
        { text: say('tools.not-for-safety') },
      ],
    };
  },
};
