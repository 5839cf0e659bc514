import { clientWith, takeOurs } from '@keypost/api/client';
import type { Fetch, Schemas } from '@keypost/api/client';
import { sure } from '@keypost/core/lists';
import { noteAnswer } from './kept';

/** Stands in addresses for what is tried without a job. */
export const SCRATCH = 'try';

const SCRATCH_PATH = `/api/jobs/${SCRATCH}`;

let answerAlone: ((path: string, init: RequestInit) => Promise<Response>) | undefined;

/** Says who answers for what is tried without a job; no server holds that. */
export const answerScratchWith = (answer: typeof answerAlone): void => {
  answerAlone = answer;
};

const isScratch = (url: string): boolean =>
  url === SCRATCH_PATH || url.startsWith(`${SCRATCH_PATH}/`) || url.startsWith(`${SCRATCH_PATH}?`);

const send: Fetch = async (url, init) =>
  isScratch(url) && answerAlone ? answerAlone(url, init) : noteAnswer(await fetch(url, init));

let schemas: (() => Promise<Schemas>) | undefined;

/** Says who knows the schemas of answers; they come with the pages, and are asked for only by an odd answer. */
export const checkAnswersBy = (fetchSchemas: typeof schemas): void => {
  schemas = fetchSchemas;
};

/** The typed way to the server: the one that served this page, or the one named when the interface is developed. */
export const server = clientWith(
  takeOurs(async () => sure(await schemas?.())),
  process.env.EXPO_PUBLIC_API ?? '',
  send,
);
