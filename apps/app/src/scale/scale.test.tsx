import { chainOf, codeRequest } from '@keypost/core/scaling';
import { Scaling } from '@keypost/core/model';
import type { Change } from '@keypost/core/job';
import type { PointChain } from '@keypost/core/scaling';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { openPoint } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import type { OpenPoint } from '../point/usePoint';
import { ErrorBudgetCard } from './ErrorBudgetCard';
import { CalibrationVerdict } from './CalibrationVerdict';
import { FIRST_TEXTS, readRun } from './calibrationRun';
import { ChainChart } from './ChainChart';
import { SignalChainCard } from './SignalChainCard';
import { grouped, linkNumber, linkText } from '../chain/chainText';
import { ExecutionCard } from './ExecutionCard';
import { SweepCard } from './SweepCard';
import { useChain } from '../chain/useChain';
import { readRows } from './WorkshopForm';

const point = (...more: Change[]): OpenPoint => openPoint(pressureJob(...more), 'pt');
const made = (open: OpenPoint): PointChain => chainOf(open.analysis) as PointChain;
const scaled = (given: Parameters<typeof Scaling.parse>[0]): Change => ({
  kind: 'setScaling',
  pointId: 'pt',
  scaling: Scaling.parse(given),
});

function Chain({ open }: { open: OpenPoint }) {
  const moment = useChain(open);
  if (typeof moment === 'string') return <>{moment}</>;
  return (
    <>
      <ChainChart point={open} moment={moment} />
      <SignalChainCard point={open} moment={moment} />
      <ErrorBudgetCard point={open} moment={moment} />
    </>
  );
}

const row = (name: RegExp) => screen.getByRole('button', { name });
function move(link: string, text: string): void {
  fireEvent.click(row(new RegExp(`^${link}:`)));
  fireEvent.change(within(screen.getByRole('group', { name: `Change ${link}` })).getByLabelText(link), {
    target: { value: text },
  });
  fireEvent.click(row(new RegExp(`^Move ${link}$`)));
}

beforeEach(() => {
  serverStores();
  changeSettings({ by: 'JT' });
});

describe('the chain', () => {
  test('begins in the middle and follows whatever is moved', () => {
    render(<Chain open={point()} />);
    expect(row(/^Pressure: 3\.000 bar/)).toBeTruthy();
    move('Counts', '6912');
    expect(row(/^Pressure: 1\.500 bar/)).toBeTruthy();
    expect(row(/^Panel screen: 1\.50 bar/)).toBeTruthy();
    move('Pressure', '30 psi');
    expect(row(/^Panel screen: 2\.07 bar/)).toBeTruthy();
  });

  test('refuses what is no number, no count, or never comes, at the field', () => {
    render(<Chain open={point()} />);
    move('Counts', '12.5');
    expect(screen.getByText('Counts are whole numbers.')).toBeTruthy();
    fireEvent.click(row(/^Counts:/));
    move('At the input', 'wet');
    expect(screen.getByText(/“wet” is not a number/)).toBeTruthy();
    fireEvent.click(row(/^At the input:/));
    move('At the input', '90');
    expect(screen.getByText(/the input never sees 90 mA/)).toBeTruthy();
    // What stood before still stands.
    expect(row(/^Pressure: 3\.000 bar/)).toBeTruthy();
  });

  test('flags a signal outside its range on everything that follows it', () => {
    render(<Chain open={point()} />);
    move('At the sensor', '3.5');
    for (const link of ['At the input', 'Counts', 'Controller', 'Panel screen'])
      expect(row(new RegExp(`^${link}: .*wire break`))).toBeTruthy();
  });

  test('is moved by the slider, and told in the drawing', () => {
    render(<Chain open={point()} />);
    fireEvent.change(screen.getByLabelText('Move the value'), { target: { value: '6' } });
    expect(row(/^Pressure: 6\.000 bar/)).toBeTruthy();
    expect(screen.getByRole('img', { name: /6\.000 bar at 20\.00 mA/ })).toBeTruthy();
  });

  test('names the largest cause of error', () => {
    render(<Chain open={point(scaled({ sensor: { percent: 2 } }))} />);
    expect(screen.getByText('The largest is sensor: 2 % of span.')).toBeTruthy();
  });

  test('says why there is none', () => {
    const bare = point({ kind: 'editPoint', id: 'pt', patch: { range: null } });
    render(<Chain open={bare} />);
    expect(document.body.textContent).toContain('has no range yet');
  });
});

describe('numbers', () => {
  test('counts stand in groups, ranges in few digits', () => {
    expect(grouped(27648)).toBe('27\u202f648');
    expect(grouped(-4864)).toBe('−4\u202f864');
    expect(linkNumber('counts', Infinity, 0)).toBe('beyond');
    expect(linkText(made(point())).counts.range).toBe('0 to 27\u202f648');
    expect(linkText(made(point())).value).toMatchObject({ label: 'Pressure', range: '0 to 6' });
  });
});

