import { nth } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { latestResults } from '@keypost/core/proving';
import type { Change } from '@keypost/core/job';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { openPoint } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { answer, reply, sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { ErrorChart } from './ErrorChart';
import { InjectionForm } from './InjectionForm';

const result = (id: string, check: string, measured: number, pass = true) => ({
  id,
  pointId: 'pt',
  check,
  fingerprint: {},
  expected: { min: 2.98, max: 3.02 },
  measured,
  pass,
  difference: pass ? 0 : 0.1,
  unit: 'bar',
});
const record = (...results: ReturnType<typeof result>[]): Change => ({ kind: 'record', results });

async function show(...more: Change[]): Promise<void> {
  const open = openPoint(pressureJob(...more), 'pt');
  await act(async () => {
    render(
      <SWRConfig value={{ provider: () => new Map() }}>
        <InjectionForm point={open} latest={latestResults(open.view.content, 'pt')} />
      </SWRConfig>,
    );
  });
}

beforeEach(() => {
  localStorage.clear();
  serverStores();
  changeSettings({ by: 'JT' });
});

test('opens at the first step that is not done, judges as it is typed, and stores with unit and source', async () => {
  await show(record(result('a', 'inject.up0.controller', 0), result('b', 'inject.up0.screen', 0)));
  const field = screen.getByLabelText('Controller, 25 %, rising');
  fireEvent.change(field, { target: { value: '1.7' } });
  expect(screen.getByText(/^Fail: 1\.70/)).toBeTruthy();
  fireEvent.change(field, { target: { value: '150 kPa' } });
  expect(screen.getByText(/^Pass: 1\.50/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Store 1 reading' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toMatchObject({
    kind: 'record',
    results: [{ check: 'inject.up25.controller', measured: 1.5, unit: 'bar', instrument: { unit: 'mA' } }],
  });
});

test('what is no number is said, and not stored', async () => {
  await show();
  fireEvent.change(screen.getByLabelText('Controller, 0 %, rising'), { target: { value: 'wet' } });
  expect(screen.getByText(/“wet” is not a number/)).toBeTruthy();
  expect(screen.getByRole('button', { name: /^Store/ }).getAttribute('aria-disabled')).toBe('true');
});

test('a source that answers moves the limits; one that does not is told', async () => {
  answer.mockImplementation(async (url) =>
    url.endsWith('/practice')
      ? reply({
          ports: [],
          units: [],
          links: { ioLink: 'a:1', modbusTcp: 'a:2', modbusRtu: 'a:3', bench: 'a:4' },
        })
      : reply({ injected: 4.2, source: 'Test source' }),
  );
  await show();
  await waitFor(() => expect(screen.getByRole('button', { name: 'Give 4.000 mA' })).toBeTruthy());
  fireEvent.click(screen.getByRole('button', { name: 'Give 4.000 mA' }));
  await waitFor(() => expect(screen.getByText(/The source gives 4\.2000 mA/)).toBeTruthy());
  // 0.2 mA of 16 are 0.075 bar.
  expect(screen.getByLabelText('Controller, 0 %, rising, expected').textContent).toMatch(
    /^0\.06\d to 0\.08\d bar$/,
  );
  answer.mockImplementation(async () =>
    reply(
      {
        type: '',
        title: '',
        status: 504,
        detail: '',
        message: say('service.source-answers', { link: 'a:4' }),
      },
      504,
    ),
  );
  fireEvent.click(screen.getByRole('button', { name: 'Give 4.000 mA' }));
  await waitFor(() => expect(screen.getByText('No source answers at a:4.')).toBeTruthy());
});

test('the chart tells hysteresis and repeatability, and marks what failed', () => {
  const open = openPoint(
    pressureJob(
      record(
        result('a', 'inject.up50.controller', 3.0),
        result('b', 'inject.down50.controller', 3.006),
        result('c', 'inject.up50.controller', 3.003),
        result('d', 'inject.up75.controller', 4.9, false),
      ),
    ),
    'pt',
  );
  render(<ErrorChart point={open} />);
  expect(screen.getByText('Hysteresis 0.05 % of span')).toBeTruthy();
  expect(screen.getByText('Repeatability 0.05 % of span')).toBeTruthy();
});

test('without results there is no chart', () => {
  const { container } = render(<ErrorChart point={openPoint(pressureJob(), 'pt')} />);
  expect(container.textContent).toBe('');
});
