import { nth } from '@keypost/core/lists';
import { applyChange, JobIndex } from '@keypost/core/job';
import { emptyJob, BusPlan } from '@keypost/core/model';
import type { EthernetPlan, JobContent, SerialPlan } from '@keypost/core/model';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { viewOf } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { LiveStore, useLivePort } from '../data/liveStore';
import { valueText } from './LiveUnitRows';
import { NetworkPlanView } from './NetworkPlanView';
import { SerialPlanView } from './SerialPlanView';

const line = BusPlan.parse({
  kind: 'serial',
  id: 'l',
  tag: 'LINE 1',
  mm2: 0.34,
  bias: { at: 'a', ohms: 390, volts: 5 },
  units: [
    {
      id: 'a',
      tag: 'BUS',
      baud: 19200,
      parity: 'even',
      stopBits: 1,
      plusName: 'D1',
      terminated: true,
      unitLoad: 1,
      fromLastM: 0,
    },
    {
      id: 'b',
      tag: 'PM 1',
      unit: 3,
      baud: 19200,
      parity: 'even',
      stopBits: 1,
      plusName: 'A',
      terminated: true,
      unitLoad: 1,
      fromLastM: 30,
    },
  ],
}) as SerialPlan;
const net = BusPlan.parse({
  kind: 'ethernet',
  id: 'n',
  tag: 'NET',
  members: [
    { id: 'c', tag: 'PLC', role: 'controller', address: '10.0.0.1', mask: '/24' },
    { id: 'p', tag: 'Laptop', role: 'laptop', address: '10.0.0.1', mask: '/24' },
  ],
}) as EthernetPlan;

const withPlan = (plan: BusPlan): JobContent =>
  applyChange(emptyJob('T', ''), { kind: 'setPlan', plan }, { by: 'TT', at: '2026-01-01T00:00:00.000Z' });

beforeEach(() => {
  serverStores();
  changeSettings({ by: 'JT' });
});

test('a line says its rest, its time and both names; a unit number used twice is named', async () => {
  const job = withPlan(line);
  render(<SerialPlanView view={viewOf(job)} index={new JobIndex(job)} plan={line} />);
  expect(screen.getByText(/Join these; do not go by the letters/)).toBeTruthy();
  expect(screen.getByText('30 m')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Add a unit' }));
  fireEvent.change(screen.getByLabelText('Tag'), { target: { value: 'PM 2' } });
  fireEvent.change(screen.getByLabelText('Unit number'), { target: { value: '300' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store the unit' }));
  await waitFor(() => expect(screen.getByText('Unit numbers end at 247.')).toBeTruthy());
  fireEvent.change(screen.getByLabelText('Unit number'), { target: { value: '3' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store the unit' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { plan } = nth(sent(), 0).change as { plan: SerialPlan };
  expect(plan.units.at(-1)).toMatchObject({
    tag: 'PM 2',
    unit: 3,
    baud: 19200,
    parity: 'even',
    stopBits: 1,
    terminated: false,
  });
  const doubled = withPlan(plan);
  render(<SerialPlanView view={viewOf(doubled)} index={new JobIndex(doubled)} plan={plan} />);
  expect(screen.getByText('PM 1 and PM 2 have the same unit number 3.')).toBeTruthy();
});

test('a network says what is used twice, and in which order it is brought up', async () => {
  render(<NetworkPlanView view={viewOf(withPlan(net))} plan={net} />);
  expect(screen.getByText('PLC and Laptop have the same address 10.0.0.1.')).toBeTruthy();
  const steps = within(screen.getByRole('list', { name: 'Order of bringing it up' }));
  expect(nth(steps.getAllByRole('listitem'), 0).textContent).toMatch(/1 to mend/);
  fireEvent.click(screen.getByRole('button', { name: 'Edit Laptop' }));
  fireEvent.change(screen.getByLabelText('IP address'), { target: { value: '10.0.0' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store it' }));
  await waitFor(() => expect(screen.getByText(/Four numbers from 0 to 255/)).toBeTruthy());
  expect((screen.getByLabelText('IP address') as HTMLInputElement).value).toBe('10.0.0');
  fireEvent.change(screen.getByLabelText('IP address'), { target: { value: '10.0.0.9' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store it' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect((nth(sent(), 0).change as { plan: EthernetPlan }).plan.members[1]).toMatchObject({
    id: 'p',
    address: '10.0.0.9',
    role: 'laptop',
  });
});

test('a row of live values is drawn again only when it moves', () => {
  const store = new LiveStore();
  const drawn: number[] = [];
  const Row = ({ port }: { port: number }) => {
    drawn.push(port);
    return <>{useLivePort(store, 'm', port)?.state}</>;
  };
  render(
    <>
      <Row port={1} />
      <Row port={2} />
    </>,
  );
  drawn.length = 0;
  const row = { moduleId: 'm', port: 1, state: 'connected' as const, valid: true, bytes: '00' };
  act(() => store.take({ at: '', asked: [], ports: [row], units: [] }));
  expect(drawn).toEqual([1]);
  expect(screen.getByText('connected')).toBeTruthy();
});

test.each([
  [[0, 2310], { type: 'uint32', scale: 0.1 }, '231.0'],
  [[2310], { type: 'int16', scale: 1 }, '2310'],
  [[0x4248, 0], { type: 'float32', scale: 1 }, '50.000'],
  [[1], { type: 'uint32', scale: 1 }, '–'],
] as const)('registers %p read as %p are %s', (registers, format, text) => {
  const row = {
    id: 'x',
    name: 'x',
    table: 'input',
    address: 0,
    words: 'high',
    bytes: 'high',
    unit: '',
    ...format,
  } as const;
  expect(valueText(registers, row)).toBe(text);
});
