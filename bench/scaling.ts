import { nth } from '@keypost/core/lists';
import { analyse } from '@keypost/core/analysis';
import { applyHistory, JobIndex } from '@keypost/core/job';
import { budgetAt, chainOf, executeAll, plcCode, sweepChain } from '@keypost/core/scaling';
import {
  thermocoupleMillivolts,
  thermocoupleTemperature,
  ohmsOf,
  temperatureOf,
  thermometerElement,
} from '@keypost/core/sensing';
import { emptyJob, Scaling } from '@keypost/core/model';
import type { Change } from '@keypost/core/job';
import type { CodeRequest, PointChain } from '@keypost/core/scaling';
import { rate } from './rate.ts';

const BUILDER = { by: 'BN', at: '2026-01-01T00:00:00.000Z' };

/** A transmitter on an input whose converter has 65536 counts, with its error at nine values. */
function chain16(): { made: PointChain; knots: { value: number; plusMinus: number }[] } {
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'AI 1', typeId: 'ai2-switch', firstByte: 0 },
      commons: ['-', '-'],
    },
    {
      kind: 'addPoint',
      point: {
        id: 'p',
        tag: 'PT-1',
        name: 'Pressure',
        deviceId: 'd',
        bit: 'direct',
        range: { low: 0, high: 6, unit: 'bar' },
      },
      device: { id: 'd', tag: 'PT-1', typeId: 'transmitter-2w' },
      place: { moduleId: 'm', channel: 0 },
    },
    { kind: 'setScaling', pointId: 'p', scaling: Scaling.parse({ converter: { formatId: '65535' } }) },
  ];
  const job = applyHistory(
    emptyJob('Bench', ''),
    changes.map((change) => [change, BUILDER] as const),
  );
  const analysis = analyse(new JobIndex(job), 'p');
  const made = chainOf(analysis) as PointChain;
  const knots = Array.from({ length: 9 }, (_, i) => (i / 8) * 6).map((value) => ({
    value,
    plusMinus: budgetAt(analysis, made, value).worst,
  }));
  return { made, knots };
}

/** The same straight line and error band without a chain: what the least work would be. */
function plainSweep(knots: readonly { value: number; plusMinus: number }[]): number {
  let worst = 0;
  const shown = new Set<number>();
  for (let counts = 0; counts <= 65535; counts++) {
    const value = (counts / 65535) * 6;
    const at = Math.min(7, Math.floor((value / 6) * 8));
    const [a, b] = [nth(knots, at), nth(knots, at + 1)];
    const error = a.plusMinus + ((value - a.value) / (b.value - a.value)) * (b.plusMinus - a.plusMinus);
    if (error > worst) worst = error;
    shown.add(Math.round(value * 100) / 100);
  }
  return worst + shown.size;
}

const drain = <T>(run: Generator<number, T>): T => {
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
};

function bisect(value: number, low: number, high: number, at: (x: number) => number): number {
  let [a, b] = [low, high];
  while (b - a > 1e-6) {
    const middle = (a + b) / 2;
    if (at(middle) < value) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** Sweeps of a chain, inversions of sensors, executions of code; each beside the plain way. */
export function scaling(): void {
  const { made, knots } = chain16();
  const sweeps = rate(() => drain(sweepChain(made.chain, knots)));
  const plain = rate(() => plainSweep(knots));
  console.log('A chain over 65536 counts, with its error band');
  console.log(`  sweeps a second                       ${sweeps.toFixed(1)}`);
  console.log(`  plain loop of the same formula        ${plain.toFixed(1)} a second`);
  console.log(`  ratio (1 is the plain loop)           ${(plain / sweeps).toFixed(1)} times its time`);
  inversions();
  const request: CodeRequest = {
    tag: 'PT-1',
    raw: { low: 0, high: 65535, min: 0, max: 65535 },
    value: { low: 0, high: 6, unit: 'bar' },
    shape: 'linear',
    cut: 0,
    table: [],
    decimals: 3,
  };
  const code = plcCode(request, 'safe');
  const executions = rate(() => drain(executeAll(request, code)));
  console.log(`Integer code executed over 65536 counts  ${executions.toFixed(1)} times a second`);
}

function inversions(): void {
  const pt = thermometerElement('Pt100');
  let turn = 0;
  const next = (low: number, high: number): number => low + ((turn++ * 0.6180339887) % 1) * (high - low);
  const cases: [string, () => number, () => number][] = [
    [
      'Pt100, −200 to 850 °C',
      () => temperatureOf(pt, ohmsOf(pt, next(-200, 850))),
      () => bisect(ohmsOf(pt, next(-200, 850)), -200, 850, (t) => ohmsOf(pt, t)),
    ],
    ...(['K', 'S'] as const).map((type): [string, () => number, () => number] => [
      `type ${type}, 0 to 1300 °C`,
      () => thermocoupleTemperature(type, thermocoupleMillivolts(type, next(0, 1300))),
      () =>
        bisect(thermocoupleMillivolts(type, next(0, 1300)), 0, 1300, (t) => thermocoupleMillivolts(type, t)),
    ]),
  ];
  for (const [name, ours, halves] of cases) {
    const [a, b] = [rate(ours), rate(halves)];
    console.log(
      `Inversion of ${name.padEnd(26)}${(a / 1000).toFixed(0)} thousand a second, by halving ${(b / 1000).toFixed(0)}; ratio ${(a / b).toFixed(1)}`,
    );
  }
}
