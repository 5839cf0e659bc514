import { choose as pick } from '../../test/choose';
import { nth, sure } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { openPoint, smallJob } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { AddResistor } from './AddResistor';
import { WireRow } from './WireRow';

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

const type = (name: string, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

/** The row of the signal wire, open. */
function row(more: Parameters<typeof smallJob>[2] = []) {
  const point = openPoint(smallJob('-', 'pnp', more));
  const wire = sure(point.view.content.wires.find(({ from }) => from === 'd:BK'));
  const done = jest.fn();
  render(<WireRow point={point} wire={wire} first open onToggle={done} />);
  return { wire, done };
}

test('a wire says its colour, number, both ends and size', () => {
  const { wire } = row();
  const button = screen.getByRole('button', { name: `Wire ${wire.number}, BK, PX-1 BK to DI 1 channel 0` });
  expect(button.getAttribute('aria-expanded')).toBe('true');
  expect(button.textContent).toContain('0.34\u00a0mm², 10\u00a0m');
});

test('what is other than planned alone is stored: another terminal, another colour', async () => {
  const { wire, done } = row();
  pick('It ends on', 'm:I3');
  pick('Its colour', 'VT');
  press('Store as found');
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(nth(sent(), 0).change).toEqual({
    kind: 'landWire',
    wireId: wire.id,
    asFound: { to: 'm:I3', colour: 'VT' },
  });
});

test('a missing wire is just that, whatever stood in the other fields', async () => {
  const { wire, done } = row();
  pick('It ends on', 'm:I3');
  fireEvent.click(screen.getByRole('radio', { name: 'It is missing' }));
  expect(screen.queryByLabelText('It ends on')).toBeNull();
  press('Store as found');
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(nth(sent(), 0).change).toMatchObject({ wireId: wire.id, asFound: { missing: true } });
});

test('put back to the plan in every field, nothing is other any more', async () => {
  const found = { kind: 'landWire', wireId: 'd-BK', asFound: { to: 'm:I3' } } as const;
  const { done } = row([found]);
  expect(screen.getByText('other')).toBeTruthy();
  expect(screen.getByLabelText('It ends on').textContent).toMatch(/channel 3$/);
  pick('It ends on', 'm:I0');
  press('Store as found');
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(nth(sent(), 0).change).toMatchObject({ kind: 'landWire', asFound: null });
});

describe('the plan of a wire', () => {
  test('takes a gauge, a comma, and the words of cable and core', async () => {
    const { wire } = row();
    press('Change the plan of this wire');
    type('Length', '12,5');
    type('Section', 'AWG 20');
    type('Cable', 'W12');
    type('Core', '3');
    press('Store the plan');
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(nth(sent(), 0).change).toMatchObject({
      kind: 'editWire',
      wireId: wire.id,
      patch: { lengthM: 12.5, mm2: 0.518, cable: 'W12', core: '3' },
    });
    expect(nth(sent(), 0).expects).toEqual([{ collection: 'wires', id: wire.id, revision: 1 }]);
  });

  test.each([
    ['Length', '0', /longer than 0 m/],
    ['Length', 'far', /is not a number/],
    ['Section', 'thin', /mm² such as 0.75, or AWG 18/],
    ['Section', '0', /At least 0.05 mm²/],
    ['Cable', 'W'.repeat(25), /At most 24 characters/],
  ])('%s “%s” is refused at its field', async (field, value, message) => {
    row();
    press('Change the plan of this wire');
    type(field, value);
    press('Store the plan');
    expect(await screen.findByText(message)).toBeTruthy();
    expect(sent()).toEqual([]);
  });
});

test('a resistor goes between two different terminals, with a tag of its own', async () => {
  render(<AddResistor point={openPoint()} />);
  press('Add a resistor');
  pick('One end on', 'm:I0');
  pick('The other on', 'm:I0');
  press('Put it in');
  expect(await screen.findByText('Choose two different terminals.')).toBeTruthy();
  pick('The other on', 'm:COM1');
  type('Resistance', '-5');
  press('Put it in');
  expect(await screen.findByText(/0\.1 to 10000000 Ω/)).toBeTruthy();
  expect(sent()).toEqual([]);
  // Any resistance will do, in whatever unit it is printed.
  type('Resistance', '6.8 kΩ');
  type('Power rating', '1');
  press('Put it in');
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { change } = nth(sent(), 0);
  expect(change).toMatchObject({
    kind: 'addHelper',
    device: { tag: 'R1', typeId: 'resistor', settings: { ohms: '6800', watts: '1' } },
  });
  expect((change.wires as { to: string }[]).map(({ to }) => to)).toEqual(['m:I0', 'm:COM1']);
});
