import { choose as pick } from '../../test/choose';
import { lastOf, nth } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { planRelay } from '@keypost/core/planning';
import type { RelayRequest } from '@keypost/core/planning';
import { useState } from 'react';
import { inputs, withMains } from '../../../../packages/core/test/families';
import { withPoint } from '../../../../packages/core/test/jobs';
import { openPoint } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { TaskForm, FIRST_DUTIES } from './TaskForm';
import type { Tasks } from './TaskForm';
import { PlanPlates } from './PlanPlates';
import { RelayPlanner } from './RelayScreen';

const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: mockNavigate }) }));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
  mockNavigate.mockReset();
});

const point = () => openPoint(withPoint(withMains(inputs()), { at: null }), 'px-1');
const fan = { kind: 'load', tag: 'FAN', typeId: 'fan-230', on: 'present', bothLines: true } as const;

function show(...tasks: RelayRequest['tasks']) {
  const open = point();
  const plan = planRelay(open.view.content, 'px-1', { tag: 'K1', tasks, suppressor: 'diode' });
  render(<PlanPlates point={open} plan={plan} tag="K1" stale={false} />);
  return plan;
}

test('the plan names each pole, the relay, why not the smaller ones, and the caution of mains', () => {
  show(fan, { kind: 'input', moduleId: 'm', channel: 2, on: 'present' });
  const plan = screen.getByRole('group', { name: 'Contact plan' });
  expect(plan.textContent).toMatch(/3 poles/);
  expect(plan.textContent).toMatch(/Pole 1, common 11 on L 230.V/);
  expect(plan.textContent).toMatch(/21-24 closes: FAN, return/);
  expect(plan.textContent).toMatch(/31-34 closes: M channel 2/);
  const relay = screen.getByRole('group', { name: 'Relay' });
  expect(relay.textContent).toMatch(/Plug-in relay, three poles, coil 24 V DC/);
  expect(within(relay).getAllByText(/3 are needed/).length).toBe(5 - 2);
  expect(screen.getAllByRole('note').length).toBe(2);
});

test('accepted, the whole plan is stored as one change, and the point opens', async () => {
  const plan = show(fan);
  fireEvent.click(screen.getByRole('button', { name: 'Put K1 into the job' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual(JSON.parse(JSON.stringify(plan.change)));
  await waitFor(() => expect(mockNavigate).toHaveBeenCalledWith('/job/j/point/px-1'));
});

test('what was planned for less than is asked cannot be put in, from the very touch on', async () => {
  render(<RelayPlanner point={point()} />);
  const lamp = (group: string) =>
    fireEvent.click(
      within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name: '24 V' }),
    );
  const put = () => screen.findByRole('button', { name: 'Put K1 into the job' });
  lamp('ON lamp');
  await waitFor(async () => expect((await put()).getAttribute('aria-disabled')).not.toBe('true'));
  lamp('OFF lamp');
  fireEvent.click(await put());
  expect((await put()).getAttribute('aria-disabled')).toBe('true');
  await waitFor(async () => expect((await put()).getAttribute('aria-disabled')).not.toBe('true'));
  expect(sent()).toHaveLength(0);
  fireEvent.click(await put());
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(JSON.stringify(nth(sent(), 0).change)).toContain('H2');
});

test('where no relay does all of it, nothing can be accepted', () => {
  const open = point();
  const plan = planRelay(open.view.content, 'px-1', { tag: 'K1', tasks: [fan], suppressor: 'diode' });
  render(
    <PlanPlates
      point={open}
      plan={{ ...plan, chosen: undefined, change: undefined }}
      tag="K1"
      stale={false}
    />,
  );
  expect(screen.getByRole('alert').textContent).toMatch(/share it between two relays/);
  expect(screen.queryByRole('button', { name: /Put K1/ })).toBeNull();
});

describe('what the relay is to do', () => {
  const seen: Tasks[] = [];
  function Form() {
    const [tasks, setDuties] = useState<Tasks>({ ...FIRST_DUTIES, tag: 'K1' });
    seen.push(tasks);
    return <TaskForm point={point()} tasks={tasks} onChange={setDuties} />;
  }
  const last = () => lastOf(seen);
  const choose = (group: string, name: string) =>
    fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }));

  test('line and neutral are asked of a mains load only', () => {
    render(<Form />);
    expect(screen.queryByRole('radiogroup', { name: 'Switch' })).toBeNull();
    pick('Load', 'valve-24');
    expect(screen.queryByRole('radiogroup', { name: 'Switch' })).toBeNull();
    pick('Load', 'pump-230');
    choose('Switch', 'Line and neutral');
    expect(last().load).toMatchObject({ typeId: 'pump-230', bothLines: true });
    pick('Load', '');
    expect(last().load.bothLines).toBe(false);
  });

  test('lamps, tiers and the contact to the controller are each their own choice', () => {
    render(<Form />);
    choose('ON lamp', '24 V');
    choose('OFF lamp', '230 V');
    choose('Stack light', 'Common plus');
    choose('Tier 2, from below', 'Target away');
    pick('Contact to the controller', 'm:3');
    expect(last()).toMatchObject({
      lampOn: '24',
      lampOff: '230',
      input: 'm:3',
      stack: { common: 'plus', tiers: ['unused', 'away', 'unused'] },
    });
  });
});
