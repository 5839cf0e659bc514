import { nth } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { jobWith, withModule } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { MODULE_TYPES } from '../catalog/catalog.ts';
import { analyse } from '../analysis/analysis.ts';
import { statusIn } from './judge.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { verdictOf } from './verdict.ts';

const BOTH8 = 'di8-both-8';
const ACTOR = { by: 'TT', at: '2026-01-02T03:04:05.000Z' };
const verdict = (job: JobContent, id = 'px-1') => verdictOf(analyse(new JobIndex(job), id));
const codes = (job: JobContent, id = 'px-1') => verdict(job, id).reasons.map(({ code }) => code);

describe('which sensor suits which common', () => {
  const cases: [TestPoint['output'], string, '+' | '-', string][] = [
    ['pnp', BOTH8, '-', 'works'],
    ['pnp', BOTH8, '+', 'cannot'],
    ['npn', BOTH8, '+', 'works'],
    ['npn', BOTH8, '-', 'cannot'],
    ['pushpull', BOTH8, '-', 'works'],
    ['pushpull', BOTH8, '+', 'works'],
    ['pnp', 'di8-sink-8', '-', 'works'],
    ['npn', 'di8-sink-8', '-', 'cannot'],
    ['npn', 'di8-sink-8', '+', 'cannot'],
    ['npn', 'di8-source-8', '+', 'works'],
    ['pnp', 'di8-source-8', '+', 'cannot'],
  ];
  test.each(cases)('%s on %s with its common on %s %s', (output, typeId, rail, status) => {
    expect(verdict(jobWith(typeId, [rail], { output })).status).toBe(status);
  });

  test.each(['no', 'nc'] as const)('a %s contact takes the rail that the common is not on', (logic) => {
    for (const rail of ['+', '-'] as const) {
      const job = jobWith(BOTH8, [rail], { typeId: 'limit-switch', output: 'contact', logic });
      expect(verdict(job).status).toBe('works');
    }
  });

  test('every module type works with a sensor of the kind that its sense asks for', () => {
    for (const { id, groups, ports } of MODULE_TYPES.filter(({ description }) => description.allocates)) {
      const [port] = ports({});
      const sense = port?.kind === 'digital' ? port.sense : 'both';
      const output = sense === 'source' ? 'npn' : 'pnp';
      const rail = sense === 'source' ? '+' : '-';
      expect([
        id,
        verdict(
          jobWith(
            id,
            groups.map(() => rail),
            { output },
          ),
        ).status,
      ]).toEqual([id, 'works']);
    }
  });
});

