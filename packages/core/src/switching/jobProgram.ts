import { analyse } from '../analysis/index.ts';
import type { JobIndex } from '../job/index.ts';
import { say, textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { JobProblem } from '../model/index.ts';
import { chainOf, codeRequest, plc, scaledPart, plcCode, unfitNumbers } from '../scaling/index.ts';
import type { PlcFunction, PlcProgram } from '../scaling/index.ts';
import { ladderPart } from './ladder/ladderProgram.ts';
import type { RealType } from './ladder/ladderCode.ts';
import { ladderOf } from './ladder/pointLadder.ts';

/** The program of a whole job, and what is not in it. */
export interface JobProgram {
  readonly program: PlcProgram;
  /** Tags of the points that it scales, and of those whose alarms it calls. */
  readonly scaled: readonly string[];
  readonly alarmed: readonly string[];
  /** Points with a value that it leaves out, each with the reason. */
  readonly left: readonly { readonly tag: string; readonly why: Message }[];
}

/**
 * One program for all points of a job that have a value: each is scaled by its chain, and its alarms are called.
 * Yields how many points are done.
 */
export function* jobProgram(index: JobIndex, type: RealType): Generator<number, JobProgram> {
  const parts: Omit<PlcProgram, 'name' | 'comment'>[] = [];
  const functions = new Map<string, PlcFunction>();
  const scaled: string[] = [];
  const alarmed: string[] = [];
  const left: { tag: string; why: Message }[] = [];
  let done = 0;
  for (const { id, tag } of index.job.points) {
    yield done++;
    const analysis = analyse(index, id);
    const made = chainOf(analysis);
    if (!made) continue;
    if (!('chain' in made)) {
      left.push({ tag, why: made.problem });
      continue;
    }
    try {
      const request = codeRequest(tag, made);
      const code = plcCode(request, type);
      const unfit = unfitNumbers(code)[0];
      if (unfit) {
        left.push({ tag, why: unfit });
        continue;
      }
      const part = scaledPart(request, { ...code, fn: onlyOne(functions, code.fn) });
      const ladder = ladderOf(analysis);
      const alarms =
        ladder && 'ladder' in ladder
          ? ladderPart(
              { tag, unit: ladder.unit },
              ladder.ladder,
              type,
              made.chain.controller.unit === ladder.unit ? part.value.name : undefined,
            )
          : undefined;
      parts.push({
        constants: part.constants,
        variables: [...part.variables, ...(alarms?.variables ?? [])],
        calls: [part.call, ...(alarms ? [alarms.call] : [])],
      });
      scaled.push(tag);
      if (alarms) alarmed.push(tag);
    } catch (error) {
      if (!(error instanceof JobProblem)) throw error;
      left.push({ tag, why: error.first });
    }
  }
  const program: PlcProgram = {
    name: 'Points',
    comment: textOf(say('scaling.code-program', { tags: scaled })),
    constants: parts.flatMap(({ constants }) => constants),
    variables: parts.flatMap(({ variables }) => variables),
    calls: parts.flatMap(({ calls }) => calls),
  };
  return { program, scaled, alarmed, left };
}

/** A function under a name that no other function has: its own, where it is the same or the first. */
function onlyOne(functions: Map<string, PlcFunction>, fn: PlcFunction): PlcFunction {
  const raw = fn.inputs.find(({ name }) => name === 'Raw')?.type ?? '';
  for (let n = 0; ; n++) {
    const name = n === 0 ? fn.name : n === 1 ? `${fn.name}_${raw}` : `${fn.name}_${raw}${n}`;
    const own = n === 0 ? fn : plc.renamed(fn, name);
    const known = functions.get(name);
    if (!known) functions.set(name, own);
    if (!known || JSON.stringify(known) === JSON.stringify(own)) return own;
  }
}
