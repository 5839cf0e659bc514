import { fireEvent, screen } from '@testing-library/react';

/** Chooses one of several by its value, be it in the platform's own list or in a page of their own. */
export function choose(label: string, value: string): void {
  const field = screen.getByLabelText(label);
  if (field instanceof HTMLSelectElement) {
    fireEvent.change(field, { target: { value } });
    return;
  }
  fireEvent.click(field);
  fireEvent.click(screen.getByTestId(value));
}
