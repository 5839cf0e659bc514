import { lastOf, nth, sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { analyse, arcChainFaults, loopBudget } from '@keypost/core/analysis';
import { checkIntegrity, JobIndex, planDifferences } from '@keypost/core/job';
import { DEVICE_TYPES, MODULE_TYPES } from '@keypost/core/catalog';
import { checkJob, jobProgress } from '@keypost/core/proving';
import { judge, verdictOf } from '@keypost/core/verdict';
import { landSteps } from '@keypost/core/presentation';
import { supplyBudgets } from '@keypost/core/planning';
import { ternRock } from '../src/demo/ternRock.ts';

const job = ternRock();
const index = new JobIndex(job);
const analysisOf = (tag: string) => analyse(index, tag.toLowerCase());

/** What is wrong on purpose, and the code by which one sees it. */
const WRONG: readonly [string, 'cannot' | 'doubtful', string][] = [
  ['PX-104', 'cannot', 'reason.group-mixed'],
  ['PX-108', 'cannot', 'reason.wrong-sense.npn'],
  ['UX-109', 'cannot', 'reason.common-open'],
  ['LS-202', 'cannot', 'reason.undecided.at-nominal'],
  ['PE-207', 'doubtful', 'reason.coil-suppressor.missing'],
  ['GS-212', 'cannot', 'reason.safety-channel.not-reaching'],
  ['WT-222', 'cannot', 'text.sentences'],
  ['TT-227', 'doubtful', 'reason.lead-error.kelvin'],
  ['YV-253', 'cannot', 'reason.output-overload'],
  ['FQ-261', 'cannot', 'reason.no-supply.output-stage'],
  ['JT-273', 'cannot', 'reason.line-swapped'],
];

test('it is sound, and is made the same every time', () => {
  expect(checkIntegrity(job)).toEqual([]);
  expect(ternRock().points).toEqual(job.points);
});

test('every group of devices, inputs and outputs is in it', () => {
  const devices = new Set(job.devices.map((device) => index.deviceType(device).group));
  expect(DEVICE_TYPES.map(({ group }) => group).filter((group) => !devices.has(group))).toEqual([]);
  const modules = new Set(job.modules.map((module) => index.moduleType(module).group));
  expect(MODULE_TYPES.map(({ group }) => group).filter((group) => !modules.has(group))).toEqual([]);
});

test('checked as sections without names it is what it is checked with its names', () => {
  const planned = { ...job, stamps: [], results: [], calibrations: [], entries: [], faults: [] };
  // With a sign in it that would stand for a name, no section is taken for another.
  const withNames = { ...planned, name: `${job.name} \ue000` };
  expect(checkJob(planned)).toEqual(checkJob(withNames));
});

test.each(WRONG)('%s is %s, and says why', (tag, status, code) => {
  const judged = judge(analysisOf(tag));
  expect(judged.status).toBe(status);
  expect(judged.sentence.code).toBe(code);
});

test('everything else works, but for the one that is not landed', () => {
  const wrong = new Set(WRONG.map(([tag]) => tag));
  const others = job.points.filter(({ tag }) => !wrong.has(tag));
  const open = others.filter(({ id }) => judge(analyse(index, id)).status !== 'works');
  expect(open.map(({ tag }) => tag)).toEqual(['LS-114']);
});

test('what is wrong has a way out that was solved, or is a matter of another device', () => {
  const without = WRONG.filter(([tag]) => !verdictOf(analysisOf(tag)).remedies.length).map(([tag]) => tag);
  expect(without.length).toBeLessThanOrEqual(2);
});

test('every point has steps that begin with isolation, each short enough for a stamp', () => {
  for (const { id, tag } of job.points) {
    const steps = landSteps(analyse(index, id));
    if (tag === 'LS-114') continue;
    expect([tag, steps[0]?.key]).toEqual([tag, 'isolate']);
    for (const { title } of steps) expect(textOf(title).length).toBeLessThanOrEqual(200);
  }
});

test('some points are proven, some half, one failed: every mark has something to show', () => {
  const marks = new Set(jobProgress(job).map(({ overall }) => overall));
  expect([...marks].sort()).toEqual(['cannot', 'doubtful', 'failed', 'open', 'proven', 'underway']);
});

test('its supplies bear their loads, the branch’s copper its breaker', () => {
  const budgets = supplyBudgets(job);
  expect(budgets.map(({ supply }) => supply.tag)).toEqual(['G1', 'Q1', 'F1']);
  for (const { margin } of budgets) expect(margin).toBeGreaterThan(0);
  const branch = lastOf(budgets);
  expect(branch.feeder).toMatchObject({ from: 'G1', protects: true });
  // 70 m of 1.5 mm² copper, warm, at the branch’s load.
  expect(sure(branch.feeder).drop).toBeCloseTo(((branch.amps * 0.0175 * 70) / 1.5) * 1.25, 3);
  expect(textOf(nth(nth(budgets, 0).draws, 0).tag)).toBe('F1');
});

test('the pressure loop bears its barrier and the resistance for digital communication', () => {
  const budget = sure(loopBudget(analysisOf('PT-221')));
  expect(budget.margin).toBeGreaterThan(0);
  expect(budget.ohms).toBeGreaterThan(250);
  expect(budget.drops.map(({ label }) => label).map(textOf)).toContain('Z221');
});

test('two wires are other than planned, and the chain of arc units is set by its order', () => {
  expect(planDifferences(index, job.wires)).toHaveLength(2);
  expect(arcChainFaults(index).faults).toEqual([]);
});

test('no name of a person and no maker stands in it', () => {
  const text = JSON.stringify(job);
  expect(text).not.toMatch(/\b(GmbH|Inc\.|Ltd|Corp)\b/);
  for (const { by } of [...job.stamps, ...job.results]) expect(by).toMatch(/^[A-Z]{2}$/);
});
