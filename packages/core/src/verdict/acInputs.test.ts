import { withModule, withPoint, bareJob } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY, portFits } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { textOf } from '../messages/index.ts';
import { signalLeads } from '../network/index.ts';
import { verdictOf } from './index.ts';

const MAINS = {
  id: 'q1',
  tag: 'Q1',
  kind: 'ac' as const,
  volts: 230,
  tolerancePercent: 10,
  internalOhms: 0.4,
  limitAmps: 10,
};

/** A job with mains of so many volts, and an input module on it with its commons on N. */
function job(volts = 230, typeId = 'di8-ac230'): JobContent {
  const fed = applyChange(bareJob(), { kind: 'addSupply', supply: { ...MAINS, volts } }, NOBODY);
  return withModule(fed, 'm', typeId, ['N', 'N']);
}

const judged = (content: JobContent, id = 'px-1') => {
  const analysis = analyse(new JobIndex(content), id);
  const { status, reasons, sentence, remedies } = verdictOf(analysis);
  return {
    analysis,
    status,
    codes: reasons.map(({ code }) => code),
    text: textOf(sentence).replaceAll('\u00a0', ' '),
    remedies,
  };
};

const CONTACT: TestPoint = { typeId: 'limit-switch', output: 'contact', logic: 'no' };

describe('a device that is fed with mains', () => {
  const meter = (typeId = 'flow-magnetic-ac'): JobContent => {
    const fed = applyChange(bareJob(), { kind: 'addSupply', supply: MAINS }, NOBODY);
    const panel = withModule(fed, 'm', typeId === 'flow-magnetic-ac' ? 'ai4-switch' : 'di8-both-8', ['-']);
    const trip = { output: 'contact', logic: 'no' } as const;
    return withPoint(panel, { typeId, ...(typeId === 'arc-unit-linked' && trip), outputId: undefined });
  };
  const moved = (content: JobContent, to: Readonly<Record<string, string>>): JobContent => ({
    ...content,
    wires: content.wires.map((wire) => ({ ...wire, to: to[wire.from] ?? wire.to })),
  });

  test('gets line, neutral and earth proposed, and works either way round', () => {
    const content = meter();
    const ends = Object.fromEntries(content.wires.map(({ from, to }) => [from, to]));
    expect(ends).toMatchObject({ 'px-1-b:L': 'q1:L', 'px-1-b:N': 'q1:N', 'px-1-b:PE': 'q1:PE' });
    expect(judged(content).status).toBe('works');
    const turned = moved(content, { 'px-1-b:L': 'q1:N', 'px-1-b:N': 'q1:L' });
    expect(judged(turned).status).toBe('works');
  });

  test.each(['flow-magnetic-ac', 'arc-unit-linked'])(
    '%s without its protective earth never works',
    (typeId) => {
      const content = meter(typeId);
      const bare = { ...content, wires: content.wires.filter(({ from }) => !from.endsWith(':PE')) };
      const { status, codes, remedies } = judged(bare);
      expect([status, codes]).toEqual(['cannot', ['no-earth']]);
      // On the neutral it is no better: a conductor of the mains is no earth.
      expect(judged(moved(content, { 'px-1-b:PE': 'q1:N' })).codes).toEqual(['no-earth']);
      if (typeId === 'flow-magnetic-ac') expect(textOf(sure(remedies[0]).sentence)).toContain('PE');
    },
  );

  test('on the control supply it is dead, and said to be', () => {
    const content = moved(meter(), { 'px-1-b:L': 'g1:+', 'px-1-b:N': 'g1:-' });
    expect(judged(content)).toMatchObject({ status: 'cannot', codes: ['no-supply'] });
  });

  test('a device for 24 V on mains, with both leads or with one, is destroyed', () => {
    const fed = applyChange(bareJob(), { kind: 'addSupply', supply: MAINS }, NOBODY);
    const content = withPoint(withModule(fed, 'm', 'ai4-switch', ['-']), { typeId: 'flow-magnetic' });
    const wrong = moved(content, { 'px-1-b:V+': 'q1:L', 'px-1-b:V-': 'q1:N' });
    expect(judged(moved(content, { 'px-1-b:V+': 'q1:L' }))).toMatchObject({
      status: 'cannot',
      codes: ['ac-dc'],
    });
    expect(judged(wrong)).toMatchObject({ status: 'cannot', codes: ['ac-dc'] });
  });
});

