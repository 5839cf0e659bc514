import { choose } from '../../test/choose';
import { nth, sure } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { analogJob, guardJob, relayJob } from '../../../../packages/core/test/families';
import { openPoint, smallJob } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { terminalOptions } from '../point/terminalOptions';
import { AddPart } from './AddPart';
import { PartCard } from './PartCard';
import { PortSettings } from './PortSettings';

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

function Part({ point, id }: { point: OpenPoint; id: string }) {
  const saver = useSave(point.view);
  return <PartCard point={point} device={sure(point.index.device(id))} saver={saver} removable />;
}

function Ports({ point }: { point: OpenPoint }) {
  return <PortSettings point={point} saver={useSave(point.view)} />;
}

const relayPoint = () => openPoint(relayJob(), 'px-1');

test('a relay shows both numberings and what is on each terminal', () => {
  render(<Part point={relayPoint()} id="k1" />);
  const plate = screen.getByRole('group', { name: 'K1' });
  expect(plate.textContent).toMatch(/A1socket 13, coilPX-1 BK/);
  expect(plate.textContent).toMatch(/14socket 5, NOFAN 1/);
  expect(plate.textContent).toMatch(/22socket 4, NCfree/);
});

test('its suppressor is changed where it stands, the other settings kept', async () => {
  render(<Part point={relayPoint()} id="k1" />);
  const choice = within(screen.getByRole('radiogroup', { name: /Suppressor/ }));
  expect(choice.getByRole('radio', { name: 'Diode, cathode at A1' }).getAttribute('aria-checked')).toBe(
    'true',
  );
  fireEvent.click(choice.getByRole('radio', { name: 'Varistor' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({
    kind: 'editDevice',
    id: 'k1',
    patch: { settings: { suppressor: 'varistor' } },
  });
});

test('a part is taken out only when that is confirmed', async () => {
  render(<Part point={relayPoint()} id="fan" />);
  fireEvent.click(screen.getByRole('button', { name: 'Remove FAN' }));
  expect(sent()).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  expect(screen.queryByRole('button', { name: 'Take FAN out' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Remove FAN' }));
  fireEvent.click(screen.getByRole('button', { name: 'Take FAN out' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({ kind: 'removeHelper', id: 'fan' });
});

test('of an analog module only the switches of the point’s own input are shown, and kept beside the others', async () => {
  const point = openPoint(analogJob('transmitter-3w-v', { 'A0.switch': 'V', 'A0.range': '0-10 V' }), 'px-1');
  render(<Ports point={point} />);
  const groups = screen.getAllByRole('radiogroup').map((group) => group.getAttribute('aria-label'));
  expect(groups.some((name) => /switch/i.test(sure(name)))).toBe(true);
  const position = sure(
    screen
      .getAllByRole('radiogroup')
      .find((group) => /on the unit/.test(sure(group.getAttribute('aria-label')))),
  );
  const other = sure(
    within(position)
      .getAllByRole('radio')
      .find((radio) => radio.getAttribute('aria-checked') === 'false'),
  );
  fireEvent.click(other);
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { patch } = nth(sent(), 0).change as { patch: { settings: Record<string, string> } };
  expect(Object.keys(patch.settings).sort()).toEqual(['A0.range', 'A0.switch']);
  expect(patch.settings['A0.range']).toBe('0-10 V');
});

test('a new part needs a tag, and gets a wire from each terminal that was chosen', async () => {
  render(<AddPart point={openPoint(smallJob())} />);
  fireEvent.click(screen.getByRole('button', { name: 'Add a part' }));
  choose('Kind', 'relay-2co-24dc');
  fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
  expect(await screen.findByText(/A tag cannot be empty/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Tag'), { target: { value: 'K7' } });
  choose('Terminal A1, coil', 'd:BK');
  choose('Terminal A2, coil', 'g1:-');
  fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { change } = nth(sent(), 0);
  expect(change).toMatchObject({
    kind: 'addHelper',
    pointId: 'p',
    device: { tag: 'K7', typeId: 'relay-2co-24dc' },
  });
  const wires = change.wires as { from: string; to: string; number: string }[];
  expect(wires.map(({ to }) => to)).toEqual(['d:BK', 'g1:-']);
  expect(new Set(wires.map(({ number }) => number)).size).toBe(2);
});

test('a wire can go to every rail, the point’s own parts and every module, the near ones first', () => {
  const { analysis } = relayPoint();
  const options = terminalOptions(analysis.context);
  expect(new Set(options.map(({ value }) => value)).size).toBe(options.length);
  const groups = [...new Set(options.map(({ group }) => group))];
  expect(groups.slice(0, 2)).toEqual(['Supply G1', 'Supply Q1']);
  expect(groups).toEqual(expect.arrayContaining(['PX-1', 'K1', 'FAN', 'M']));
  expect(sure(options.find(({ value }) => value === 'k1:14')).label).toMatch(/14\u00a0\(5\)/);
});

test('what a choice can do to somebody stands beside it before it is chosen', () => {
  render(<Ports point={openPoint(guardJob(), 'px-1')} />);
  const reset = screen.getByRole('radiogroup', { name: /^Reset/ });
  const caution = screen.getByRole('note', { name: /^Caution: Automatic: The machine can start by itself/ });
  expect(reset.parentElement?.parentElement?.contains(caution)).toBe(true);
});
