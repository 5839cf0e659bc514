import { nth, sure } from '../lists/index.ts';
import { say, textOf } from '../messages/index.ts';
import { jobWith } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { loopView } from '../presentation/view/loopView.ts';
import { stopText } from '../presentation/view/stopText.ts';
import { railText } from '../job/words.ts';
import { worksSentence } from './worksSentence.ts';
import { deviceText, inputVocabulary, placeText, ruleFor } from '../network/partText.ts';

const BOTH8 = 'di8-both-8';
const of = (rail: '+' | '-' | null, point: TestPoint = {}) =>
  analyse(new JobIndex(jobWith(BOTH8, [rail], point)), 'px-1');

test.each<[TestPoint, '+' | '-', string]>([
  [
    { output: 'pnp' },
    '-',
    'The sensor pulls the input up to +24 V, so common 1 sits on 0 V and the input takes the current in.',
  ],
  [
    { output: 'npn' },
    '+',
    'The sensor pulls the input to 0 V, so common 1 sits on +24 V and the input gives the current.',
  ],
  [
    { typeId: 'dry-contact', output: 'contact' },
    '-',
    'The contact brings +24 V to the input; common 1 sits on 0 V, and the input takes the current in.',
  ],
  [
    { typeId: 'dry-contact', output: 'contact' },
    '+',
    'The contact brings 0 V to the input; common 1 sits on +24 V, and the input gives the current.',
  ],
  [
    { output: 'pushpull' },
    '-',
    'The output drives both ways; with common 1 on 0 V, the input takes the current in while it is high.',
  ],
])('%j with the common on %s', (point, rail, sentence) => {
  expect(
    textOf(worksSentence(of(rail, point)))
      .replace('Works. ', '')
      .replaceAll('\u00a0', ' '),
  ).toBe(sentence);
});

test('push-pull on plus works turned round, and says so', () => {
  const analysis = of('+', { output: 'pushpull' });
  expect(textOf(worksSentence(analysis))).toMatch(/Mind: the input is on while the sensor’s output is off\./);
  expect([analysis.away.led, analysis.present.led]).toEqual(['on', 'off']);
});

test('both vocabularies stand beside each other, whatever the group', () => {
  expect(textOf(inputVocabulary('-', 'both').byCurrent)).toMatch(/^Sinking input/);
  expect(textOf(inputVocabulary('+', 'both').byCurrent)).toMatch(/^Sourcing input/);
  expect(textOf(inputVocabulary('+', 'sink').byCurrent)).toMatch(/^Sinking input/);
  expect(textOf(inputVocabulary(undefined, 'both').byCurrent)).toMatch(/its common decides/);
  expect(textOf(inputVocabulary('-', 'sink').bySensor)).toMatch(/PNP input/);
  expect(textOf(inputVocabulary('+', 'source').bySensor)).toMatch(/NPN input/);
});

test('there is one rule a kind, and short words for the plates', () => {
  expect(textOf(ruleFor(of('-').context))).toMatch(/common on 0 V/);
  expect(textOf(ruleFor(of('+', { output: 'npn' }).context))).toMatch(/common on plus/);
  expect(textOf(ruleFor(of('+', { output: 'pushpull' }).context))).toMatch(/either rail/);
  expect(textOf(ruleFor(of('+', { typeId: 'limit-switch', output: 'contact' }).context))).toMatch(
    /rail that the common is not on/,
  );
  expect(deviceText(of('-', { typeId: 'diffuse-3w', logic: 'dark' }).context)).toBe(
    'diffuse · PNP · dark-on',
  );
  expect(deviceText(of('-', { typeId: 'limit-switch', output: 'contact' }).context)).toBe(
    'mechanical switch · NO',
  );
  expect(textOf(placeText(of('-').context))).toBe('M · ch 0');
  expect(textOf(placeText(of('-', { at: null }).context))).toBe('no channel');
  expect([railText('-', 24.1), railText('+', 24.1)]).toEqual(['0\u00a0V', '+24\u00a0V']);
});

test('where current is stopped, the drawing has the reason in a few words', () => {
  const reason = (code: 'same-pull' | 'common-open' | 'wrong-sense' | 'over-current') => ({
    code,
    weight: 'cannot' as const,
    sentence: say('verdict.works'),
  });
  const { context } = of('-', { output: 'npn' });
  expect(textOf(stopText(reason('same-pull'), context))).toBe('both on 0\u00a0V');
  expect(textOf(stopText(reason('common-open'), context))).toBe('open');
  expect(textOf(stopText(reason('wrong-sense'), context))).toBe('blocks this way');
  expect(stopText(reason('over-current'), context)).toBeUndefined();
  const analysis = of('-', { output: 'npn' });
  const view = loopView(analysis.context, analysis.present, [reason('same-pull')]);
  const stopped = (v: typeof view) => sure(nth(nth(v.plates, 1).rows, 0).glyph).stopped;
  expect(textOf(stopped(view))).toBe('both on 0\u00a0V');
  expect(stopped(loopView(analysis.context, analysis.present))).toBeUndefined();
});

test('the drawing says which supply its rails are, and what stands on each wire', () => {
  const { context, present } = of('-');
  const view = loopView(context, present);
  expect(view.rails).toEqual([
    { ref: 'g1:+', rail: '+', name: 'G1', volts: '+24.0\u00a0V' },
    { ref: 'g1:-', rail: '-', name: 'G1', volts: '0\u00a0V' },
  ]);
  expect(view.wires.find(({ from }) => from === 'px-1-b:BK')).toMatchObject({
    colour: 'BK',
    number: '4',
    to: 'm:I0',
    differs: false,
  });
  expect(view.plates[1]).toMatchObject({
    title: 'M · ch 0',
    figure: '%IX0.0 = 1',
    led: { words: 'on', on: true },
  });
  expect(view.signal.amps).toMatch(/^6\.\d\u00a0mA$/);
});