describe('an input for alternating current', () => {
  test.each([
    [24, 'di8-ac24'],
    [115, 'di8-ac115'],
    [230, 'di8-ac230'],
  ])('of %i V reads a contact that brings L, its common on N', (volts, typeId) => {
    const { status, text, analysis } = judged(withPoint(job(volts, typeId), CONTACT));
    expect({ status, text }).toEqual({
      status: 'works',
      text: `Works. The contact brings L ${volts} V to the input; common 1 sits on N, and the input takes the current in.`,
    });
    expect(analysis.present.inputAmps?.nom).toBeGreaterThan(0.005);
  });

  test('of 230 V on 24 V of mains is not surely on, and one of 24 V on 230 V has too much', () => {
    expect(judged(withPoint(job(24, 'di8-ac230'), CONTACT)).status).toBe('cannot');
    expect(judged(withPoint(job(230, 'di8-ac24'), CONTACT)).codes).toContain('over-voltage');
  });

  test('with contact and common on L has nothing to drive its current, and is told so in words of mains', () => {
    const at = withPoint(job(), CONTACT);
    const turned = applyChange(at, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: 'L' }, NOBODY);
    const { status, codes, text, remedies } = judged(turned);
    expect({ status, codes }).toMatchObject({ status: 'cannot', codes: ['same-pull'] });
    expect(text).toContain('L 230 V');
    expect(text).not.toContain('0 V,');
    expect(remedies.map(({ sentence }) => textOf(sentence)).join()).toContain('N');
  });

  test('never works with a sensor for direct current, and offers it no channel', () => {
    const content = withPoint(job(), {});
    const { status, codes } = judged(content);
    expect({ status, codes }).toEqual({ status: 'cannot', codes: ['ac-dc'] });
    const index = new JobIndex(content);
    const [point] = content.points;
    const type = index.deviceType(index.deviceOf(sure(point)));
    expect(index.portsOf('m').filter((port) => portFits(type, type.outputs[0], port))).toEqual([]);
  });

  test('is measured against N of its own mains', () => {
    const { analysis } = judged(withPoint(job(), CONTACT));
    expect(signalLeads(analysis.context, 'g1:-')).toEqual({ red: 'px-1-b:2', black: 'q1:N', across: false });
    expect(analysis.present.signalVolts).toBeCloseTo(230, 0);
  });

  test('with its common on no rail is open, and can be put on N only where there is mains', () => {
    const at = withPoint(job(), CONTACT);
    const open = applyChange(at, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: null }, NOBODY);
    expect(judged(open).codes).toEqual(['common-open']);
    const dry = withModule(bareJob(), 'm', 'di8-ac230', [null, null]);
    expect(() =>
      applyChange(dry, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: 'N' }, NOBODY),
    ).toThrow('no supply with N');
  });

  test('leaves a two-wire sensor’s leakage undecided, or works where it is small enough', () => {
    const { status, analysis } = judged(
      withPoint(job(), { typeId: 'inductive-2w-ac', output: 'twowire', logic: 'no' }),
    );
    const leak = analysis.away.inputAmps?.nom ?? NaN;
    // Closed form: the leak through 27 kΩ ‖ 270 kΩ stands below 40 V and 1 mA, or not.
    const sure = leak < 0.001 && leak * 24_545 < 40;
    expect(status === 'works').toBe(sure);
  });
});
