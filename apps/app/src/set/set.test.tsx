import { nth } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { openPoint, smallJob } from '../../test/openPoint';
import { answer, reply, sent, serverStores } from '../../test/replies';
import { changeSettings } from '../data/settings';
import { NamePlate } from '../fit/NamePlate';
import { sheetsOf } from '@keypost/core/setting';
import { AgreementCard } from './AgreementCard';
import { DeviceCard } from './DeviceCard';
import { DisplayCodes } from './DisplayCodes';
import { SheetFiles } from './SheetFiles';
import { SheetCard } from './SheetCard';

const ACTOR = { by: 'TT', at: '2026-01-01T00:00:00.000Z' };
const changed = (job: JobContent, ...changes: Change[]): JobContent =>
  changes.reduce((next, change) => applyChange(next, change, ACTOR), job);

const entry = (side: 'found' | 'left', values: Record<string, string>, itemId = 'f'): Change => ({
  kind: 'enter',
  entries: [{ id: `e${Object.keys(values).join('-')}${side}`, itemId, side, how: 'typed', values }],
});

/** A magnetic flow meter with its name-plate on an analog input. */
const meter = (...more: Change[]): JobContent =>
  changed(
    smallJob(),
    {
      kind: 'addModule',
      module: { id: 'ai', tag: 'AI 1', typeId: 'ai4-switch', firstByte: 10 },
      commons: ['-', '-', '-', '-'],
    },
    {
      kind: 'addPoint',
      point: {
        id: 'ft',
        tag: 'FT-1',
        name: 'Flow',
        deviceId: 'f',
        bit: 'direct',
        range: { low: 0, high: 40, unit: 'm³/h' },
      },
      device: { id: 'f', tag: 'FT-1', typeId: 'flow-magnetic' },
      place: { moduleId: 'ai', channel: 0 },
    },
    { kind: 'setPlate', pointId: 'ft', plate: { size: '80' } },
    ...more,
  );

const sheet = (job: JobContent) => nth(sheetsOf(openPoint(job, 'ft').index, 'ft'), 0);
const plate = (job: JobContent) =>
  render(<SheetCard view={openPoint(job, 'ft').view} sheet={sheet(job)} arranged="differences" />);

beforeEach(() => {
  serverStores();
  changeSettings({ by: 'JT' });
});

