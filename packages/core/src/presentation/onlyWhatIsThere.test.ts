import { FAMILIES } from '../../test/families.ts';
import { analyse } from '../analysis/analysis.ts';
import type { Analysis } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { say, textOf } from '../messages/index.ts';
import { ruleFor } from '../network/partText.ts';
import { landSteps } from './steps.ts';

/** Everything that is said of landing a point. */
const said = (analysis: Analysis): string =>
  [ruleFor(analysis.context), ...landSteps(analysis).flatMap(({ title, detail }) => [title, detail])]
    .map((text) => textOf(text) ?? '')
    .join('\n');

describe.each(Object.entries(FAMILIES))('%s', (_, job) => {
  const analysis = analyse(new JobIndex(job()), 'px-1');
  const { context } = analysis;
  const { ports, type, helpers, index } = context;
  const text = said(analysis);
  const parts = [type, ...helpers.map((helper) => index.deviceType(helper))];

  test('speaks of an input’s LED only where there is an input that has one', () => {
    if (!ports.some(({ port }) => port.kind === 'digital')) expect(text).not.toMatch(/input LED/);
  });

  test('speaks of the sensor’s own LED only where it has one', () => {
    if (!(type.indicators ?? []).some(({ kind }) => kind === 'lamp')) expect(text).not.toMatch(/own LED/);
  });

  test('gives a rule for PNP, NPN or two wires in series with an input only where its lead ends on one', () => {
    const onInput = ports.some(({ port, landed }) => port.kind === 'digital' && landed !== undefined);
    if (!onInput) expect(text).not.toMatch(/group’s common|in series with the input/);
  });

  test('gives the rule of a contact where a relay’s contact ends on the input in the device’s place', () => {
    const relayed =
      ports.some(({ port, landed }) => port.kind === 'digital' && landed === undefined) &&
      helpers.some((helper) => index.deviceType(helper).coil);
    if (relayed && context.output.rule === 'by-kind')
      expect(landSteps(analysis).find(({ key }) => key === 'common')?.detail).toEqual(
        say('landing.contact-fits-either-give'),
      );
  });

  test('warns of each danger once at a step, whatever number of parts have it', () => {
    for (const { caution } of landSteps(analysis)) {
      const sentences = (textOf(caution) ?? '').split(/(?<=\.) /);
      expect(sentences).toEqual([...new Set(sentences)]);
    }
  });

  test('speaks of a safety relay only where one is', () => {
    const relay = ports.some(({ module }) => index.moduleType(module).description.safety);
    if (!relay) expect(text).not.toMatch(/safety relay/);
  });

  test('speaks of reset only where there is a button for it', () => {
    if (!parts.some(({ description }) => description.button)) expect(text).not.toMatch(/[Pp]ress/);
  });
});
