import { nth, seeded } from '../../lists/index.ts';
import { compileBlock } from '../../scaling/index.ts';
import type { Ladder } from './ladder.ts';
import { heldAs, ladderCode } from './ladderCode.ts';
import type { Flaw, RealType } from './ladderCode.ts';
import { LadderRun } from './ladderRun.ts';
import type { LadderInput } from './ladderRun.ts';

/** What is to be executed. */
export interface LadderExecution {
  readonly ladder: Ladder;
  readonly type: RealType;
  /** The controller's cycle, whole ms. */
  readonly cycle: number;
  readonly steps: number;
  readonly flaw?: Flaw;
}

/** What came of it: at how many steps all outputs were alike, and how often levels came in the code and as they should. */
export interface LadderExecuted {
  readonly steps: number;
  readonly equal: number;
  /** The first step at which an output was another, and which. */
  readonly first?: { readonly step: number; readonly output: string };
  readonly comes: { readonly code: number; readonly right: number };
}

/**
 * A rough plant, cycle by cycle: the value wanders over the range with noise around it, comes to stand at limits, wires
 * break and are mended, somebody clears, passes over, and cuts the power.
 */
function roughPlant({ range, levels }: Ladder): () => LadderInput {
  const draw = seeded(20261127);
  const span = range.high - range.low;
  let [value, goal, fault] = [range.low, range.low, 0];
  return () => {
    if (draw() < 0.004) {
      const level = levels[Math.floor(draw() * levels.length)];
      goal = level && draw() < 0.5 ? level.limit : range.low + draw() * span;
    }
    value += (goal - value) * 0.02;
    if (fault > 0) fault--;
    else if (draw() < 0.0005) fault = 1 + Math.floor(draw() * 200);
    const event = draw();
    return {
      value: value + (draw() - 0.5) * 0.01 * span,
      fault: fault > 0,
      ...(event < 0.002 && { clear: event < 0.0007 ? 'anyone' : event < 0.0014 ? 'operator' : 'key' }),
      ...(event > 0.9996 && { bypass: event > 0.9999 ? 'off' : 'on' }),
      ...(event > 0.5 && event < 0.50002 && { power: true }),
    };
  };
}

/**
 * Executes a ladder's code over a rough plant, cycle by cycle, beside the ladder itself. Yields how many steps are done.
 */
export function* executeLadder({
  ladder,
  type,
  cycle,
  steps,
  flaw,
}: LadderExecution): Generator<number, LadderExecuted> {
  const block = ladderCode({ tag: 'A', unit: '' }, ladder, type, flaw);
  const code = compileBlock(block);
  const held = heldAs(type);
  const run = new LadderRun(ladder, held);
  const next = roughPlant(ladder);
  const outputs = block.outputs.map(({ name }) => name);
  const wanted = rightOutputs(ladder, run);
  const { length } = ladder.levels;
  const before = { code: ladder.levels.map(() => 0), right: ladder.levels.map(() => false) };
  const comes = { code: 0, right: 0 };
  let equal = 0;
  let first: LadderExecuted['first'];
  for (let step = 0; step < steps; step++) {
    const input = next();
    const value = type === 'REAL' ? Math.fround(input.value) : input.value;
    if (input.power) code.powerCut();
    run.step(step * cycle, { ...input, value });
    code.cycle(step * cycle, [
      value,
      Number(input.fault ?? false),
      Number(input.clear === 'anyone'),
      Number(input.clear === 'operator'),
      Number(input.clear === 'key'),
      Number(input.bypass === 'on'),
      Number(input.bypass === 'off'),
    ]);
    const right = wanted();
    const off = right.findIndex((is, i) => (code.output(i) === 1) !== is);
    if (off < 0) equal++;
    else first ??= { step, output: nth(outputs, off) };
    for (let i = 0; i < length; i++) {
      if (code.output(i) === 1 && before.code[i] === 0) comes.code++;
      if (right[i] && !before.right[i]) comes.right++;
      before.code[i] = code.output(i);
      before.right[i] = right[i] ?? false;
    }
    if (step % 8192 === 0) yield step;
  }
  return { steps, equal, ...(first && { first }), comes };
}

/** What all outputs are to be, in the block's order. */
function rightOutputs({ levels }: Ladder, run: LadderRun): () => boolean[] {
  return () => {
    const does = run.actions();
    return [
      ...levels.map((_, i) => run.acts(i)),
      does.has('show'),
      does.has('lamp'),
      does.has('sound'),
      does.has('pause'),
      does.has('stop'),
      does.has('lock'),
      levels.some((level, i) => level.does.includes('flash') && run.isLit(i)),
      run.bypassed,
    ];
  };
}
