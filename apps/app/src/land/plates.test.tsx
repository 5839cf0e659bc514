import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { render, screen } from '@testing-library/react';
import { barrierLoop } from '../../../../packages/core/test/families';
import { openPoint, smallJob } from '../../test/openPoint';
import { changeSettings } from '../data/settings';
import { LoopBudgetCard } from './LoopBudgetCard';
import { ArcChainCard } from './ArcChainCard';
import { MoreCard } from './MoreCard';

jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: unknown }) => (
    <a href={href}>{children as React.ReactNode}</a>
  ),
}));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
});

const arcUnit = (tag: string, channel: number, settings: Record<string, string>): Change => ({
  kind: 'addPoint',
  point: { id: tag.toLowerCase(), tag, name: 'Board', deviceId: `${tag}-b`, bit: 'direct' },
  device: { id: `${tag}-b`, tag, typeId: 'arc-unit', settings },
  place: { moduleId: 'm', channel },
});

describe('the loop’s budget', () => {
  test('adds the drops to the supply’s volts, and tells the spare and the longest cable', () => {
    render(<LoopBudgetCard analysis={openPoint(barrierLoop(100, '250'), 'px-1').analysis} />);
    const text = screen.getByRole('group', { name: 'Loop budget' }).textContent;
    expect(text).toMatch(/Supply24\.0.V/);
    expect(text).toMatch(/Left for the transmitter, at worst/);
    expect(text).toMatch(/to spare: the cable may be \d+ m long|too few at the top current/);
    expect(text).toMatch(/needs 250 Ω, which is there/);
  });

  test('says how much is lacking in a loop that is too long', () => {
    render(<LoopBudgetCard analysis={openPoint(barrierLoop(2000, '470'), 'px-1').analysis} />);
    expect(screen.getByText(/V too few at the top current/)).toBeTruthy();
  });

  test('of an open loop tells that, and no volts that are not there', () => {
    const loop = barrierLoop(100, '250');
    const job = { ...loop, wires: loop.wires.filter(({ from, to }) => ![from, to].includes('px-1-b:-')) };
    render(<LoopBudgetCard analysis={openPoint(job, 'px-1').analysis} />);
    const text = screen.getByRole('group', { name: 'Loop budget' }).textContent;
    expect(text).toContain('The loop is open');
    expect(text).not.toMatch(/\d V/);
  });

  test('is not there for a sensor that switches', () => {
    const { container } = render(<LoopBudgetCard analysis={openPoint().analysis} />);
    expect(container.textContent).toBe('');
  });
});

describe('the chain', () => {
  const job = smallJob('-', 'pnp', [
    arcUnit('AX-1', 1, { address: '1', last: 'off' }),
    arcUnit('AX-2', 2, { address: '2', last: 'on' }),
  ]);

  test('gives each unit its switches, in words too, and the order of the fibre', () => {
    render(<ArcChainCard point={openPoint(job, 'ax-2')} />);
    const switches = screen.getAllByRole('img').map((image) => image.getAttribute('aria-label'));
    expect(switches).toEqual([
      'Switches: 1 on, 2 off, 3 off, 4 off, 5 off, 6 off',
      'Switches: 1 off, 2 on, 3 off, 4 off, 5 off, 6 on',
    ]);
    const text = screen.getByRole('group', { name: 'Chain' }).textContent;
    expect(text).toContain('Fibre IN from OUT of AX-1, OUT to IN of the main unit');
    expect(text).toContain('Fibre IN from OUT of the main unit, OUT to IN of AX-2');
  });

  test('is not there for anything else', () => {
    const { container } = render(<ArcChainCard point={openPoint(job)} />);
    expect(container.textContent).toBe('');
  });
});

describe('the ways on', () => {
  test('say how many wires are other than planned', () => {
    const job = smallJob();
    render(<MoreCard point={openPoint(job)} />);
    expect(screen.getByRole('link', { name: /Wires as found: 3, all as planned/ })).toBeTruthy();
    const found = applyChange(
      job,
      { kind: 'landWire', wireId: 'd-BK', asFound: { missing: true } },
      { by: 'T', at: '2026-01-01T00:00:00.000Z' },
    );
    render(<MoreCard point={openPoint(found)} />);
    expect(screen.getByRole('link', { name: /Wires as found: 1 other than planned/ })).toBeTruthy();
  });

  test('count the photos that are there, not those that were removed', () => {
    const job = smallJob();
    const [point] = job.points;
    const photo = (id: string) => ({
      id,
      subject: { kind: 'point' as const, pointId: point?.id ?? '' },
      caption: '',
      width: 10,
      height: 10,
      bytes: 100,
      sha256: '0'.repeat(64),
      by: 'T',
      at: '2026-01-01T00:00:00.000Z',
    });
    const removed = { by: 'T', at: '2026-01-02T00:00:00.000Z', reason: 'Blurred' };
    const photos = [photo('one'), { ...photo('two'), removed }];
    render(<MoreCard point={openPoint({ ...job, photos })} />);
    expect(screen.getByRole('link', { name: /Photos: one$/ })).toBeTruthy();
  });

  test('lead to a relay only from what switches one', () => {
    render(<MoreCard point={openPoint(barrierLoop(10), 'px-1')} />);
    expect(screen.queryByRole('link', { name: /Plan a relay/ })).toBeNull();
    render(<MoreCard point={openPoint()} />);
    expect(screen.getByRole('link', { name: /Plan a relay/ })).toBeTruthy();
  });
});
