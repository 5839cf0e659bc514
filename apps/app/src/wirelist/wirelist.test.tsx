import { fileName, nth } from '@keypost/core/lists';
import { terminalSheet, writeWireList } from '@keypost/core/planning';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { relayJob } from '../../../../packages/core/test/families';
import { smallJob, viewOf } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';

import { changeSettings } from '../data/settings';
import { writeSheet } from './printSheet';
import { WireListScreen } from './WireListScreen';

let mockPicked: string | undefined;
const mockJob = viewOf(smallJob());
jest.mock('expo-router', () => ({
  useGlobalSearchParams: () => ({ jobId: 'j' }),
  Link: ({ children }: { children: unknown }) => children,
}));
jest.mock('../data/jobs', () => ({
  ...jest.requireActual<object>('../data/jobs'),
  useJob: () => ({ data: mockJob, error: undefined, mutate: jest.fn() }),
}));
jest.mock('../data/saveFile', () => ({
  ...jest.requireActual<object>('../data/saveFile'),
  pickFile: () => Promise.resolve(mockPicked),
}));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

const read = (text: string | undefined) => {
  mockPicked = text;
  render(<WireListScreen />);
  fireEvent.click(screen.getByRole('button', { name: 'Read a list' }));
};
const list = writeWireList(mockJob.content);

test('every wire stands in the list, and can be found by what is on it', () => {
  render(<WireListScreen />);
  const plate = screen.getByRole('group', { name: 'By terminal' });
  expect(plate.textContent).toContain('PX-1 BK  →  DI 1 channel 0');
  fireEvent.change(screen.getByLabelText(/Find a tag/), { target: { value: 'com1' } });
  expect(plate.textContent).not.toContain('PX-1 BK');
  expect(plate.textContent).toContain('DI 1 common 1');
});

test('a list as it is changes nothing', async () => {
  read(list);
  expect(await screen.findByText(/Nothing to change/)).toBeTruthy();
});

test('what was edited is shown first, and stored when it is taken', async () => {
  read(list.replace(',PX-1,BK,,DI 1,I0,,,,BK,0.34', ',PX-1,BK,,DI 1,I0,,W1,2,BK,AWG 20'));
  const group = await screen.findByRole('group', { name: 'Changes read' });
  expect(group.textContent).toMatch(/1 wire changes/);
  expect(group.textContent).toMatch(/cable none to W1, core none to 2, section 0.34 to 0.518/);
  expect(sent()).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: 'Take the changes' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { changes } = nth(sent(), 0).change as { changes: unknown[] };
  expect(changes).toEqual([
    { kind: 'editWire', wireId: 'd-BK', patch: { cable: 'W1', core: '2', mm2: 0.518 } },
  ]);
});

test('a list with a mistake is refused with its line, and can be closed', async () => {
  read(list.replace(',0.34,10,', ',0.34,-3,'));
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toMatch(/nothing was changed/);
  expect(alert.textContent).toMatch(/line \d+, length_m: “-3” is no length/);
  fireEvent.click(screen.getByRole('button', { name: 'Close' }));
  expect(screen.queryByRole('alert')).toBeNull();
});

test('no file picked is no list read', async () => {
  read(undefined);
  await Promise.resolve();
  expect(screen.queryByRole('group', { name: 'Changes read' })).toBeNull();
});

describe('the sheet on paper', () => {
  const page = document.implementation.createHTMLDocument('');
  const job = relayJob();
  const nasty = {
    ...job,
    devices: job.devices.map((device) => (device.id === 'fan' ? { ...device, tag: '<b>FAN</b>' } : device)),
  };
  writeSheet(page, 'Pump room, terminals', terminalSheet(nasty));

  test('has a table for each part that has wires, and a box to tick at each', () => {
    const heads = [...page.querySelectorAll('h2')].map(({ textContent }) => textContent);
    expect(heads.some((head) => head.startsWith('K1 '))).toBe(true);
    const ticks = [...page.querySelectorAll('td.done')];
    expect(ticks.length).toBeGreaterThanOrEqual(2 * job.wires.length);
    expect(page.title).toBe('Pump room, terminals');
  });

  test('takes no tag for markup', () => {
    expect(page.querySelector('b')).toBeNull();
    expect(page.body.textContent).toContain('<b>FAN</b>');
  });

  test('gives both numberings of a relay', () => {
    const cells = [...page.querySelectorAll('td')].map(({ textContent }) => textContent);
    expect(cells).toEqual(expect.arrayContaining(['A1 (13)', '14 (5)']));
  });
});

test.each([
  ['Recirculation hall', 'recirculation-hall.csv'],
  ['  Péche & Söhne 2 ', 'péche-söhne-2.csv'],
  ['***', 'job.csv'],
])('a file for “%s” is called %s', (title, name) => {
  expect(fileName(title, 'csv')).toBe(name);
});
