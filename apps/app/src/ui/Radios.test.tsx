import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { RadioGroup } from './RadioGroup';

const told: string[] = [];
/** What a server has to say first is not chosen at once. */
let takesUp = true;

function Group() {
  const [value, setValue] = useState('a');
  const options = ['a', 'b', 'c'].map((one) => ({ value: one, label: one.toUpperCase() }));
  const choose = (next: string) => {
    told.push(next);
    if (takesUp) setValue(next);
  };
  return <RadioGroup label="One of" value={value} options={options} onChange={choose} />;
}

const radio = (name: string) => screen.getByRole('radio', { name });
/** The focus moves in a task of its own after the key. */
const moved = () => act(() => new Promise<void>((done) => setTimeout(done, 20)));

beforeEach(() => {
  told.length = 0;
  takesUp = true;
  render(<Group />);
  act(() => radio('A').focus());
});

test('an arrow chooses what it leads to, though the key is let go before the focus has moved', async () => {
  fireEvent.keyDown(radio('A'), { key: 'ArrowRight' });
  fireEvent.keyUp(radio('A'), { key: 'ArrowRight' });
  await moved();
  expect(document.activeElement).toBe(radio('B'));
  expect(radio('B').getAttribute('aria-checked')).toBe('true');
  expect(told).toEqual(['b']);
});

test('while the key is down it is chosen once, and a tap chooses once', async () => {
  fireEvent.keyDown(radio('A'), { key: 'ArrowRight' });
  await moved();
  fireEvent.keyUp(radio('B'), { key: 'ArrowRight' });
  expect(told).toEqual(['b']);
  fireEvent.click(radio('C'));
  await moved();
  expect(told).toEqual(['b', 'c']);
});

test('the tab key alone chooses nothing', async () => {
  fireEvent.keyDown(radio('A'), { key: 'Tab' });
  act(() => radio('B').focus());
  await moved();
  expect(told).toEqual([]);
});

test.each([true, false])('there and back at once are both told; chosen at once: %s', async (atOnce) => {
  takesUp = atOnce;
  for (const [from, key] of [
    ['A', 'ArrowRight'],
    ['B', 'ArrowLeft'],
  ] as const) {
    fireEvent.keyDown(radio(from), { key });
    fireEvent.keyUp(radio(from), { key });
  }
  await moved();
  expect(document.activeElement).toBe(radio('A'));
  expect(told).toEqual(['b', 'a']);
});

test('what is chosen already is not told again', async () => {
  fireEvent.click(radio('A'));
  fireEvent.click(radio('B'));
  await moved();
  fireEvent.click(radio('B'));
  expect(told).toEqual(['b']);
});
