import { choose } from '../../test/choose';
import { nth, sure } from '@keypost/core/lists';
import { findTool, TOOLS } from '@keypost/core/tools';
import { JobIndex } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { openPoint } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { sendChanges } from './SendToPoint';
import { shareText } from './shareText';
import { ToolFields } from './ToolFields';
import { ToolOutcome } from './ToolOutcome';
import { ToolCard } from './ToolCard';
import { useTool } from './useTool';

jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: unknown }) => (
    <a href={href}>{children as React.ReactNode}</a>
  ),
}));

function Used({ id }: { id: string }) {
  const use = useTool(sure(findTool(id)));
  return (
    <>
      <ToolOutcome use={use} />
      <ToolFields use={use} />
    </>
  );
}

const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
const result = () => screen.getByRole('status', { name: 'Result' });

beforeEach(() => {
  localStorage.clear();
  serverStores();
  changeSettings({ by: 'JT' });
});

describe('a tool', () => {
  test.each(TOOLS.map(({ id, name }) => [id, name]))(
    '%s opens with a result and every field that it asks',
    (id) => {
      render(<Used id={id} />);
      expect(result().textContent).not.toContain('not right yet');
      expect(screen.queryAllByText(/Enter a number/)).toEqual([]);
    },
  );

  test('says what is wrong at its field, and works on once it is right', () => {
    render(<Used id="velocity" />);
    type('Inner diameter', '0');
    expect(screen.getByText('A pipe’s inner diameter is above 0 mm.')).toBeTruthy();
    expect(result().textContent).toContain('not right yet');
    type('Inner diameter', '3 in');
    expect(result().textContent).toMatch(/2\.19\s*m\/s/);
  });

  test('remembers what was typed, and forgets nothing that it knows', () => {
    const { unmount } = render(<Used id="velocity" />);
    type('Flow', '50');
    unmount();
    render(<Used id="velocity" />);
    expect((screen.getByLabelText('Flow') as HTMLInputElement).value).toBe('50');
    expect((screen.getByLabelText('Inner diameter') as HTMLInputElement).value).toBe('80');
  });

  test('what was remembered and is damaged is passed over', () => {
    localStorage.setItem('keypost.tool.velocity', '{"full": 7, "size"');
    render(<Used id="velocity" />);
    expect((screen.getByLabelText('Flow') as HTMLInputElement).value).toBe('36');
  });

  test('fields come and go with a choice', () => {
    render(<Used id="rtd" />);
    expect(screen.queryByLabelText('B value')).toBeNull();
    choose('Element', 'ntc');
    expect(screen.getByLabelText('B value')).toBeTruthy();
    expect(screen.queryByRole('radiogroup', { name: 'Class' })).toBeNull();
  });

  test('pairs are rows that grow and shrink', () => {
    render(<Used id="displays" />);
    const pairs = within(screen.getByRole('group', { name: 'At the same moment' }));
    expect(pairs.getAllByRole('textbox')).toHaveLength(4);
    fireEvent.click(pairs.getByRole('button', { name: 'Another pair' }));
    expect(pairs.getAllByRole('textbox')).toHaveLength(6);
    fireEvent.click(pairs.getByRole('button', { name: 'Take the last off' }));
    type('Second shows', '3');
    expect(result().textContent).not.toContain('11.43');
  });
});

describe('nothing is shown as measured that nobody measured', () => {
  test('an example says that it is one, until something is typed', () => {
    render(<Used id="velocity" />);
    expect(result().textContent).toContain('An example');
    type('Flow', '50');
    expect(result().textContent).not.toContain('An example');
  });

  test('at a point a tool opens with the point’s own numbers alone, and has a result once the rest is entered', async () => {
    const point = openPoint(pressureJob(), 'pt');
    render(<ToolCard point={point} toolId="coil" given={{ nominal: '64' }} />);
    const values = () => screen.getAllByRole('textbox').map((box) => (box as HTMLInputElement).value);
    expect(values()).toEqual(['64', '', '', '', '']);
    expect(result().textContent).toBe('Enter what was measured: the result stands here.');
    const keep = screen.getByRole('button', { name: 'Keep it at the point' });
    expect(keep.getAttribute('aria-disabled')).toBe('true');
    type('Give or take', '5');
    type('Temperature of the meter', '45');
    expect(result().textContent).toMatch(/64\.8 to 75\.8\s*Ω to be read/);
    type('Measured between the coil’s leads', '70');
    type('Measured with', 'MM-4');
    expect(result().textContent).toContain('The coil is sound');
    fireEvent.click(keep);
    await waitFor(() => expect(sent()).toHaveLength(1));
    const [change] = sent();
    expect(JSON.stringify(change)).toContain('Measured with: MM-4');
    expect(JSON.stringify(change)).toContain('Measured between the coil’s leads: 70 Ω');
  });
});

describe('a result', () => {
  test('is copied where nothing shares, and shown where nothing copies', async () => {
    const writeText = jest.fn(async (_text: string) => undefined);
    Object.defineProperty(navigator, 'clipboard', { value: { writeText }, configurable: true });
    expect(await shareText('T', 'words')).toBe('copied');
    expect(writeText).toHaveBeenCalledWith('words');
    writeText.mockRejectedValueOnce(new Error('no'));
    expect(await shareText('T', 'words')).toBe('neither');
    const share = jest.fn(async () => undefined);
    Object.defineProperty(navigator, 'share', { value: share, configurable: true });
    expect(await shareText('T', 'words')).toBe('shared');
    share.mockRejectedValueOnce(new DOMException('left', 'AbortError'));
    expect(await shareText('T', 'words')).toBe('neither');
    Object.defineProperty(navigator, 'share', { value: undefined, configurable: true });
  });

  test('goes to a point as a note, and as what fits it', () => {
    const tool = sure(findTool('signal'));
    const values = { ...tool.first, high: '6', unit: 'bar' };
    const changes = sendChanges(tool, values, tool.work(values), new JobIndex(pressureJob()), 'pt');
    expect(changes.map(({ kind }) => kind)).toEqual(['editPoint', 'calibrate']);
    const note = changes[1] as Extract<Change, { kind: 'calibrate' }>;
    expect(nth(note.calibrations, 0).body).toMatchObject({
      kind: 'note',
      tool: 'signal',
      title: 'Signal and value: 12 mA = 3 bar',
    });
  });

  test('on a point’s own page is kept there with one press', async () => {
    render(<ToolCard point={openPoint()} toolId="velocity" given={{ full: '10', size: '50' }} />);
    expect(localStorage.getItem('keypost.tool.velocity')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Keep it at the point' }));
    await waitFor(() => expect(screen.getByText('Kept at the point.')).toBeTruthy());
    expect(nth(sent(), 0).change).toMatchObject({ kind: 'batch', changes: [{ kind: 'calibrate' }] });
  });
});
