import { fireEvent, render, screen, within } from '@testing-library/react';
import { choose } from '../../test/choose';
import { FAMILIES } from '../../../../packages/core/test/families';
import { openPoint, smallJob } from '../../test/openPoint';
import type { Change } from '@keypost/core/job';
import { applyChange } from '@keypost/core/job';
import { changeSettings } from '../data/settings';
import * as saving from '../data/useSave';
import { say } from '@keypost/core/messages';
import { CaseCard } from './CaseCard';
import { RatedChoice } from './RatedChoice';
import { GuardNotice, Searched } from './FaultScreen';
import { suspectedWires } from './suspectText';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children }));

beforeEach(() => localStorage.clear());

/** Ohms are asked for only once somebody says that it is dead; nobody can type any before. */
function isolate() {
  const dead = screen.queryByRole('button', { name: 'It is isolated and proven dead' });
  if (!dead) return;
  expect(screen.queryByLabelText('The meter shows')).toBeNull();
  expect(screen.getByRole('note').textContent).toMatch(/never measured on anything live.*licensed/);
  fireEvent.click(dead);
}

const list = () => within(screen.getByRole('list', { name: 'Suspects' }));

test('one look after the other leads to a supply that is gone; what was seen is kept, and can be taken back', () => {
  const shown = render(<Searched point={openPoint(smallJob())} />);
  expect(screen.getByText('before anything was seen')).toBeTruthy();
  let looks = 0;
  // Dark LEDs, a 0 in the program, and nothing on the meter: whatever is asked.
  while (!/(9\d|100)\s%/.test(list().getAllByRole('listitem')[0]?.textContent ?? '') && looks < 12) {
    const dark = screen.queryByRole('button', { name: /^(Dark|0)$/ });
    if (dark) fireEvent.click(dark);
    else {
      isolate();
      fireEvent.change(screen.getByLabelText('The meter shows'), { target: { value: '0' } });
      fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
    }
    looks++;
  }
  expect(list().getAllByRole('listitem')[0]?.textContent).toContain('gives nothing');
  expect(looks).toBeLessThan(9);
  shown.unmount();
  render(<Searched point={openPoint(smallJob())} />);
  const seen = screen.getAllByRole('button', { name: /^Take back: / });
  expect(seen).toHaveLength(looks);
  fireEvent.click(seen[0] as HTMLElement);
  expect(screen.getAllByRole('button', { name: /^Take back: / })).toHaveLength(looks - 1);
  fireEvent.click(screen.getByRole('button', { name: 'Begin anew' }));
  expect(screen.queryByRole('button', { name: /^Take back: / })).toBeNull();
});

test('of what guards people that is said first, and before each look that starts it', () => {
  const point = openPoint(FAMILIES['guard switch']?.(), 'px-1');
  render(<GuardNotice point={point} />);
  expect(screen.getByText(/take it that it stops nothing.*never bridge it/)).toBeTruthy();
  render(<Searched point={point} />);
  const asked: boolean[] = [];
  for (let i = 0; i < 8; i++) {
    const starts = /reset/.test(screen.getByRole('status').textContent ?? '');
    expect(screen.queryByRole('note', { name: /What a reset releases can move/ }) !== null).toBe(starts);
    asked.push(starts);
    fireEvent.click(screen.getByRole('button', { name: 'Cannot look there now' }));
  }
  expect(new Set(asked)).toEqual(new Set([true, false]));
  fireEvent.click(
    within(screen.getByRole('group', { name: 'Suspects' })).getByRole('button', { name: /more$/ }),
  );
  const rowOf = (what: RegExp) => list().getByText(what).closest('[role=listitem]')?.textContent;
  expect(rowOf(/does not open its contacts/)).toContain('With this it does not stop.');
  expect(rowOf(/does not close its contacts/)).not.toContain('does not stop');
  expect(render(<GuardNotice point={openPoint(smallJob())} />).container.textContent).toBe('');
});

test('where one cannot look now is left out, and what is no voltage is refused', () => {
  render(<Searched point={openPoint(smallJob())} />);
  for (let i = 0; i < 20 && !screen.queryByLabelText('The meter shows'); i++)
    fireEvent.click(screen.getByRole('button', { name: 'Cannot look there now' }));
  fireEvent.change(screen.getByLabelText('The meter shows'), { target: { value: 'wet' } });
  fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
  expect(screen.queryByRole('button', { name: /^Take back: / })).toBeNull();
  expect(screen.getByText(/only by who is allowed to/)).toBeTruthy();
});

