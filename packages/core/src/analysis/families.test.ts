import { nth, sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import { FAMILIES } from '../../test/families.ts';
import { analyse } from './analysis.ts';
import { judge } from '../verdict/judge.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { readMeter } from './readings.ts';
import { landSteps } from '../presentation/steps.ts';
import { loopView } from '../presentation/view/loopView.ts';
import { signalNode } from '../network/context.ts';

describe.each(Object.keys(FAMILIES))('%s', (name) => {
  const job = sure(FAMILIES[name])();
  const analysis = analyse(new JobIndex(job), 'px-1');

  test('works as it is wired', () => {
    const { status, sentence, reasons } = judge(analysis);
    expect({ status, sentence, reasons: reasons.map(({ code }) => code) }).toMatchObject({
      status: 'works',
      reasons: [],
    });
    expect(said(sentence)).toMatch(/^verdict\.(works\.|wired-as-meant)/);
  });

  test('every state can be read with a band, and drawn', () => {
    for (const state of [...analysis.shown, ...analysis.staged]) {
      const red = signalNode(analysis.context);
      const { volts } = readMeter(state, red, state.netlist.reference);
      expect(volts.min).toBeLessThanOrEqual(volts.nom);
      expect(volts.max).toBeGreaterThanOrEqual(volts.nom);
      const view = loopView(analysis.context, state);
      expect(view.plates.length).toBeGreaterThan(1);
      expect(view.wires.length).toBeGreaterThan(0);
    }
  });

  test('its steps begin with isolation and carry cautions', () => {
    const steps = landSteps(analysis);
    expect(nth(steps, 0).key).toBe('isolate');
    expect(steps.filter(({ caution }) => caution).length).toBeGreaterThanOrEqual(2);
    expect(new Set(steps.map(({ key }) => key)).size).toBe(steps.length);
    for (const { title } of steps) expect(textOf(title).length).toBeLessThanOrEqual(200);
  });
});
