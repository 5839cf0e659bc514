import { nth, sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import type { Jobs } from '../jobs/jobs.ts';
import type { ReadOutcome, WriteOutcome } from '@keypost/api';
import {
  COMMAND_INDEX,
  SWITCH_CHANNELS,
  TEACH_COMMANDS,
  TEACH_RESULT_INDEX,
  TEACH_SELECT_INDEX,
} from '@keypost/core/ioLink';
import { JobIndex, parametersOf, sameValue } from '@keypost/core/job';
import { JobProblem } from '@keypost/core/model';
import type { BusParameter } from '@keypost/core/ioLink';
import type { Parameter } from '@keypost/core/catalog';
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { converse } from '../partners/conversation.ts';
import type { Conversation } from '../partners/conversation.ts';
import { PartnerProblem } from '../partners/partnerProblem.ts';
import { notFound, Refusal } from '../problems.ts';
import { register } from '../register.ts';

/** Reading and writing a job's devices. Nothing is kept that was not read from the device itself. */
export function partnerResource(app: FastifyInstance, jobs: Jobs): void {
  register(app, 'readItem', async ({ params, body }) => {
    const { index, parameters } = await opened(jobs, params);
    const wanted = parameters.filter(({ key }) => body.keys.includes(key));
    const outcome = await converseWith(index, params.itemId, (with_) => readAll(with_, wanted));
    await keep(jobs, params, body.by, 'found', outcome.values);
    return outcome;
  });

  register(app, 'writeParameter', async ({ params, body }) => {
    const { index, parameters } = await opened(jobs, params);
    const parameter = parameters.find(({ key }) => key === body.key);
    if (!parameter)
      throw new JobProblem([{ path: 'key', message: say('job.part-parameter', { key: body.key }) }]);
    const outcome = await writeOne(index, params.itemId, parameter, body.value);
    if (outcome.kept) await keep(jobs, params, body.by, 'left', { [parameter.key]: sure(outcome.readBack) });
    return outcome;
  });

  register(app, 'teach', async ({ params, body }) => {
    const { index, parameters } = await opened(jobs, params);
    const points = parameters.filter(
      (p): p is BusParameter => 'index' in p && p.index === nth(SWITCH_CHANNELS, body.channel - 1).points,
    );
    const outcome = await converseWith(index, params.itemId, async (with_) => {
      await with_.check();
      await with_.write(
        commandParameter(TEACH_SELECT_INDEX),
        String(nth(SWITCH_CHANNELS, body.channel - 1).select),
      );
      await with_.write(commandParameter(COMMAND_INDEX), String(TEACH_COMMANDS[body.command]));
      const result = Number(await with_.read(commandParameter(TEACH_RESULT_INDEX))) & 0x0f;
      if (result === 7) throw new PartnerProblem('refused', say('service.teaching-failed-old-values'));
      return readAll(with_, points);
    });
    await keep(jobs, params, body.by, 'left', outcome.values);
    return outcome;
  });
}

/** A byte behind an index that no description need name. */
const commandParameter = (index: number): BusParameter => ({
  key: `v${index}`,
  label: `index ${index}`,
  kind: 'number',
  place: 'bus',
  index,
  subindex: 0,
  type: { kind: 'uint', bits: 8 },
});

async function opened(
  { keeper }: Jobs,
  { jobId, itemId }: { jobId: string; itemId: string },
): Promise<{ index: JobIndex; parameters: readonly Parameter[] }> {
  const job = await keeper.job(jobId);
  if (!job) throw notFound(say('service.this-job'));
  const { content } = job;
  return { index: new JobIndex(content), parameters: parametersOf(content, itemId) };
}

/** Reads one after the other; a refusal of one does not stop the rest, a partner that went away does. */
async function readAll(conversation: Conversation, parameters: readonly Parameter[]): Promise<ReadOutcome> {
  const outcome: ReadOutcome = { values: {}, refused: [] };
  for (const parameter of parameters) {
    try {
      outcome.values[parameter.key] = await conversation.read(parameter);
    } catch (error) {
      if (error instanceof PartnerProblem && error.kind === 'away') return { ...outcome, away: error.said };
      outcome.refused.push({ key: parameter.key, message: wordsOf(error) });
    }
  }
  return outcome;
}

/** Opens a conversation with a part, and closes it whatever comes of it. @throws PartnerProblem, JobProblem */
async function conversing<T>(
  index: JobIndex,
  itemId: string,
  act: (conversation: Conversation) => Promise<T>,
): Promise<T> {
  const conversation = converse(index, itemId);
  try {
    return await act(conversation);
  } finally {
    conversation.close();
  }
}

async function converseWith(
  index: JobIndex,
  itemId: string,
  act: (conversation: Conversation) => Promise<ReadOutcome>,
): Promise<ReadOutcome> {
  try {
    return await conversing(index, itemId, act);
  } catch (error) {
    if (!(error instanceof PartnerProblem)) throw error;
    if (error.kind === 'away') return { values: {}, refused: [], away: error.said };
    throw new Refusal(422, error.said);
  }
}

async function writeOne(
  index: JobIndex,
  itemId: string,
  parameter: Parameter,
  value: string,
): Promise<WriteOutcome> {
  try {
    const readBack = await conversing(index, itemId, async (conversation) => {
      await conversation.check();
      await conversation.write(parameter, value);
      return conversation.read(parameter);
    });
    return sameEnough(parameter, readBack, value)
      ? { kept: true, readBack }
      : {
          kept: false,
          readBack,
          problem: { kind: 'differs', message: say('service.device-took-instead', { readBack, value }) },
        };
  } catch (error) {
    if (!(error instanceof PartnerProblem || error instanceof JobProblem)) throw error;
    const kind = error instanceof PartnerProblem ? error.kind : 'refused';
    return { kept: false, problem: { kind, message: wordsOf(error) } };
  }
}

/** A device rounds to its own steps: half a step of the scale, or single precision, is the same value. */
function sameEnough(parameter: Parameter, readBack: string, value: string): boolean {
  if (sameValue(parameter, readBack, value)) return true;
  if (parameter.kind !== 'number' || !('scale' in parameter || 'type' in parameter)) return false;
  const { scale } = parameter as BusParameter;
  return (
    Math.abs(Number(readBack) - Number(value)) <=
    Math.abs(scale?.gradient ?? 0) / 2 + 1e-6 * Math.abs(Number(value))
  );
}

const wordsOf = (error: unknown): Message =>
  error instanceof PartnerProblem
    ? error.said
    : error instanceof JobProblem
      ? error.first
      : say('service.could-read');

async function keep(
  { queue }: Jobs,
  { jobId, itemId }: { jobId: string; itemId: string },
  by: string,
  side: 'found' | 'left',
  values: Record<string, string>,
): Promise<void> {
  if (Object.keys(values).length === 0) return;
  const entry = { id: randomUUID(), itemId, side, how: 'read' as const, values };
  await queue.store(jobId, {
    changeId: randomUUID(),
    by,
    change: { kind: 'enter', entries: [entry] },
    expects: [],
  });
}
