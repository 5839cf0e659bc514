import { applyChange } from '@keypost/core/job';
import type { LadderPlan } from '@keypost/core/model';
import { proposeLadder } from '@keypost/core/switching';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { openPoint } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { readLadder, textsOf } from './ladderDraft';
import { LevelFields } from './LevelFields';
import { Standing } from './Standing';
import { clockText, frameAt, timeScale, valueAt } from './times';
import { StageStrip } from '../point/StageStrip';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children }));

const PLAN: LadderPlan = proposeLadder('pauseStop', 'bar', { low: 0, high: 6 }, () => 0.03);

test('what is typed of a ladder is read as it stands, and each wrong number is told at its field', () => {
  const texts = textsOf(PLAN);
  expect(readLadder(texts, 'bar')).toEqual({
    plan: {
      ...PLAN,
      levels: PLAN.levels.map((level) => ({
        ...level,
        ...(level.does.includes('flash') && { rhythm: { lit: 0.5, dark: 0.5 } }),
      })),
    },
  });
  const [first, second] = texts.levels;
  if (!first || !second) throw new Error('two levels');
  const wrong = readLadder(
    {
      ...texts,
      levels: [
        { ...first, limit: 'wet', delay: '-1' },
        { ...second, limit: '500 kPa', hysteresis: '-0.1' },
      ],
      bypass: '0.00001',
    },
    'bar',
  );
  expect(wrong).toEqual({
    problems: {
      'levels.0.limit': 'Enter a number.',
      'levels.0.delay': 'A wait is not negative.',
      'levels.1.hysteresis': 'A hysteresis is 0 or more.',
      'bypass.seconds': 'Controllers count in whole milliseconds: at most three decimal places.',
    },
  });
});

test('a limit is moved by its slider, and what a level does opens beneath', () => {
  const changed: unknown[] = [];
  const [level] = textsOf(PLAN).levels;
  if (!level) throw new Error('a level');
  render(
    <LevelFields
      level={level}
      place={0}
      unit="bar"
      range={{ low: 0, high: 6 }}
      problems={{}}
      onChange={(patch) => changed.push(patch)}
    />,
  );
  fireEvent.change(screen.getByRole('slider', { name: 'Move the limit of Pause' }), {
    target: { value: '3.3' },
  });
  expect(screen.queryByLabelText('Name')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'What it does, who clears it' }));
  fireEvent.click(screen.getByRole('radio', { name: 'The key' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'sound' }));
  expect(changed).toEqual([
    { limit: '3.3' },
    { clearedBy: 'key', kept: 'yes' },
    { does: ['show', 'flash', 'sound', 'pause'] },
  ]);
});

test('a lamp is lit and dark in its rhythm, and what is passed over says so', () => {
  const ladder = { ...PLAN, range: { low: 0, high: 6 } };
  const frame = {
    at: 10,
    levels: [
      { called: true, on: true, onSince: 10 },
      { called: false, on: true, onSince: 10 },
    ],
    fault: false,
    starting: false,
    bypassed: false,
  };
  const lamps = () => screen.getAllByRole('img').map((lamp) => lamp.getAttribute('aria-label'));
  const shown = render(<Standing ladder={ladder} frame={frame} at={10.2} point="PT-1" />);
  expect(lamps()).toEqual(['lamp lit', 'lamp lit']);
  shown.rerender(<Standing ladder={ladder} frame={frame} at={10.7} point="PT-1" />);
  expect(lamps()).toEqual(['lamp dark', 'lamp lit']);
  expect(screen.getByText(/kept until the key is turned/)).toBeTruthy();
  shown.rerender(<Standing ladder={ladder} frame={{ ...frame, bypassed: true }} at={10.2} point="PT-1" />);
  expect(lamps()).toEqual(['lamp dark', 'lamp lit']);
  expect(screen.getByText('stands, but is passed over')).toBeTruthy();
});

test('moments of a course', () => {
  const signal = { at: [0, 10, 10, 20], values: [0, 4, 2, 2] };
  expect([0, 5, 10, 15, 99].map((at) => valueAt(signal, at))).toEqual([0, 2, 2, 2, 2]);
  const frames = [0, 5, 9].map((at) => ({ at, levels: [], fault: false, starting: false, bypassed: false }));
  expect([0, 4.9, 5, 100].map((at) => frameAt(frames, at).at)).toEqual([0, 0, 5, 9]);
  expect([clockText(0), clockText(59.96), clockText(61.5), clockText(3600)]).toEqual([
    '0:00.0',
    '1:00.0',
    '1:01.5',
    '60:00.0',
  ]);
  expect([timeScale(60).unit, timeScale(600).unit, timeScale(90_000).unit]).toEqual(['s', 'min', 'h']);
});

test('the strip shows Switch while alarms are made, and once there are some', () => {
  const job = pressureJob();
  const strip = (open: ReturnType<typeof openPoint>, here: 'switch' | 'scale') => {
    const { container, unmount } = render(
      <StageStrip base={open.base} here={here} progress={open.progress} />,
    );
    const tabs = within(container)
      .getAllByRole('tab')
      .map((tab) => tab.getAttribute('aria-label'));
    unmount();
    return tabs;
  };
  expect(strip(openPoint(job, 'pt'), 'scale')).not.toContain('Switch');
  const making = strip(openPoint(job, 'pt'), 'switch');
  expect(making.indexOf('Switch')).toBe(making.indexOf('Prove') - 1);
  const kept = applyChange(
    job,
    { kind: 'setSwitching', pointId: 'pt', switching: { ladder: PLAN } },
    { by: 'TT', at: '2026-01-01T00:00:00.000Z' },
  );
  expect(strip(openPoint(kept, 'pt'), 'scale')).toEqual(making);
});
