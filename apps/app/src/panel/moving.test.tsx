import { nth } from '@keypost/core/lists';
import { JobIndex } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { smallJob, viewOf } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { ModuleCard } from './ModuleCard';
import { MoveDock } from './MoveDock';
import { useMoving } from './useMoving';

jest.mock('expo-router', () => ({
  useGlobalSearchParams: () => ({ jobId: 'j' }),
  Link: ({ href, children }: { href: string; children: unknown }) => (
    <a href={href}>{children as React.ReactNode}</a>
  ),
}));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

const more: Change[] = [
  {
    kind: 'addModule',
    module: { id: 'n', tag: 'DI 2', typeId: 'di8-both-4-4', firstByte: 1 },
    commons: ['+', '-'],
  },
  {
    kind: 'addModule',
    module: { id: 'ai', tag: 'AI 1', typeId: 'ai4-switch', firstByte: 8 },
    commons: ['-', '-', '-', '-'],
  },
];
const job = viewOf(smallJob('-', 'pnp', more));
const index = new JobIndex(job.content);
const at = (moduleId: string, channel: number) => ({ moduleId, channel });

const moving = () => renderHook(() => useMoving(job, index)).result;

test('until a move begins every cell leads to its point', () => {
  const move = moving();
  expect(move.current.stateOf(at('m', 0), 'p')).toBe('rest');
});

test('first a device is picked, then a free place that suits it; others stay out of it', () => {
  const move = moving();
  act(() => move.current.begin());
  expect(move.current.stateOf(at('m', 0), 'p')).toBe('source');
  expect(move.current.stateOf(at('n', 5), undefined)).toBe('idle');
  act(() => move.current.touch(at('m', 0), 'p'));
  expect(move.current.stateOf(at('m', 0), 'p')).toBe('picked');
  expect(move.current.stateOf(at('n', 5), undefined)).toBe('target');
  expect(move.current.stateOf(at('ai', 0), undefined)).toBe('idle');
});

test('the circuit says what would come of it: works on minus, cannot on plus', () => {
  const move = moving();
  act(() => move.current.begin());
  act(() => move.current.touch(at('m', 0), 'p'));
  act(() => move.current.touch(at('n', 5), undefined));
  expect(move.current.status).toBe('works');
  expect(move.current.change).toEqual({ kind: 'assign', pointId: 'p', place: at('n', 5) });
  act(() => move.current.touch(at('n', 1), undefined));
  expect(move.current.status).toBe('cannot');
  expect(move.current.stateOf(at('n', 1), undefined)).toBe('chosen');
});

test('touched again, the device is put down; left, nothing is chosen', () => {
  const move = moving();
  act(() => move.current.begin());
  act(() => move.current.touch(at('m', 0), 'p'));
  act(() => move.current.touch(at('m', 0), 'p'));
  expect(move.current.pointId).toBeUndefined();
  act(() => move.current.touch(at('m', 0), 'p'));
  act(() => move.current.touch(at('n', 5), undefined));
  act(() => move.current.end());
  expect([move.current.on, move.current.change]).toEqual([false, undefined]);
});

function Panel() {
  const move = useMoving(job, index);
  return (
    <>
      {job.content.modules.map((module) => (
        <ModuleCard
          key={module.id}
          view={job}
          index={index}
          module={module}
          progress={undefined}
          moving={move}
          onEdit={jest.fn()}
        />
      ))}
      <button onClick={move.begin}>begin</button>
      {move.on && <MoveDock view={job} index={index} moving={move} />}
    </>
  );
}

test('on the panel: picked and placed by name, stored as one assignment', async () => {
  render(<Panel />);
  expect(screen.getByRole('link', { name: /DI 1 channel 0, common 1, PX-1 Valve shut/ })).toBeTruthy();
  expect(screen.getByRole('link', { name: /AI 1 analog input 1, .*free/ })).toBeTruthy();
  fireEvent.click(screen.getByText('begin'));
  expect(screen.getByRole('status').textContent).toContain('Touch the device that moves.');
  fireEvent.click(screen.getByRole('button', { name: /DI 1 channel 0/ }));
  expect(screen.getByRole('status').textContent).toContain('PX-1: touch the free channel');
  fireEvent.click(screen.getByRole('button', { name: /DI 2 channel 5/ }));
  expect(screen.getByRole('status').textContent).toContain('PX-1 on DI 2 channel 5: it would work.');
  fireEvent.click(screen.getByRole('button', { name: 'Move it here' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({ kind: 'assign', pointId: 'p', place: at('n', 5) });
});

test('the escape key leaves everything where it is', () => {
  render(<Panel />);
  fireEvent.click(screen.getByText('begin'));
  fireEvent.click(screen.getByRole('button', { name: /DI 1 channel 0/ }));
  fireEvent.keyDown(document, { key: 'Escape' });
  expect(screen.queryByRole('status')).toBeNull();
  expect(sent()).toEqual([]);
});

test('a common is turned by its rail, and says where it sits', async () => {
  render(<Panel />);
  const common = screen.getByRole('radiogroup', { name: 'Common 1 of DI 2' });
  const chosen = [...common.querySelectorAll('[role=radio]')].filter(
    (radio) => radio.getAttribute('aria-checked') === 'true',
  );
  expect(chosen.map((radio) => radio.getAttribute('aria-label'))).toEqual(['Common 1 of DI 2 on +24\u00a0V']);
  fireEvent.click(screen.getByRole('radio', { name: 'Common 1 of DI 2 on no rail' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({ kind: 'setCommon', moduleId: 'n', common: 'COM1', rail: null });
});

test('a common is turned by an arrow, though the key was let go at once', async () => {
  render(<Panel />);
  const plus = screen.getByRole('radio', { name: 'Common 1 of DI 2 on +24\u00a0V' });
  act(() => plus.focus());
  fireEvent.keyDown(plus, { key: 'ArrowRight' });
  fireEvent.keyUp(plus, { key: 'ArrowRight' });
  await waitFor(() => expect(sent()).toHaveLength(1));
  const { change } = nth(sent(), 0);
  const words = document.activeElement?.getAttribute('aria-label') ?? '';
  expect(change).toMatchObject({ kind: 'setCommon', rail: words.endsWith('on 0\u00a0V') ? '-' : null });
});
