import { nth } from '@keypost/core/lists';
import { allocate, allocationChange, helpfulChanges, problemOf } from '@keypost/core/planning';
import type { Allocation, IntegerSolver } from '@keypost/core/planning';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { integerSolver } from '../../../../packages/core/test/integerSolver';
import { smallJob, viewOf } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { Allocate } from './AllocateScreen';
import { Outcome } from './Outcome';

const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: mockNavigate }) }));

const mockTask = { start: jest.fn(), cancel: jest.fn(), busy: false, count: 0 };
jest.mock('../workers/useTask', () => ({ useTask: () => mockTask }));

let solver: IntegerSolver;
beforeAll(async () => {
  solver = await integerSolver();
});

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

const npn = (channel: number): Change => ({
  kind: 'addPoint',
  point: { id: `n${channel}`, tag: `PX-9${channel}`, name: 'Tray', deviceId: `n${channel}-b`, bit: 'direct' },
  device: {
    id: `n${channel}-b`,
    tag: `PX-9${channel}`,
    typeId: 'inductive-3w',
    outputs: { output: { kind: 'npn', logic: 'no' } },
  },
  place: { moduleId: 'm', channel },
});
const second: Change = {
  kind: 'addModule',
  module: { id: 'n', tag: 'DI 2', typeId: 'di8-both-4-4', firstByte: 1 },
  commons: [null, null],
};

function show(job: JobContent) {
  const allocation: Allocation = allocate(
    problemOf(job, { pinned: new Set(), spareShare: 0 }),
    solver,
    helpfulChanges(job),
  );
  const change = allocation.kind === 'allocated' ? allocationChange(job, allocation) : undefined;
  const leave = jest.fn();
  const leaveOut = jest.fn();
  render(
    <Outcome view={viewOf(job)} outcome={{ allocation, change }} onLeave={leave} onLeaveOut={leaveOut} />,
  );
  return { change, leave, leaveOut };
}

test('modules, commons, what moves, and the reason of each place are told; nothing is stored', () => {
  show(smallJob('-', 'pnp', [second, npn(1)]));
  const outcome = screen.getByRole('group', { name: 'Outcome' });
  expect(outcome.textContent).toMatch(/2 devices on 1 module with 2 commons/);
  expect(outcome.textContent).toMatch(/Fewer cannot do/);
  expect(screen.getByText(/PNP needs common \d on 0 V/)).toBeTruthy();
  expect(screen.getByText(/NPN needs common \d on plus/)).toBeTruthy();
  expect(sent()).toEqual([]);
});

test('accepted, the change is stored whole, and the panel opens', async () => {
  const { change, leave } = show(smallJob('-', 'pnp', [second, npn(1)]));
  fireEvent.click(screen.getByRole('button', { name: 'Accept the change' }));
  await waitFor(() => expect(leave).toHaveBeenCalled());
  expect(nth(sent(), 0).change).toEqual(JSON.parse(JSON.stringify(change)));
  expect(mockNavigate).toHaveBeenCalledWith('/job/j/panel');
});

test('what was worked out for less is gone once more is to be kept', () => {
  render(<Allocate view={viewOf(smallJob())} />);
  fireEvent.click(screen.getByRole('button', { name: 'Work it out' }));
  expect(mockTask.start).toHaveBeenCalledTimes(1);
  expect(mockTask.cancel).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole('radio', { name: '20 %' }));
  expect(mockTask.cancel).toHaveBeenCalledTimes(1);
  expect(screen.getByRole('radio', { name: '20 %' }).getAttribute('aria-checked')).toBe('true');
});

test('what is placed well already has nothing to accept', () => {
  show(smallJob());
  expect(screen.getByText(/Nothing to change/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Accept the change' })).toBeNull();
});

test('where it cannot be done, the devices in conflict and the ways out are named, and one can be left', () => {
  const { leaveOut } = show(smallJob('-', 'pnp', [npn(1)]));
  const outcome = screen.getByRole('group', { name: 'Outcome' });
  expect(outcome.textContent).toMatch(/PX-1.*PX-91|PX-91.*PX-1/);
  expect(outcome.textContent).toMatch(/must not share a common/);
  expect(outcome.textContent).toMatch(/Add another 8-channel DC input/);
  fireEvent.click(screen.getByRole('button', { name: /^Leave PX-\d+ as it is and go on$/ }));
  expect(leaveOut).toHaveBeenCalledWith([expect.stringMatching(/^(p|n1)$/)]);
});
