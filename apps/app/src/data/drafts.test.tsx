import { fireEvent, render, screen } from '@testing-library/react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { DraftNotice } from './DraftNotice';
import { useDraftState, useFormDraft } from './drafts';

function Typed({ stored = 'A' }: { stored?: string }) {
  const form = useForm({ defaultValues: { tag: stored, name: 'pump' } });
  const draft = useFormDraft(form, 'job.px-1.edit');
  const values = useWatch({ control: form.control });
  return (
    <>
      <DraftNotice draft={draft} />
      <input aria-label="Tag" value={values.tag} onChange={(e) => form.setValue('tag', e.target.value)} />
      <input aria-label="Name" value={values.name} onChange={(e) => form.setValue('name', e.target.value)} />
      <button onClick={draft.drop}>Store</button>
    </>
  );
}

const valueOf = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

beforeEach(() => localStorage.clear());

describe('a form', () => {
  test('opens with what was typed and not stored, says so, and throws it away when it is told to', () => {
    const { unmount } = render(<Typed />);
    expect(screen.queryByText(/not stored yet/)).toBeNull();
    type('Tag', 'B');
    unmount();
    render(<Typed />);
    expect(valueOf('Tag')).toBe('B');
    fireEvent.click(screen.getByRole('button', { name: 'Throw it away' }));
    expect([valueOf('Tag'), screen.queryByText(/not stored yet/)]).toEqual(['A', null]);
    expect(localStorage).toHaveLength(0);
  });

  test('keeps only the fields that were changed: the others follow what is stored', () => {
    const { unmount } = render(<Typed />);
    type('Name', 'valve');
    unmount();
    render(<Typed stored="C" />);
    expect([valueOf('Tag'), valueOf('Name')]).toEqual(['C', 'valve']);
  });

  test('keeps nothing once it is stored, or typed back', () => {
    const { unmount } = render(<Typed />);
    type('Tag', 'B');
    type('Tag', 'A');
    expect(localStorage).toHaveLength(0);
    type('Tag', 'B');
    fireEvent.click(screen.getByText('Store'));
    unmount();
    render(<Typed />);
    expect(valueOf('Tag')).toBe('A');
  });
});

const Readings = z.record(z.string(), z.string());
const NONE: z.infer<typeof Readings> = {};

function Entered() {
  const [readings, put] = useDraftState('job.px-1.states', Readings, NONE);
  return (
    <input aria-label="Volts" value={readings.volts ?? ''} onChange={(e) => put({ volts: e.target.value })} />
  );
}

test('a reading that was typed stands after the page was left, and in a second tab', () => {
  const { unmount } = render(<Entered />);
  type('Volts', '22.9');
  unmount();
  render(<Entered />);
  expect(valueOf('Volts')).toBe('22.9');
  const key = 'keypost.draft.job.px-1.states';
  localStorage.setItem(key, JSON.stringify({ volts: '23.1' }));
  fireEvent(window, new StorageEvent('storage', { key }));
  expect(valueOf('Volts')).toBe('23.1');
});

test('a draft that is damaged is passed over', () => {
  localStorage.setItem('keypost.draft.job.px-1.states', '{"volts": 7');
  render(<Entered />);
  expect(valueOf('Volts')).toBe('');
});
