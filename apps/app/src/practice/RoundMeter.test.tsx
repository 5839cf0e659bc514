import { fireEvent, render, screen, within } from '@testing-library/react';
import type { Act } from '@keypost/core/fault';
import { FAMILIES } from '../../../../packages/core/test/families';
import { openPoint } from '../../test/openPoint';
import { RoundMeter } from './RoundMeter';

/** What was done in a round of a family's point, by the names of buttons. */
function done(family: keyof typeof FAMILIES, names: readonly RegExp[]): Act[] {
  const acts: Act[] = [];
  const play = { acts: [], over: undefined, answer: undefined, give: () => {}, anew: () => {} };
  const point = openPoint(FAMILIES[family]?.(), 'px-1');
  render(<RoundMeter point={point} play={{ ...play, doAct: (doing) => acts.push(doing) }} />);
  for (const name of names) fireEvent.click(screen.getByRole('button', { name }));
  return acts;
}

test('of pulses nothing is held: lamps, count and meter are looked at while they come', () => {
  const acts = done('passive pulse output', [/^LED of /, /^Count of /, /^Measure$/]);
  expect(screen.queryByRole('radiogroup', { name: 'Target or value' })).toBeNull();
  expect(screen.getByText(/Pulses should come all the time/)).toBeTruthy();
  expect(acts.map(({ kind, state }) => [kind, state])).toEqual([
    ['flickers', 'pulses'],
    ['counts', 'pulses'],
    ['volts', 'pulses'],
  ]);
});

test('a target is held where it is chosen to be', () => {
  const acts = done('interposing relay', []);
  expect(acts).toEqual([]);
  fireEvent.click(screen.getAllByRole('radio')[1] as HTMLElement);
  fireEvent.click(screen.getByRole('button', { name: 'Measure' }));
  expect(acts.map(({ state }) => state)).toEqual(['present']);
});

test('a guard is held open, closed and reset, or with its button down', () => {
  const acts = done('guard switch', []);
  const held = within(screen.getByRole('radiogroup', { name: 'Target or value' })).getAllByRole('radio');
  const names = held.map((one) => one.getAttribute('aria-label') ?? '');
  expect(names.map((name) => /, .*reset.*/.exec(name)?.[0])).toEqual([
    undefined,
    ', then reset pressed and let go',
    ', and reset held down',
  ]);
  for (const one of held.slice(1)) {
    fireEvent.click(one);
    fireEvent.click(screen.getByRole('button', { name: 'Measure' }));
  }
  expect(acts.map(({ state }) => state)).toEqual(['present', 'pressed']);
});
