import { proofPlan } from '@keypost/core/proving';
import { fireEvent, render, screen } from '@testing-library/react';
import { changeSettings } from '../data/settings';
import { openPoint } from '../../test/openPoint';
import { answer, sent, serverStores } from '../../test/replies';
import { ProofForm } from './ProofForm';

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT' });
  serverStores();
  const point = openPoint();
  render(<ProofForm point={point} plan={proofPlan(point.analysis)} latest={new Map()} />);
});

const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const enter = (name: string, text: string) => fireEvent.change(field(name), { target: { value: text } });

test('a reading is judged as it is typed, with the difference', () => {
  enter('Target present: Signal', '14,2');
  expect(screen.getByText(/Fail: 14\.2\sV, \d\.\d\sV below the limits/)).toBeTruthy();
  enter('Target present: Signal', '22.9');
  expect(screen.getByText(/Pass: 22\.9\sV, within/)).toBeTruthy();
});

test('what is no voltage is refused at the field and cannot be stored', () => {
  enter('Target present: Signal', '22 mA');
  expect(screen.getByText(/does not fit here/)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Store 1 entry' }).getAttribute('aria-disabled')).toBe('true');
});

test('an impossible instrument is refused where it is entered', () => {
  enter('Of reading', '-1');
  expect(screen.getByText(/0 % or more/)).toBeTruthy();
});

test('when the server is away the entries stay, and a retry sends the same change', async () => {
  answer.mockRejectedValueOnce(new TypeError('network'));
  enter('Target present: Signal', '22.9');
  fireEvent.click(screen.getByRole('radio', { name: 'Target present: Input LED: on' }));
  fireEvent.click(screen.getByRole('button', { name: 'Store 2 entries' }));
  await screen.findByText(/server does not answer/);
  expect(field('Target present: Signal').value).toBe('22.9');
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  await screen.findByRole('button', { name: 'Store what was entered' });
  const [first, second] = sent();
  expect(sent()).toHaveLength(2);
  expect(second).toEqual(first);
  expect(second?.change.results).toHaveLength(2);
});
