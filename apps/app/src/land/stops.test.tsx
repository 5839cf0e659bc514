import { nth } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { stopping, relayOnDrive, twoContactors, without } from '../../../../packages/core/test/safetyJobs';
import { openPoint, smallJob } from '../../test/openPoint';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { StopsCard } from './StopsCard';

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  serverStores();
});

function Stops({ point }: { point: OpenPoint }) {
  return <StopsCard point={point} saver={useSave(point.view)} />;
}

test('each contactor stands there with the safe contact that feeds it', () => {
  render(<Stops point={openPoint(twoContactors(), 'px-1')} />);
  const text = screen.getByRole('group', { name: 'What it stops' }).textContent;
  expect(text).toContain('KMfed by 13-14 of S');
  expect(text).toContain('KM2fed by 23-24 of S');
});

test('a coil that is not wired is marked, and a guard that stops nothing is told so', () => {
  const { unmount } = render(<Stops point={openPoint(without(twoContactors(), 'km2:A1'), 'px-1')} />);
  expect(screen.getByRole('group', { name: 'What it stops' }).textContent).toContain('KM2not wired');
  expect(screen.getByRole('img', { name: 'cannot work' })).toBeTruthy();
  unmount();
  const nothing = without(relayOnDrive(), 'd:S1', 'd:S2');
  render(<Stops point={openPoint(nothing, 'px-1')} />);
  expect(screen.getByText(/A guard that stops nothing protects nobody/)).toBeTruthy();
});

test('what else it is to stop is named, and taken back, with one touch', async () => {
  const drive = without(relayOnDrive(), 'd:S1', 'd:S2');
  const { unmount } = render(<Stops point={openPoint(drive, 'px-1')} />);
  fireEvent.click(screen.getByRole('checkbox', { name: 'D' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({ kind: 'editPoint', id: 'px-1', patch: { stops: ['d'] } });
  unmount();
  render(<Stops point={openPoint(stopping(drive, 'd'), 'px-1')} />);
  expect(screen.getByRole('checkbox', { name: 'D' }).getAttribute('aria-checked')).toBe('true');
  fireEvent.click(screen.getByRole('checkbox', { name: 'D' }));
  await waitFor(() => expect(sent()).toHaveLength(2));
  expect(nth(sent(), 1).change).toMatchObject({ patch: { stops: [] } });
});

test('is not there for a sensor that protects nobody', () => {
  const { container } = render(<Stops point={openPoint(smallJob())} />);
  expect(container.textContent).toBe('');
});
