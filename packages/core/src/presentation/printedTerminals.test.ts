import { textOf } from '../messages/index.ts';
import { relayJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { refText } from '../job/asFound.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { aboutSettings } from '../network/fingerprint.ts';
import { terminalSheet } from '../planning/terminalSheet.ts';
import { loopView } from './view/loopView.ts';
import { landSteps } from './steps.ts';

const through = relayJob();
const byContacts = after(through, {
  kind: 'editDevice',
  id: 'k1',
  patch: { settings: { suppressor: 'diode', socket: 'contacts' } },
});

/** Everything that is said of where a wire goes: steps, sheet, names, drawing. */
function said(job: JobContent): string[] {
  const index = new JobIndex(job);
  const analysis = analyse(index, 'px-1');
  const printed = terminalSheet(job).flatMap(({ terminals }) => terminals.map((t) => t.printed));
  const drawn = loopView(analysis.context, analysis.present).plates.flatMap(({ rows }) =>
    rows.flatMap(({ a, b }) => [a?.printed, b?.printed]),
  );
  return [
    refText(index, 'k1:A1'),
    ...landSteps(analysis).flatMap(({ title, detail }) => [title, detail].map((text) => textOf(text) ?? '')),
    ...[...printed, ...drawn].map((text) => (text ? `printed ${text}` : '')),
  ];
}

test('wherever a wire lands, the number printed on the socket stands beside the name', () => {
  const all = said(through);
  expect(all[0]).toBe('K1 A1\u00a0(13)');
  expect(all.some((text) => /K1: A1\u00a0\(13\) with/.test(text))).toBe(true);
  expect(all.filter((text) => /K1 A1(?!\u00a0\()/.test(text))).toEqual([]);
  expect(all).toContain('printed 13');
});

test('a socket that is numbered by its contacts has no other number anywhere', () => {
  const all = said(byContacts);
  expect(all[0]).toBe('K1 A1');
  expect(all.filter((text) => /\(13\)|printed/.test(text))).toEqual([]);
});

test('what a terminal is called changes no work that was done', () => {
  const about = (job: JobContent) => aboutSettings(new JobIndex(job), 'k1');
  expect(about(byContacts)).toEqual(about(through));
});
