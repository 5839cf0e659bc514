import { choose } from '../../test/choose';
import { nth } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { landSteps, loopView, stampedSteps } from '@keypost/core/presentation';
import { readMeter } from '@keypost/core/analysis';
import type { Change } from '@keypost/core/job';
import { ApiProblem } from '@keypost/api/client';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { openPoint, smallJob, viewOf } from '../../test/openPoint';
import { Loaded } from '../data/Loaded';
import { changeSettings } from '../data/settings';
import { Conflict } from '../data/Conflict';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import { whoActs } from '../data/who';
import { LoopDrawing } from '../drawing/LoopDrawing';
import { ChannelCard } from '../land/ChannelCard';
import { channelOptions } from './channelOptions';
import { FiveStates } from '../land/FiveStates';
import { NextStep, StampSteps } from './StampSteps';
import { Meter } from '../land/Meter';
import type { OpenPoint } from './usePoint';
import { StateToggle } from '../land/StateToggle';
import { VerdictText } from './VerdictText';
import { inOrder, Tally } from '../job/Tally';
import { Results } from '../prove/Results';
import { Root } from '../ui/Root';

jest.mock('expo-router', () => ({ usePathname: () => '/' }));

const idle = (): jest.Mocked<Saver> => ({
  saving: false,
  problem: undefined,
  save: jest.fn().mockResolvedValue(undefined),
  addPhoto: jest.fn(),
  retry: jest.fn().mockResolvedValue(undefined),
  force: jest.fn().mockResolvedValue(undefined),
  dismiss: jest.fn(),
});
const refusal = (status: number, more: object = {}): ApiProblem =>
  new ApiProblem({
    type: 'about:blank',
    title: 'T',
    status,
    detail: 'So it is.',
    message: say('schema.other', { said: 'So it is.' }),
    ...more,
  });

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
});

