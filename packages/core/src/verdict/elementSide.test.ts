import { after, bareJob, withModule, withPoint, withWires } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { verdictOf } from './index.ts';

const HEAD = 'px-1-b';

const bare = (leads: '2' | '3' | '4', alarm: 'high' | 'low' = 'high'): JobContent =>
  withPoint(withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']), {
    typeId: 'temperature-2w-head',
    output: 'none',
    logic: 'none',
    settings: { leads, alarm },
    range: { low: 0, high: 100, unit: '°C' },
  });

const judged = (job: JobContent) => {
  const analysis = analyse(new JobIndex(job), 'px-1');
  const amps = analysis.present.solution.amps(`${HEAD}/signal`);
  const alarm = analysis.present.solution.amps(`${HEAD}/alarm`);
  const { status, reasons, remedies } = verdictOf(analysis);
  return { status, codes: reasons.map(({ code }) => code), mA: 1000 * (amps + alarm), remedies };
};

/** The job with the element that is proposed. */
function whole(leads: '2' | '3' | '4', alarm: 'high' | 'low' = 'high'): JobContent {
  const job = bare(leads, alarm);
  const remedy = sure(judged(job).remedies.find(({ sentence }) => sentence.code === 'remedy.element'));
  return after(job, remedy.change);
}

const without = (job: JobContent, terminal: string): JobContent => ({
  ...job,
  wires: job.wires.filter(({ from, to }) => ![from, to].includes(`${HEAD}:${terminal}`)),
});

describe('the element of a head transmitter', () => {
  test.each([
    ['high', 21.6],
    ['low', 3.5],
  ] as const)('that is missing has it at %s, and cannot work', (alarm, expected) => {
    const { status, codes, mA } = judged(bare('2', alarm));
    expect([status, codes[0]]).toEqual(['cannot', 'element-open']);
    expect(mA).toBeCloseTo(expected, 1);
  });

  test.each([
    ['2', '1 4'],
    ['3', '1 3 4'],
    ['4', '1 2 3 4'],
  ] as const)(
    'with %s wires is proposed, works, and each of its wires that is off is seen',
    (leads, used) => {
      const job = whole(leads);
      expect(judged(job)).toMatchObject({ status: 'works', codes: [] });
      expect(judged(job).mA).toBeCloseTo(20, 1);
      for (const terminal of used.split(' '))
        expect([terminal, ...judged(without(job, terminal)).codes]).toEqual([terminal, 'element-open']);
    },
  );

  test('that is shorted is seen as well', () => {
    const { status, codes } = judged(withWires(whole('2'), [`${HEAD}:1`, `${HEAD}:4`]));
    expect([status, codes[0]]).toEqual(['cannot', 'element-open']);
  });

  test('with two wires does not do where it is set to three, until the third terminal is joined', () => {
    const three = after(whole('2'), {
      kind: 'editDevice',
      id: HEAD,
      patch: { settings: { leads: '3', alarm: 'high' } },
    });
    expect(judged(three).codes).toEqual(['element-open']);
    expect(judged(withWires(three, [`${HEAD}:3`, `${HEAD}:4`])).status).toBe('works');
  });
});
