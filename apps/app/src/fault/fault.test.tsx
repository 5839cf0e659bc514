import { fireEvent, render, screen, within } from '@testing-library/react';
import { openPoint, smallJob } from '../../test/openPoint';
import { Searched } from './FaultScreen';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children }));

beforeEach(() => localStorage.clear());

const list = () => within(screen.getByRole('list', { name: 'Suspects' }));

test('one look after the other leads to a supply that is gone; what was seen is kept, and can be taken back', () => {
  const shown = render(<Searched point={openPoint(smallJob())} />);
  expect(screen.getByText('before anything was seen')).toBeTruthy();
  let looks = 0;
  // Dark LEDs, a 0 in the program, and nothing on the meter: whatever is asked.
  while (!/9\d\s%/.test(list().getAllByRole('listitem')[0]?.textContent ?? '') && looks < 12) {
    const dark = screen.queryByRole('button', { name: /^(Dark|0)$/ });
    if (dark) fireEvent.click(dark);
    else {
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

test('where one cannot look now is left out, and what is no voltage is refused', () => {
  render(<Searched point={openPoint(smallJob())} />);
  for (let i = 0; i < 20 && !screen.queryByLabelText('The meter shows'); i++)
    fireEvent.click(screen.getByRole('button', { name: 'Cannot look there now' }));
  fireEvent.change(screen.getByLabelText('The meter shows'), { target: { value: 'wet' } });
  fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
  expect(screen.queryByRole('button', { name: /^Take back: / })).toBeNull();
  expect(screen.getByText(/only by who is allowed to/)).toBeTruthy();
});
