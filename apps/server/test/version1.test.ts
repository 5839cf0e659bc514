import { textOf } from '@keypost/core/messages';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { checkIntegrity } from '@keypost/core/job';
import { checkJob, openJobFile } from '@keypost/core/proving';

const fixture = (name: string): string => readFileSync(path.resolve(__dirname, 'fixtures', name), 'utf8');

interface Seen {
  readonly status: string;
  readonly reasons: readonly string[];
  readonly overall: string;
  readonly stages: string;
  readonly expected: readonly string[];
}

/** What version 1 said of its own demo job, written down before version 2 was begun. */
const SEEN = JSON.parse(fixture('version1.verdicts.json')) as Record<string, Seen>;

/** Points whose device has further outputs that are landed. */
const SEVERAL: ReadonlySet<string> = new Set(['UT-224', 'FT-232', 'ES-210', 'PX-206']);

/**
 * Points that are proven by something else now than version 1 asked for: currents in mA, counts, live values, no volts
 * of elements and couples (whose readings it told along straight lines besides), and the action of a controller's input.
 */
const ASKED_OTHERWISE: ReadonlySet<string> = new Set(
  (
    'FT-220 PT-221 AT-223 TT-226 TT-227 LT-228 TT-229 TT-230 FT-231 FT-233 TT-234 PT-242 XI-243 ' +
    'ZS-250 TS-251 FQ-260 LT-270 PT-275 VT-276 YV-271 JT-272 JN-274'
  ).split(' '),
);

/** Points whose value arrives as data, which version 1 did not scale. */
const SCALED_NOW: ReadonlySet<string> = new Set(['LT-270', 'PT-275', 'VT-276', 'JT-272', 'JN-274']);

/** Points on an input of which version 1 did not know that it can be set to something else. */
const SET_NOW: ReadonlySet<string> = new Set(['TS-251']);

/** Units of which version 1 knew no coil sensors: told as free now. */
const WITHOUT_COILS: ReadonlySet<string> = new Set(['AX-213', 'AX-214']);

/** What is left of a list when another, each of its items once, is taken out. */
function without(list: readonly string[], out: readonly string[]): string[] {
  const left = [...list];
  for (const item of out) {
    const at = left.indexOf(item);
    if (at >= 0) left.splice(at, 1);
  }
  return left;
}

describe('a file of version 1', () => {
  const job = openJobFile(fixture('version1.keypost.json'));
  const checked = new Map(checkJob(job).map((point) => [point.progress.tag, point]));

  test('is a sound job, with every row that it held', () => {
    const { job: old } = JSON.parse(fixture('version1.keypost.json')) as { job: Record<string, unknown[]> };
    expect(checkIntegrity(job)).toEqual([]);
    for (const [name, rows] of Object.entries(old).filter(([, value]) => Array.isArray(value)))
      expect((job as unknown as Record<string, unknown[]>)[name]).toHaveLength(rows.length);
  });

  test.each(Object.keys(SEEN))('%s has the verdict, the work and the readings that it had', (tag) => {
    const now = checked.get(tag);
    if (WITHOUT_COILS.has(tag)) {
      expect(now?.progress.verdict).toMatchObject({ status: 'cannot', reasons: [{ code: 'coil-sensor' }] });
      return;
    }
    expect({
      status: now?.progress.verdict.status,
      reasons: now?.progress.verdict.reasons.map(({ code }) => code),
      overall: now?.progress.overall,
      stages: now?.progress.stages
        .filter(({ stage }) => stage !== 'scale' || !SCALED_NOW.has(tag))
        .filter(({ stage }) => stage !== 'set' || !SET_NOW.has(tag))
        .map(({ stage, mark }) => `${stage} ${mark}`)
        .join(' '),
    }).toEqual({
      status: SEEN[tag]?.status,
      reasons: SEEN[tag]?.reasons,
      overall: SEEN[tag]?.overall,
      stages: SEEN[tag]?.stages,
    });
    const readings = now?.readings.map(({ expected }) => expected) ?? [];
    // Version 1 looked at one of a device's outputs: the signals of the others are read besides now.
    const expected = SEEN[tag]?.expected ?? [];
    if (ASKED_OTHERWISE.has(tag)) return;
    expect(without(expected, readings.map(textOf))).toEqual([]);
    if (!SEVERAL.has(tag)) expect(without(readings.map(textOf), expected)).toEqual([]);
  });

  test('reads again as it is written', () => {
    const again = openJobFile(JSON.stringify({ format: 'keypost-job', version: 2, job }));
    expect(again).toEqual(job);
  });
});
