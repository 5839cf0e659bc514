import { chainOf } from '@keypost/core/scaling';
import type { PointChain } from '@keypost/core/scaling';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { openPoint, smallJob } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import type { OpenPoint } from '../point/usePoint';
import { InputCard } from './InputCard';
import { ThresholdForm } from './ThresholdScreen';

const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useLocalSearchParams: () => ({}),
  useRouter: () => ({ navigate: mockNavigate }),
}));

const point = (): OpenPoint => openPoint(pressureJob(), 'pt');
const made = (open: OpenPoint): PointChain => chainOf(open.analysis) as PointChain;

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT' });
  serverStores();
});

describe('a threshold', () => {
  const typed = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  const chosen = (name: RegExp | string) => fireEvent.click(screen.getByRole('radio', { name }));
  const shown = (open: OpenPoint) => render(<ThresholdForm point={open} made={made(open)} />);
  const surely = () => screen.getByRole('status', { name: 'How surely it switches' }).textContent ?? '';

  test('is told in every unit of the chain, in whatever unit it is typed, and is a draft', () => {
    const first = shown(point());
    expect(screen.queryByRole('status', { name: 'How surely it switches' })).toBeNull();
    typed('On at', '60 psi');
    typed('Off again at', '3.5');
    expect(surely()).toContain('In the sensor');
    // 60 psi are 4.137 bar: 15.03 mA of 4 to 20 mA over 6 bar.
    expect(surely()).toMatch(/At the sensorOn14\.90 to 15\.16 mA/);
    first.unmount();
    shown(point());
    expect((screen.getByLabelText('On at') as HTMLInputElement).value).toBe('60 psi');
  });

  test('that cannot be is refused at its field, and what is wrong with it is said', () => {
    shown(point());
    typed('On at', '4');
    typed('Off again at', '4');
    expect(screen.getByText(/are the same|at the same/i)).toBeTruthy();
    typed('Off again at', '3.99');
    expect(surely()).toContain('lie over each other');
    typed('On at', '7');
    expect(surely()).toContain('lies outside the range');
  });

  test('a relay is set in the unit of its signal, and has its own accuracy; what protects is judged', async () => {
    shown(point());
    chosen(/^By a relay/);
    typed('On at', '15');
    typed('Off again at', '14.5');
    typed('Accuracy of the relay', '1');
    expect(surely()).toContain('By a relay of ±1 %');
    fireEvent.click(screen.getByRole('button', { name: 'Output, delays, faults' }));
    typed('Waits after the start', '5');
    chosen('Its output on');
    expect(screen.getAllByLabelText('not on the safe side').length).toBeGreaterThan(2);
    fireEvent.click(screen.getByRole('button', { name: 'Keep the threshold' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]?.change).toMatchObject({
      kind: 'setSwitching',
      pointId: 'pt',
      switching: {
        outputs: [
          {
            decidedBy: 'relay',
            watches: 'signal',
            unit: 'mA',
            mode: { kind: 'points', set: 15, reset: 14.5 },
            startUp: 5,
            safeSide: 'on',
            accuracyPercent: 1,
          },
        ],
      },
    });
  });
});

test('of a point that only switches it is said which side its input is to be on, and what faults make of it', async () => {
  const { rerender } = render(<InputCard point={openPoint(smallJob())} />);
  expect(screen.queryAllByLabelText('not on the safe side')).toEqual([]);
  fireEvent.click(screen.getByRole('radio', { name: '1' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(sent()[0]?.change).toEqual({
    kind: 'setSwitching',
    pointId: 'p',
    switching: { safeInput: 'on' },
  });
  const decided = smallJob('-', 'pnp', [
    { kind: 'setSwitching', pointId: 'p', switching: { safeInput: 'on' } },
  ]);
  rerender(<InputCard point={openPoint(decided)} />);
  expect(screen.getAllByLabelText('not on the safe side').length).toBeGreaterThan(1);
});