describe('a sheet', () => {
  test('puts what differs first, with what stands there and from what the required follows', () => {
    plate(meter(entry('found', { size: '50', unit: 'l/s', high: '10' })));
    const list = within(screen.getByRole('list', { name: 'Differs' }));
    expect(list.getAllByRole('button').map((row) => row.getAttribute('aria-label'))).toEqual([
      'Pipe size: 80\u00a0mm, differs',
      'Unit: m³/h, differs',
      'Value at top of range: 40\u00a0m³/h, differs',
    ]);
    expect(list.getByText('from name-plate: pipe size 80 mm')).toBeTruthy();
    // It stands at ten of the unit that it shows now, not of the one that is required.
    expect(list.getByText('found 10 l/s')).toBeTruthy();
  });

  test('a line is set as required, or what it shows is taken in any unit', async () => {
    plate(meter(entry('found', { size: '50' })));
    fireEvent.click(screen.getByRole('button', { name: /^Pipe size/ }));
    fireEvent.click(screen.getByRole('button', { name: /Set to 80\smm/ }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(nth(sent(), 0).change).toMatchObject({
      kind: 'enter',
      entries: [{ itemId: 'f', side: 'left', how: 'typed', values: { size: '80' } }],
    });
    await waitFor(() => expect(screen.queryByLabelText('What it shows')).toBeNull());
    fireEvent.click(screen.getByRole('button', { name: /^Pipe size/ }));
    fireEvent.change(screen.getByLabelText('What it shows'), { target: { value: '2 in' } });
    fireEvent.click(screen.getByRole('button', { name: 'Found so' }));
    await waitFor(() => expect(sent()).toHaveLength(2));
    expect(nth(sent(), 1).change).toMatchObject({ entries: [{ side: 'found', values: { size: '50.8' } }] });
  });

  test('what is not allowed is refused, and stays typed', () => {
    plate(meter(entry('found', { size: '50' })));
    fireEvent.click(screen.getByRole('button', { name: /^Pipe size/ }));
    fireEvent.change(screen.getByLabelText('What it shows'), { target: { value: '-2' } });
    fireEvent.click(screen.getByRole('button', { name: 'Left so' }));
    expect(screen.getByText(/1 to 3000 mm is allowed; this is −2/)).toBeTruthy();
    expect((screen.getByLabelText('What it shows') as HTMLInputElement).value).toBe('-2');
    expect(sent()).toHaveLength(0);
  });

  test('a value by hand needs its reason', async () => {
    plate(meter(entry('found', { size: '50' })));
    fireEvent.click(screen.getByRole('button', { name: /^Pipe size/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Require otherwise' }));
    fireEvent.change(screen.getByLabelText('Required'), { target: { value: '65' } });
    fireEvent.click(screen.getByRole('button', { name: 'Require it' }));
    expect(screen.getByText('Say why it is to be otherwise.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'reducer fitted' } });
    fireEvent.click(screen.getByRole('button', { name: 'Require it' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(nth(sent(), 0).change).toMatchObject({
      kind: 'require',
      key: 'size',
      override: { value: '65', reason: 'reducer fitted' },
    });
  });
});

test('the name-plate tells what a fact changes before it is stored', async () => {
  render(<NamePlate point={openPoint(meter(), 'ft')} />);
  fireEvent.click(screen.getByRole('button', { name: 'Copy facts' }));
  fireEvent.change(screen.getByLabelText('Pipe size'), { target: { value: '3 in' } });
  expect(screen.getByRole('status', { name: 'What this changes' }).textContent).toMatch(
    /Pipe size: 80\smm → 76\.2\smm/,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Store the facts' }));
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(nth(sent(), 0).change).toEqual({ kind: 'setPlate', pointId: 'ft', plate: { size: '3 in' } });
});

test('what must agree: the input that stands on volts is named', () => {
  render(<AgreementCard point={openPoint(meter(entry('found', { 'A0.switch': 'V' }, 'ai')), 'ft')} />);
  expect(screen.getByText(/FT-1 gives 4-20 mA, but AI 1 is set to V/)).toBeTruthy();
});

test('a part that no way leads to is not spoken to', () => {
  const point = openPoint(meter(), 'ft');
  render(<DeviceCard point={point} sheets={sheetsOf(point.index, 'ft')} />);
  expect(screen.queryByRole('button', { name: /^Read/ })).toBeNull();
});

describe('a device that can be spoken to', () => {
  const reachable = () => {
    const line: Change = {
      kind: 'setPlan',
      plan: {
        kind: 'ethernet',
        id: 'n',
        tag: 'NET',
        members: [
          {
            id: 'x',
            tag: 'FT-1',
            itemId: 'f',
            role: 'device',
            address: '10.0.0.2',
            mask: '/24',
            file: 'not needed',
            link: '127.0.0.1:1',
            map: [
              {
                id: 'r',
                name: 'Size',
                table: 'holding',
                address: 1,
                type: 'uint16',
                words: 'high',
                bytes: 'high',
                scale: 1,
                unit: 'mm',
                parameter: 'size',
              },
            ],
          },
        ],
      },
    };
    const point = openPoint(meter(line, entry('found', { size: '50' })), 'ft');
    render(<DeviceCard point={point} sheets={[sheet(point.view.content)]} />);
  };

  test('goes away in the middle: what was not read back is not claimed, and it can go on', async () => {
    let writes = 0;
    answer.mockImplementation(async (url) => {
      if (!url.endsWith('/write')) return reply({});
      writes++;
      return reply(
        writes === 1
          ? { kept: true, readBack: 'fitted' }
          : {
              kept: false,
              problem: { kind: 'away', message: say('service.device-answers-port', { port: 1 }) },
            },
      );
    });
    reachable();
    fireEvent.click(screen.getByRole('button', { name: /^Write \d+ values$/ }));
    await waitFor(() => expect(screen.getByText(/^1 of \d+ written and read back\.$/)).toBeTruthy());
    expect(screen.getByText(/No device answers on port 1\./)).toBeTruthy();
    expect(writes).toBe(2);
    expect(screen.getByRole('button', { name: /^Go on, \d+ left$/ })).toBeTruthy();
  });

  test('what it refuses is named, and the rest is sent', async () => {
    answer.mockImplementation(async (url, init) => {
      if (!url.endsWith('/write')) return reply({});
      const { key, value } = JSON.parse(init.body as string) as { key: string; value: string };
      return reply(
        key === 'size'
          ? {
              kept: false,
              problem: { kind: 'refused', message: say('schema.other', { said: 'above limit' }) },
            }
          : { kept: true, readBack: value },
      );
    });
    reachable();
    fireEvent.click(screen.getByRole('button', { name: /^Write \d+ values$/ }));
    await waitFor(() => expect(screen.getByText('Pipe size: above limit')).toBeTruthy());
  });

  test('a server that does not answer is said', async () => {
    answer.mockRejectedValue(new TypeError('no network'));
    reachable();
    fireEvent.click(screen.getByRole('button', { name: 'Read FT-1' }));
    await waitFor(() => expect(screen.getByText(/The server does not answer/)).toBeTruthy());
  });
});

test('a sheet that is wrong is not taken, and says where', async () => {
  const point = openPoint(meter(), 'ft');
  render(<SheetFiles view={point.view} title="FT-1" sheets={[sheet(point.view.content)]} />);
  const make = document.createElement.bind(document);
  const picked = jest.spyOn(document, 'createElement').mockImplementation((name: string) => {
    const element = make(name);
    if (name === 'input') {
      const bytes = Uint8Array.from('Tag,Key,As left\nFT-1,size,-4', (sign) => sign.charCodeAt(0));
      const file = { arrayBuffer: async () => bytes.buffer, size: 20, name: 'a.csv' };
      Object.defineProperty(element, 'files', { value: [file] });
      element.click = () => (element as HTMLInputElement).onchange?.(new Event('change'));
    }
    return element;
  });
  fireEvent.click(screen.getByRole('button', { name: 'Read a sheet' }));
  picked.mockRestore();
  await waitFor(() =>
    expect(screen.getByRole('alert').textContent).toMatch(/line 2: Pipe size: 1 to 3000\smm/),
  );
});

test('what a display says instead of a value is told with where to look, where the kind knows any', () => {
  const { unmount } = render(<DisplayCodes point={openPoint(meter(), 'ft')} />);
  fireEvent.click(screen.getByRole('button', { name: 'Show them' }));
  const list = within(screen.getByRole('list', { name: 'What FT-1 may show' }));
  expect(list.getAllByRole('listitem')).toHaveLength(5);
  expect(list.getByText('Empty pipe')).toBeTruthy();
  unmount();
  const plain = meter({ kind: 'editDevice', id: 'f', patch: { typeId: 'transmitter-4w-ma' } });
  expect(render(<DisplayCodes point={openPoint(plain, 'ft')} />).container.textContent).toBe('');
});