test('a fault is reported in words, and what it was is asked for before it is called mended', () => {
  const saved: unknown[] = [];
  jest.spyOn(saving, 'useSave').mockReturnValue({
    saving: false,
    problem: undefined,
    save: async (change, options) => {
      saved.push(change);
      options?.then?.();
    },
    addPhoto: jest.fn(),
    retry: async () => undefined,
    force: async () => undefined,
    dismiss: () => undefined,
  });
  changeSettings({ by: 'JT' });
  const point = openPoint(smallJob());
  const shown = render(<CaseCard point={point} kept={[{ id: 'bit present', is: false }]} found={[]} />);
  fireEvent.click(screen.getByRole('button', { name: 'Report the fault' }));
  expect(saved).toEqual([]);
  expect(screen.getByText(/Say what does not work/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('What does not work'), { target: { value: 'Counts no boxes' } });
  fireEvent.click(screen.getByRole('button', { name: 'Report the fault' }));
  expect(saved).toMatchObject([
    {
      kind: 'reportFault',
      fault: { body: { kind: 'opened', symptom: 'Counts no boxes', seen: [{ is: false }] } },
    },
  ]);
  shown.unmount();
  const reported = applyChange(smallJob(), saved[0] as Change, { by: 'JT', at: '2026-10-01T08:00:00.000Z' });
  render(<CaseCard point={openPoint(reported)} kept={[]} found={[]} />);
  fireEvent.click(screen.getByRole('button', { name: 'Mended' }));
  fireEvent.click(screen.getByRole('button', { name: 'Store: it works again' }));
  expect(screen.getByText('Say what it was.')).toBeTruthy();
  expect(screen.getByText('Say what was done.')).toBeTruthy();
  expect(saved).toHaveLength(1);
  fireEvent.change(screen.getByLabelText('What it was'), { target: { value: 'Gland' } });
  fireEvent.change(screen.getByLabelText('What was done'), { target: { value: 'Tightened' } });
  fireEvent.change(screen.getByLabelText('Down for'), { target: { value: '-5' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store: it works again' }));
  expect(screen.getByText(/0 min to 10 years/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Down for'), { target: { value: '35' } });
  fireEvent.click(screen.getByRole('button', { name: 'Store: it works again' }));
  expect(saved[1]).toMatchObject({
    fault: {
      body: { kind: 'mended', what: 'Gland', sort: 'other', downMinutes: 35, touched: ['p', 'd'] },
    },
  });
});

test('who knows the plant says how often it is this, and everybody sees who said it', () => {
  const save = jest.fn(async () => undefined);
  jest.spyOn(saving, 'useSave').mockReturnValue({
    saving: false,
    problem: undefined,
    save,
    addPhoto: jest.fn(),
    retry: async () => undefined,
    force: async () => undefined,
    dismiss: () => undefined,
  });
  const shown = render(<RatedChoice point={openPoint(smallJob())} sort="wire-weak" />);
  expect(screen.getByRole('radio', { name: 'As usual' }).getAttribute('aria-checked')).toBe('true');
  fireEvent.click(screen.getByRole('radio', { name: 'Often' }));
  const change = {
    kind: 'reportFault',
    fault: { pointId: 'p', body: { kind: 'rated', sort: 'wire-weak', often: 'often' } },
  };
  expect(save.mock.calls).toMatchObject([[change]]);
  shown.unmount();
  const fault = {
    id: 'f1',
    pointId: 'p',
    body: { kind: 'rated', sort: 'wire-weak', often: 'often' },
  } as const;
  const rated = applyChange(
    smallJob(),
    { kind: 'reportFault', fault },
    { by: 'JT', at: '2026-10-01T08:00:00.000Z' },
  );
  render(<RatedChoice point={openPoint(rated)} sort="wire-weak" />);
  expect(screen.getByRole('radio', { name: 'Often' }).getAttribute('aria-checked')).toBe('true');
  expect(screen.getByText(/JT/)).toBeTruthy();
});

test('wires are drawn as suspected from a share on, those of a group each for its part', () => {
  const wire = (id: string, share: number, others = 0) => ({
    share,
    rows: Array.from({ length: 1 + others }, () => ({
      sights: [],
      fault: {
        id,
        what: say('fault.bit-other'),
        place: { in: 'wire' as const, ids: [id] },
        sort: 'wire-open' as const,
        likely: 'often' as const,
      },
    })),
  });
  expect([...suspectedWires([wire('a', 0.5), wire('b', 0.02), wire('c', 0.2, 9)])]).toEqual(['a']);
});

test('whoever would rather look elsewhere, or has seen something already, chooses it', () => {
  render(<Searched point={openPoint(smallJob())} />);
  expect(screen.queryByRole('button', { name: '0' })).toBeNull();
  // LEDs of the sensor and the input in two states each, then the bit away and present.
  choose('Or look elsewhere', '5');
  fireEvent.click(screen.getByRole('button', { name: '0' }));
  expect(screen.getByRole('button', { name: /^Take back: .*in the program, Target present/ })).toBeTruthy();
});

test('a suspect is opened for what would confirm it and what mends it; its look is taken next on wish', () => {
  render(<Searched point={openPoint(smallJob())} />);
  const suspect = list().getAllByRole('button', { name: /is interrupted/ })[0] as HTMLElement;
  expect(suspect.getAttribute('aria-expanded')).toBe('false');
  fireEvent.click(suspect);
  expect(suspect.getAttribute('aria-expanded')).toBe('true');
  expect(list().getByText(/Remake the end that is loose/)).toBeTruthy();
  expect(list().getByRole('note').textContent).toMatch(/proven dead, by who is licensed to/);
  const wanted = list().getByText(/^To confirm or clear it, about/).nextSibling?.textContent ?? '';
  fireEvent.click(list().getByRole('button', { name: 'Look there next' }));
  const [what = ''] = wanted.split(', ');
  expect(screen.getByRole('status').textContent).toContain(what);
  fireEvent.click(suspect);
  expect(list().queryByText(/Remake the end/)).toBeNull();
});