describe('the loop drawing', () => {
  const draw = (present: boolean, onTouch = jest.fn()) => {
    const { analysis } = openPoint();
    const view = loopView(analysis.context, present ? analysis.present : analysis.away);
    render(<LoopDrawing view={view} width={366} leads={{ red: 'd:BK', black: 'd:BU' }} onTouch={onTouch} />);
    return onTouch;
  };

  test('says in words what it shows', () => {
    draw(true);
    expect(
      screen.getByRole('group', {
        name: /Loop of PX-1, inductive · PNP · NO, on DI 1 channel 0: current flows out of the device into the signal wire/,
      }),
    ).toBeTruthy();
    expect(screen.getByText('BK')).toBeTruthy();
    expect(screen.getByText('%IX0.0 = 1')).toBeTruthy();
  });

  test('every terminal and both rails can be touched; the leads say where they are', () => {
    const touched = draw(false);
    const names = screen.getAllByRole('button').map((button) => button.getAttribute('aria-label'));
    expect(names).toEqual([
      'Plus rail of G1',
      '0 V rail of G1',
      'Terminal BN of PX-1',
      'Terminal BU of PX-1',
      'Terminal BK of PX-1',
      'Terminal I0 of DI 1 · ch 0',
      'Terminal COM1 of DI 1 · ch 0',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Terminal COM1 of DI 1 · ch 0' }));
    expect(touched).toHaveBeenCalledWith('m:COM1');
    expect(screen.getByRole('button', { name: 'Terminal BK of PX-1', pressed: true })).toBeTruthy();
  });
});

describe('the meter', () => {
  test('shows value, band and leads, and exchanges them', () => {
    const { analysis } = openPoint();
    const swap = jest.fn();
    const reading = readMeter(analysis.present, 'd:BK', 'd:BU');
    render(<Meter reading={reading} names={{ red: 'BK of PX-1', black: 'BU of PX-1' }} onSwap={swap} />);
    expect(screen.getByTestId('meter-volts').textContent).toMatch(/^22\.9\sV$/);
    expect(screen.getByText(/^2\d\.\d to 2\d\.\d\sV$/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Exchange the leads' }));
    expect(swap).toHaveBeenCalled();
  });

  test('never shows a floating terminal as a firm value', () => {
    const { analysis } = openPoint(smallJob(null, 'npn'));
    const reading = readMeter(analysis.away, 'd:BK', 'd:BU');
    render(<Meter reading={reading} names={{ red: 'BK', black: 'BU' }} onSwap={jest.fn()} />);
    expect(screen.getByText('floating')).toBeTruthy();
    expect(screen.getByText(/BK hangs on nothing/)).toBeTruthy();
  });
});

test('the target is put and taken away', () => {
  const change = jest.fn();
  render(<StateToggle states={openPoint().analysis.shown} chosen="away" onChange={change} />);
  expect(screen.getByRole('radio', { name: 'Target away', checked: true })).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'Target present' }));
  expect(change).toHaveBeenCalledWith('present');
});

test('five things are kept apart for both states', () => {
  const { analysis } = openPoint(smallJob('+', 'npn'));
  render(<FiveStates analysis={analysis} />);
  const text = screen.getByRole('group', { name: 'Both states' }).textContent;
  expect(text).toMatch(/Outputoffon/);
  expect(text).toMatch(/Terminal2\d\.\d\sV1\.\d\sV/);
  expect(text).toMatch(/Input LEDoffon/);
  expect(text).toMatch(/Bit %IX0\.001/);
});

describe('the verdict', () => {
  test('of a point that works is a sentence', () => {
    render(<VerdictText point={openPoint()} saver={idle()} />);
    expect(screen.getByRole('region', { name: 'Verdict' }).textContent).toMatch(/^Works\. The sensor pulls/);
    expect(screen.queryByRole('list', { name: 'Ways out' })).toBeNull();
  });

  test('of a wrong one offers the best way out first, the others on demand, and does what is chosen', () => {
    const saver = idle();
    const point = openPoint(smallJob('-', 'npn'));
    render(<VerdictText point={point} saver={saver} />);
    const ways = within(screen.getByRole('list', { name: 'Ways out' }));
    expect(ways.getAllByRole('button')).toHaveLength(2);
    fireEvent.click(ways.getByText(/more way/));
    expect(ways.getAllByRole('button').length).toBe(point.verdict.remedies.length);
    fireEvent.click(nth(ways.getAllByRole('button'), 0));
    expect(saver.save).toHaveBeenCalledWith(nth(point.verdict.remedies, 0).change);
  });
});

describe('the steps', () => {
  const steps = (point: OpenPoint) =>
    stampedSteps(point.view.content, point.analysis.context.point.id, landSteps(point.analysis));
  const landing = (point: OpenPoint, saver: ReturnType<typeof idle>) => (
    <StampSteps point={point} steps={steps(point)} title="Steps" label="Steps of landing" saver={saver} />
  );

  const stamp: Change = {
    kind: 'stamp',
    stamp: { id: 's1', pointId: 'p', step: 'isolate', fingerprint: {} },
  };

  test('the next one is stamped with what it says', () => {
    const saver = idle();
    const point = openPoint(smallJob('-', 'pnp', [stamp]));
    render(<NextStep point={point} steps={steps(point)} saver={saver} />);
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    const change = nth(saver.save.mock.calls, 0)[0] as { stamp: object };
    expect(change.stamp).toMatchObject({
      pointId: 'p',
      step: 'supply',
      fingerprint: { 'wire:d-BN': expect.any(String), 'wire:d-BU': expect.any(String) },
    });
  });

  test('cautions stand at the step, and a stamp shows who and when', () => {
    render(landing(openPoint(smallJob('-', 'pnp', [stamp])), idle()));
    expect(screen.getAllByRole('note').map((note) => note.getAttribute('aria-label'))).toEqual([
      expect.stringMatching(/Machines can start by themselves/),
      expect.stringMatching(/site’s lock-off rules; mains only for people licensed or authorised/),
      expect.stringMatching(/may move/),
    ]);
    expect(screen.getByText(/· TT$/)).toBeTruthy();
    expect(screen.getByText('1 of 7')).toBeTruthy();
  });

  test('undoing needs a reason', () => {
    const saver = idle();
    render(landing(openPoint(smallJob('-', 'pnp', [stamp])), saver));
    fireEvent.click(screen.getByRole('button', { name: /^Undo: Isolate/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Undo this step' }));
    expect(saver.save).not.toHaveBeenCalled();
    fireEvent.change(screen.getByLabelText('Why is it undone?'), { target: { value: 'wrong cell' } });
    fireEvent.click(screen.getByRole('button', { name: 'Undo this step' }));
    expect(saver.save).toHaveBeenCalledWith(
      { kind: 'undoStamp', id: 's1', reason: 'wrong cell' },
      expect.anything(),
    );
  });
});

test('free channels stand in their groups with what the common sits on', () => {
  const point = openPoint();
  const options = channelOptions(point.index, point.analysis.context, undefined);
  expect(options.map(({ value }) => value)).toEqual([1, 2, 3, 4, 5, 6, 7].map((n) => `m:${n}`));
  expect(nth(options, 0).group).toMatch(/^DI 1, common 1 on 0\sV$/);
  const saver = idle();
  render(<ChannelCard point={point} saver={saver} />);
  choose('Channel of the signal wire', 'm:3');
  fireEvent.click(screen.getByRole('button', { name: 'Land it here' }));
  expect(saver.save).toHaveBeenCalledWith({
    kind: 'assign',
    pointId: 'p',
    place: { moduleId: 'm', channel: 3 },
  });
});

test('stopped points come first on the board, and each kind is counted', () => {
  const rows = [smallJob('-'), smallJob('+'), smallJob(null)].map((job, i) => ({
    ...openPoint(job).progress,
    pointId: String(i),
  }));
  expect(inOrder(rows).map(({ pointId }) => pointId)).toEqual(['1', '2', '0']);
  render(<Tally progress={rows} narrow={false} />);
  expect(screen.getByRole('group', { name: '2 can’t work' })).toBeTruthy();
  expect(screen.getByRole('group', { name: '1 to do' })).toBeTruthy();
});

test('results are listed newest first with what was expected', () => {
  const result = (id: string, measured: number, pass: boolean) => ({
    id,
    pointId: 'p',
    check: 'present.volts',
    fingerprint: {},
    expected: { min: 21, max: 24.4 },
    measured,
    pass,
    difference: 0,
  });
  const job = smallJob('-', 'pnp', [
    { kind: 'record', results: [result('a', 14.2, false)] },
    { kind: 'record', results: [result('b', 22.9, true)] },
  ]);
  render(<Results point={openPoint(job)} />);
  expect(screen.getByRole('group', { name: 'Stored results' }).textContent).toMatch(/22\.9\sV.*14\.2\sV/);
});

describe('what was not stored', () => {
  test('is said, and tried again only where that can help', () => {
    const saver = { ...idle(), problem: refusal(0) };
    const { rerender } = render(<SaveNotice saver={saver} />);
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(saver.retry).toHaveBeenCalled();
    rerender(<SaveNotice saver={{ ...saver, problem: refusal(422) }} />);
    expect(screen.queryByRole('button', { name: 'Try again' })).toBeNull();
    expect(screen.getByRole('alert').textContent).toMatch(/Not stored\. So it is\./);
  });

  test('because somebody was faster: both are offered', () => {
    const row = { id: 'p', tag: 'PX-9', name: 'Theirs', deviceId: 'd', bit: 'direct' };
    const problem = refusal(409, { current: [{ collection: 'points', id: 'p', revision: 2, row }] });
    const saver = { ...idle(), problem };
    render(<Conflict saver={saver} view={viewOf(smallJob())} />);
    expect(screen.getByRole('alert').textContent).toMatch(/tag PX-1 → PX-9, name Valve shut → Theirs/);
    fireEvent.click(screen.getByRole('button', { name: 'Keep mine' }));
    expect(saver.force).toHaveBeenCalled();
  });
});

test('what is read shows that it waits, or why it cannot, or itself', () => {
  const retry = jest.fn();
  const show = (data: string | undefined, error: ApiProblem | undefined) => (
    <Loaded data={data} error={error} retry={retry} what="the job">
      {(text) => text}
    </Loaded>
  );
  const { rerender, container } = render(show(undefined, undefined));
  expect(screen.getByRole('status').textContent).toContain('Reading the job …');
  rerender(show(undefined, refusal(0)));
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(retry).toHaveBeenCalled();
  rerender(show('here', refusal(0)));
  expect(container.textContent).toBe('here');
});

describe('who works here', () => {
  const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep and go on' }));

  test('is asked before the first act, refused when empty, and not asked again', async () => {
    changeSettings({ by: '' });
    render(<Root>{null}</Root>);
    const acts = whoActs();
    await screen.findByRole('heading', { name: 'Who works here?' });
    keep();
    expect(screen.getByText(/Enter your initials/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Your initials'), { target: { value: ' JT ' } });
    keep();
    expect(await acts).toBe('JT');
    expect(await whoActs()).toBe('JT');
    expect(screen.queryByRole('heading', { name: 'Who works here?' })).toBeNull();
  });

  test('can be left open: then nothing is done', async () => {
    changeSettings({ by: '' });
    render(<Root>{null}</Root>);
    const acts = whoActs();
    fireEvent.click(await screen.findByRole('button', { name: 'Not now' }));
    expect(await acts).toBeUndefined();
  });
});
