import { chainOf } from '@keypost/core/scaling';
import type { PointChain } from '@keypost/core/scaling';
import { fireEvent, render, screen } from '@testing-library/react';
import { openPoint } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import type { OpenPoint } from '../point/usePoint';
import { ThresholdCard } from './ThresholdCard';

const point = (): OpenPoint => openPoint(pressureJob(), 'pt');
const made = (open: OpenPoint): PointChain => chainOf(open.analysis) as PointChain;

describe('a threshold', () => {
  const typed = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  const shown = (open: OpenPoint) => render(<ThresholdCard point={open} made={made(open)} />);
  const surely = () => screen.getByRole('status', { name: 'How surely it switches' });

  test('is told in every unit of the chain, in whatever unit it is typed, and is a draft', () => {
    const first = shown(point());
    expect(screen.queryByRole('status')).toBeNull();
    typed('On at', '60 psi');
    typed('Off again at', '3.5');
    const text = surely().textContent ?? '';
    expect(text).toContain('In the sensor');
    // 60 psi are 4.137 bar: 15.03 mA of 4 to 20 mA over 6 bar.
    expect(text).toMatch(/At the sensorOn14\.90 to 15\.16 mA/);
    first.unmount();
    shown(point());
    expect((screen.getByLabelText('On at') as HTMLInputElement).value).toBe('60 psi');
    localStorage.clear();
  });

  test('that cannot be is refused at its field, and what is wrong with it is said', () => {
    shown(point());
    typed('On at', '4');
    typed('Off again at', '4');
    expect(screen.getByText(/Set point and reset point are the same/)).toBeTruthy();
    typed('Off again at', '3.99');
    expect(surely().textContent).toContain('lie over each other');
    typed('On at', '7');
    expect(surely().textContent).toContain('lies outside the range');
    localStorage.clear();
  });
});
