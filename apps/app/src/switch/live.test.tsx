import { act, fireEvent, render, screen } from '@testing-library/react';
import { ReadRows } from '../chain/ReadRows';
import { signalOf } from './LiveCourse';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const seconds = (count: number) => act(() => jest.advanceTimersByTimeAsync(1000 * count));

test('a row of readings is whole, or there is none', async () => {
  const done = jest.fn();
  const answers = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
  const { rerender } = render(
    <ReadRows
      source={{ name: 'the device', begin: () => () => Promise.resolve(answers.shift() ?? 0) }}
      onDone={done}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Read the device 10 times' }));
  await seconds(4.5);
  expect(screen.getByRole('button', { name: 'Reading 5 of 10: stop' })).toBeTruthy();
  expect(done).not.toHaveBeenCalled();
  await seconds(5);
  expect(done).toHaveBeenCalledWith([1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 1);
  // One that does not count ends it: what was read before it stands nowhere.
  done.mockClear();
  let left = 3;
  const begin = () => () =>
    left-- > 0 ? Promise.resolve(1) : Promise.reject(new Error('Nothing counts now.'));
  rerender(<ReadRows source={{ name: 'the device', begin }} onDone={done} />);
  fireEvent.click(screen.getByRole('button', { name: 'Read the device 10 times' }));
  await seconds(12);
  expect(screen.getByText('Nothing counts now.')).toBeTruthy();
  expect(done).not.toHaveBeenCalled();
});

test('it can be stopped, and nothing comes after', async () => {
  const done = jest.fn();
  render(<ReadRows source={{ name: 'the device', begin: () => () => Promise.resolve(1) }} onDone={done} />);
  fireEvent.click(screen.getByRole('button', { name: 'Read the device 10 times' }));
  await seconds(3);
  fireEvent.click(screen.getByRole('button', { name: /stop$/ }));
  await seconds(12);
  expect(done).not.toHaveBeenCalled();
});

test('what was read is a course; where nothing counted there is no value', () => {
  const at = (time: number, value?: number) => ({ at: time, value });
  expect(signalOf([at(0, 1)])).toBeUndefined();
  expect(signalOf([at(0), at(0.5)])).toBeUndefined();
  expect(signalOf([at(0, 1), at(0.5, 3), at(1), at(1.5), at(2, 2)])).toEqual({
    at: [0, 0, 0.5, 2, 2],
    values: [1, 1, 3, 2, 2],
    faults: [
      { from: 1, to: 1.5, is: 'invalid' },
      { from: 1.5, to: 2, is: 'invalid' },
    ],
  });
});
