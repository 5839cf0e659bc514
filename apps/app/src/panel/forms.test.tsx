import { nth, sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { smallJob, viewOf } from '../../test/openPoint';
import { answer, reply, sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { Select } from '../ui/Select';
import { JobForm } from '../job/JobForm';
import { ModuleForm } from './ModuleForm';

jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: unknown }) => (
    <a href={href}>{children as React.ReactNode}</a>
  ),
}));

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT' });
  serverStores();
});

const type = (name: string, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } });

describe('a module', () => {
  test('is added with its commons on their rails, the next tag and byte proposed', async () => {
    const done = jest.fn();
    render(<ModuleForm view={viewOf(smallJob())} onDone={done} />);
    expect(screen.getByLabelText<HTMLInputElement>('Tag').value).toBe('DI 2');
    expect(screen.getByLabelText<HTMLInputElement>('First byte').value).toBe('1');
    const common = within(screen.getByRole('radiogroup', { name: /^Common 2, channels 4 to 7/ }));
    fireEvent.click(common.getByRole('radio', { name: 'On plus' }));
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(nth(sent(), 0).change).toMatchObject({
      kind: 'addModule',
      commons: [null, '+'],
      module: { tag: 'DI 2', firstByte: 1, typeId: 'di8-both-4-4' },
    });
  });

  test.each([
    ['Tag', ' ', /cannot be empty/],
    ['First byte', 'x', /is not a number/],
    ['First byte', '-1', /0 or more/],
  ])('%s “%s” is refused at its field, and nothing is sent', async (field, value, message) => {
    render(<ModuleForm view={viewOf(smallJob())} onDone={jest.fn()} />);
    type(field, value);
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect(await screen.findByText(message)).toBeTruthy();
    expect(sent()).toEqual([]);
  });

  test('with a tag that is taken is refused at the field; what was typed stays', async () => {
    const done = jest.fn();
    render(<ModuleForm view={viewOf(smallJob())} onDone={done} />);
    type('Tag', 'DI 1');
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect((await screen.findAllByText(/The tag DI 1 is used already/)).length).toBeGreaterThan(0);
    expect(screen.getByLabelText<HTMLInputElement>('Tag').value).toBe('DI 1');
    expect(done).not.toHaveBeenCalled();
  });

  test('is edited from the revision that was seen', async () => {
    const view = viewOf(smallJob());
    render(<ModuleForm view={view} module={nth(view.content.modules, 0)} onDone={jest.fn()} />);
    type('Tag', 'DI 7');
    fireEvent.click(screen.getByRole('button', { name: 'Store' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(nth(sent(), 0).expects).toEqual([{ collection: 'modules', id: 'm', revision: 1 }]);
  });
});

describe('the job', () => {
  test('takes a comma, and refuses what no supply can be', async () => {
    render(<JobForm view={viewOf(smallJob())} />);
    type('Supply G1', '5');
    fireEvent.click(screen.getByRole('button', { name: 'Store' }));
    expect(await screen.findByText('A supply has at least 10 V.')).toBeTruthy();
    type('Supply G1', '24,3');
    fireEvent.click(screen.getByRole('button', { name: 'Store' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect((nth(sent(), 0).change.changes as unknown[])[1]).toEqual({
      kind: 'editSupply',
      id: 'g1',
      patch: { volts: 24.3, tolerancePercent: 3 },
    });
  });

  test('shows what somebody else stored and keeps the own entry until one is chosen', async () => {
    const row = { id: 'g1', tag: 'G1', volts: 23, tolerancePercent: 3, internalOhms: 0.05, limitAmps: 5 };
    const details = {
      type: 'about:blank',
      title: 'T',
      status: 409,
      detail: 'Changed.',
      message: say('service.stale'),
      current: [{ collection: 'supplies', id: 'g1', revision: 2, row }],
    };
    answer.mockImplementationOnce(async () => reply(details, 409));
    render(<JobForm view={viewOf(smallJob())} />);
    type('Supply G1', '25');
    fireEvent.click(screen.getByRole('button', { name: 'Store' }));
    await screen.findByRole('button', { name: 'Keep mine' });
    expect(screen.getByLabelText<HTMLInputElement>('Supply G1').value).toBe('25');
    fireEvent.click(screen.getByRole('button', { name: 'Keep mine' }));
    await waitFor(() => expect(sent()).toHaveLength(2));
    expect(sent().map(({ expects }) => expects.length)).toEqual([1, 0]);
  });
});

describe('the parts of forms', () => {
  test('a field is tied to its label and to what is wrong with it', () => {
    render(<Field label="Length" value="x" onChange={jest.fn()} problem="Not a length." unit="m" />);
    const input = screen.getByLabelText('Length');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    const text = document.getElementById(sure(input.getAttribute('aria-describedby')));
    expect(text?.textContent).toBe('Not a length.');
  });

  test('a choice says which one holds', () => {
    const change = jest.fn();
    const options = [
      { value: 'a', label: 'One' },
      { value: 'b', label: 'Two', hint: 'or so' },
    ] as const;
    render(<RadioGroup label="Pick" value="a" options={options} onChange={change} />);
    expect(screen.getByRole('radio', { name: 'One', checked: true })).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Two' }));
    expect(change).toHaveBeenCalledWith('b');
  });

  test('a list keeps its groups', () => {
    const options = [
      { value: '', label: 'none' },
      { value: '1', label: 'One', group: 'Odd' },
      { value: '3', label: 'Three', group: 'Odd' },
    ];
    const { container } = render(<Select label="Number" value="" options={options} onChange={jest.fn()} />);
    expect(container.querySelectorAll('optgroup[label="Odd"] option')).toHaveLength(2);
  });
});
