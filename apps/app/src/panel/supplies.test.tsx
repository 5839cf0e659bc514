import { nth } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { emptyJob } from '@keypost/core/model';
import type { SupplyBudget } from '@keypost/core/planning';
import { smallJob, viewOf } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { kindText } from './SupplyCard';
import { BudgetBar } from './BudgetBar';
import { SupplyForm } from './SupplyForm';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children }));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

const type = (name: string, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const G1 = nth(emptyJob('T', '').supplies, 0);

test('a branch takes volts and tolerance from what feeds it, and a gauge for its feeder', async () => {
  const done = jest.fn();
  render(<SupplyForm view={viewOf(smallJob())} kind="branch" onDone={done} />);
  expect(screen.getByLabelText<HTMLInputElement>('Tag').value).toBe('F1');
  expect(screen.queryByLabelText('Volts')).toBeNull();
  fireEvent.click(screen.getByRole('radio', { name: 'Fuse' }));
  type('Feeder', '35');
  type('Section', 'AWG 16');
  type('It lets through', '4');
  type('Other loads', '1,2');
  press('Add it');
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(nth(sent(), 0).change).toMatchObject({
    kind: 'addSupply',
    supply: {
      tag: 'F1',
      kind: 'dc',
      volts: 24,
      tolerancePercent: 3,
      limitAmps: 4,
      otherAmps: 1.2,
      feed: { from: 'g1', protection: 'fuse', lengthM: 35, mm2: 1.31 },
    },
  });
});

test('a mains supply is added with its usual values', async () => {
  render(<SupplyForm view={viewOf(smallJob())} kind="ac" onDone={jest.fn()} />);
  press('Add it');
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toMatchObject({
    supply: { tag: 'Q1', kind: 'ac', volts: 230, limitAmps: 16 },
  });
});

test.each([
  ['It gives', '0', /must be able to give current/],
  ['Volts', '300', /250 V AC/],
  ['Tolerance', '-1', /0 % or more/],
  ['Other loads', '-2', /0 A or more/],
])('%s “%s” is refused at its field, and nothing is sent', async (field, value, message) => {
  render(<SupplyForm view={viewOf(smallJob())} kind="dc" onDone={jest.fn()} />);
  type(field, value);
  press('Add it');
  expect(await screen.findByText(message)).toBeTruthy();
  expect(sent()).toEqual([]);
});

test('a DC supply of mains volts is refused by the job, at its field', async () => {
  render(<SupplyForm view={viewOf(smallJob())} kind="dc" onDone={jest.fn()} />);
  type('Volts', '230');
  press('Add it');
  expect((await screen.findAllByText(/has 60 V at most/)).length).toBeGreaterThan(0);
});

test('a supply is changed from the revision that was seen, and removed on purpose', async () => {
  const view = viewOf(smallJob());
  render(<SupplyForm view={view} supply={view.content.supplies[0]} kind="dc" onDone={jest.fn()} />);
  type('It gives', '10');
  press('Store');
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toMatchObject({ kind: 'editSupply', id: 'g1', patch: { limitAmps: 10 } });
  expect(nth(sent(), 0).expects).toEqual([{ collection: 'supplies', id: 'g1', revision: 1 }]);
  press('Remove');
  expect(screen.getByRole('alert').textContent).toMatch(/takes G1 and the 3 wires on it/);
  press('Remove G1');
  expect((await screen.findAllByText(/A job needs a supply/)).length).toBeGreaterThan(0);
});

describe('the load of a supply', () => {
  const budget = (amps: number): SupplyBudget => ({
    supply: G1,
    amps,
    limitAmps: 5,
    margin: 1 - amps / 5,
    draws: [],
  });

  test('is told with what is to spare', () => {
    render(<BudgetBar budget={budget(0.45)} />);
    expect(screen.getByText('450 mA at worst of 5.0 A, 91 % to spare')).toBeTruthy();
  });

  test('is told with what is too much', () => {
    render(<BudgetBar budget={budget(6.2)} />);
    expect(screen.getByText('6.2 A at worst, 1.2 A more than its 5.0 A')).toBeTruthy();
  });
});

test('a supply is named by its kind or by what feeds it', () => {
  const view = viewOf(smallJob());
  const feed = { from: 'g1', protection: 'breaker', lengthM: 1, mm2: 1 } as const;
  expect([
    kindText(view, G1),
    kindText(view, { ...G1, kind: 'ac' }),
    kindText(view, { ...G1, feed }),
  ]).toEqual(['DC', 'AC', 'breaker on G1']);
});