describe('workshop tables', () => {
  test.each([
    ['4; 0\n12; 245\n20; 500', 3],
    ['4,00\t0\n20,0\t500', 2],
    ['4 0\n20 500\n\n', 2],
  ])('%j has %d points', (text, count) => {
    expect(readRows(text)).toMatchObject({ points: { length: count } });
  });

  test.each([
    ['4; 0\n12', 'Line 2'],
    ['4; 0; 1\n12; 1', 'Line 1'],
    ['4; 0\n4; 1', 'twice'],
    ['4; 0', 'two points'],
    [Array.from({ length: 65 }, (_, i) => `${i}; ${i}`).join('\n'), 'at most 64'],
  ])('%j is refused', (text, says) => {
    expect((readRows(text) as { problem: string }).problem).toContain(says);
  });
});

describe('calibration', () => {
  const sides = {
    injects: { low: 0, high: 6, unit: 'bar' },
    gives: { low: 4, high: 20, unit: 'mA' },
    wantedOf: (bar: number) => 4 + (bar / 6) * 16,
  };
  const points = [0, 25, 50, 75, 100].map((share) => ({ share, inject: (share / 100) * 6 }));
  const run = (patch: Partial<typeof FIRST_TEXTS>) =>
    readRun({ ...FIRST_TEXTS, ...patch }, sides, points, 'low');

  test('takes what was read, in any unit, and what was injected where that was typed', () => {
    const done = run({ read: ['4.00', '', '12,05 mA', '', '0.02 A'], injected: ['', '', '300 kPa', '', ''] });
    expect('body' in done && done.body.readings).toEqual([
      { share: 0, injected: 0, read: 4 },
      { share: 50, injected: 3, read: 12.05 },
      { share: 100, injected: 6, read: 20 },
    ]);
    expect('outcome' in done && done.outcome.pass).toBe(true);
  });

  test.each([
    [{ read: ['4', '', '', '', ''] }, 'Two readings'],
    [{ read: ['4', 'x', '', '', '20'] }, 'Read at 25 %'],
    [{ read: ['4', '', '', '', '20'], limit: '0' }, 'limit is above 0'],
    [{ read: ['4', '', '', '', '20'], percent: '-1' }, 'Reference'],
    [{ read: ['4', '', '', '', '20'], burnout: 'up' }, 'Sensor opened'],
  ])('%j says what is wrong', (patch, says) => {
    expect((run(patch) as { problem: string }).problem).toContain(says);
  });

  test('says which way to turn, that a reference is coarse, and that it is bent', () => {
    const done = run({ read: ['4.2', '8.2', '13', '16.2', '20.3'], percent: '1', burnout: '21.5' });
    if (!('outcome' in done)) throw new Error(done.problem);
    render(<CalibrationVerdict outcome={done.outcome} unit="mA" limit={0.5} />);
    expect(screen.getByText(/Move zero by −0\.200 mA, then span by −0\.100 mA/)).toBeTruthy();
    expect(screen.getByText(/is the minimum that says much/)).toBeTruthy();
    expect(screen.getByText(/It is bent/)).toBeTruthy();
    expect(screen.getByText(/goes high \(21\.5 mA\); wanted is low/)).toBeTruthy();
  });

  test('the wrong way with the sensor opened is a finding of its own, not an error beyond the limit', () => {
    const done = run({ read: ['4.01', '8', '12', '16', '20'], burnout: '21.5' });
    if (!('outcome' in done)) throw new Error(done.problem);
    expect(done.outcome).toMatchObject({ isWithinLimit: true, pass: false, burnout: { pass: false } });
    render(<CalibrationVerdict outcome={done.outcome} unit="mA" limit={0.5} />);
    expect(screen.getByText('Within its limit')).toBeTruthy();
    expect(screen.getByText(/goes high \(21\.5 mA\); wanted is low/)).toBeTruthy();
  });
});

describe('what runs over every count', () => {
  test('integer code tells its first overflow, with the number that does not fit', async () => {
    const open = point();
    render(
      <ExecutionCard
        request={{ ...codeRequest('PT-1', made(open)), raw: { low: 0, high: 27648, min: 0, max: 32511 } }}
        kind="naive16"
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: /^Execute/ }));
    // 0 to 6.00 in hundredths: 32767 / 600 = 54.6, so 55 · 600 = 33000.
    await waitFor(() =>
      expect(
        screen.getByText(/First at 55: the product would be 33\s000, which INT cannot hold/),
      ).toBeTruthy(),
    );
  });

  test('the sweep tells steps, errors and what the screen can show', async () => {
    render(<SweepCard point={point(scaled({ converter: { formatId: '4000' } }))} />);
    fireEvent.click(screen.getByRole('button', { name: /^Go through 4\s096 counts/ }));
    await waitFor(() =>
      expect(screen.getByText(/Largest step from one count to the next: 0\.0015 bar/)).toBeTruthy(),
    );
    expect(screen.getByText(/can show 615 different numbers/)).toBeTruthy();
  });
});