describe('reasons', () => {
  test('both pull the same way', () => {
    const v = verdict(jobWith(BOTH8, ['-'], { output: 'npn' }));
    expect(nth(v.reasons, 0).code).toBe('same-pull');
    expect(said(v.sentence)).toContain(
      'reason.same-pull rail=0 V device=PX-1 common=(landing.common number=1)',
    );
  });

  test('a common on no rail', () => {
    expect(codes(jobWith(BOTH8, [null]))).toEqual(['common-open']);
  });

  test('a mixed group, which names the neighbours', () => {
    const job = jobWith(BOTH8, ['-'], { output: 'npn' }, { tag: 'PX-2', at: ['m', 1] });
    const v = verdict(job);
    expect(v.reasons.map(({ code }) => code)).toEqual(['group-mixed', 'same-pull']);
    expect(said(v.sentence)).toContain(
      'reason.group-mixed common=(landing.common number=1) rail=0 V others=PX-2 point=PX-1',
    );
    expect(verdict(job, 'px-2').status).toBe('works');
  });

  test('a one-way input of the wrong sense, and one with its common on the wrong rail', () => {
    expect(codes(jobWith('di8-sink-8', ['-'], { output: 'npn' }))).toEqual(['wrong-sense']);
    const pushpull = jobWith('di8-sink-8', ['+'], { output: 'pushpull' });
    expect(codes(pushpull)).toEqual(['same-pull']);
    const contact = jobWith('di8-sink-8', ['-'], { typeId: 'dry-contact', output: 'contact' });
    const turned = [
      { kind: 'setCommon' as const, moduleId: 'm', common: 'COM1', rail: '+' as const },
      { kind: 'moveWire' as const, wireId: 'px-1-b-1', to: 'g1:-' },
    ].reduce((j, change) => applyChange(j, change, ACTOR), contact);
    expect(codes(turned)).toEqual(['wrong-sense']);
  });

  test('current finds its way back through neighbours of a loose common', () => {
    const job = jobWith(BOTH8, [null], { tag: 'PX-1' }, { tag: 'PX-2', output: 'npn', at: ['m', 1] });
    expect(codes(job)).toEqual(['back-feed']);
  });

  test('no supply, and a supply the wrong way round', () => {
    const job = jobWith(BOTH8, ['-']);
    const bare = applyChange(job, { kind: 'removeWire', wireId: 'px-1-b-BN' }, ACTOR);
    expect(codes(bare)).toEqual(['no-supply']);
    const turned = [
      { kind: 'moveWire' as const, wireId: 'px-1-b-BN', to: 'g1:-' },
      { kind: 'moveWire' as const, wireId: 'px-1-b-BU', to: 'g1:+' },
    ].reduce((j, change) => applyChange(j, change, ACTOR), job);
    expect(codes(turned)).toEqual(['supply-reversed']);
    expect(said(nth(verdict(turned).remedies, 0).sentence)).toContain('remedy.exchange-supply');
  });

  test('a supply above the limits of sensor and input is doubtful, not fine', () => {
    const high = applyChange(
      jobWith(BOTH8, ['-']),
      { kind: 'editSupply', id: 'g1', patch: { volts: 31 } },
      ACTOR,
    );
    expect(verdict(high).status).toBe('doubtful');
    expect(codes(high)).toEqual(expect.arrayContaining(['supply-outside', 'over-voltage']));
  });

  test('a supply far above the limit of a sensor burns it, whatever its input reads', () => {
    const burnt = applyChange(
      jobWith(BOTH8, ['-']),
      { kind: 'editSupply', id: 'g1', patch: { volts: 48 } },
      ACTOR,
    );
    expect([verdict(burnt).status, codes(burnt)[0]]).toEqual(['cannot', 'supply-outside']);
  });

  test('a supply too low for a type 1 input leaves it undecided', () => {
    const low = applyChange(
      jobWith(BOTH8, ['-']),
      { kind: 'editSupply', id: 'g1', patch: { volts: 16 } },
      ACTOR,
    );
    expect(verdict(low).status).not.toBe('works');
    expect(codes(low)).toContain('undecided');
  });

  test('a through-beam pair without light from its emitter does not follow the target', () => {
    const job = jobWith(BOTH8, ['-'], { typeId: 'through-beam-3w', logic: 'light' });
    expect(verdict(job).status).toBe('works');
    const dark = applyChange(job, { kind: 'removeWire', wireId: 'px-1-b-E-BN' }, ACTOR);
    expect(verdict(dark).status).toBe('cannot');
  });

  test('a point on no channel is open, not wrong', () => {
    expect(verdict(jobWith(BOTH8, ['-'], { at: null })).status).toBe('open');
  });
});

describe('ways out', () => {
  const wrong: [string, JobContent][] = [
    ['NPN on 0 V', jobWith(BOTH8, ['-'], { output: 'npn' })],
    ['PNP on plus', jobWith(BOTH8, ['+'], { output: 'pnp' })],
    ['common open', jobWith(BOTH8, [null])],
    ['mixed group', jobWith('di8-both-4-4', ['-', '+'], { output: 'npn' }, { tag: 'PX-2', at: ['m', 1] })],
    [
      'sink only',
      withModule(jobWith('di8-sink-8', ['-'], { output: 'npn' }), 'n', 'di8-both-4-4', [null, null], 4),
    ],
  ];
  test.each(wrong)('%s: each that is proposed works when it is done, and stops no neighbour', (_, job) => {
    const { remedies } = verdict(job);
    expect(remedies.length).toBeGreaterThan(0);
    for (const { change } of remedies) {
      const next = applyChange(job, change, ACTOR);
      for (const { id } of job.points)
        if (id === 'px-1' || statusIn(job, id) === 'works') expect(statusIn(next, id)).toBe('works');
    }
  });

  test('turning the common is not proposed where it would stop a neighbour', () => {
    const job = jobWith(BOTH8, ['-'], { output: 'npn' }, { tag: 'PX-2', at: ['m', 1] });
    expect(
      verdict(job)
        .remedies.map(({ sentence }) => sentence)
        .map(said)
        .join(),
    ).not.toContain('Put common');
  });

  test('a contact is moved to the other rail', () => {
    const job = jobWith(BOTH8, ['-'], { typeId: 'dry-contact', output: 'contact' });
    const turned = applyChange(job, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '+' }, ACTOR);
    expect(verdict(turned).remedies.map(({ sentence }) => sentence)).toContainEqual(
      expect.objectContaining({
        code: 'remedy.move-wire',
        values: expect.objectContaining({ device: 'PX-1' }),
      }),
    );
  });
});
