import { JobProblem } from '../src/model/index.ts';
import type { Message, Text } from '../src/messages/index.ts';

type Value = NonNullable<Message['values']>[string];

const sayValue = (value: Value): string => {
  if (Array.isArray(value)) return value.map((one: Value) => sayValue(one)).join('+');
  if (value !== null && typeof value === 'object') return `(${said(value as Message)})`;
  return typeof value === 'number' ? String(Number(value.toPrecision(6))) : String(value);
};

/**
 * A message by its code and parameters, such as `job.tag-taken tag=PX-1`; a name as it stands. What tests compare:
 * the sentences themselves are the concern of `messages/wording.test.ts`.
 */
export const said = (text: Text | undefined): string => saidWithSpaces(text).replaceAll('\u00a0', ' ');

const saidWithSpaces = (text: Text | undefined): string =>
  text === undefined || typeof text === 'string'
    ? (text ?? '')
    : [
        text.code,
        ...Object.entries(text.values ?? {})
          .filter(([, value]) => value !== undefined)
          .map(([name, value]) => `${name}=${sayValue(value)}`),
      ].join(' ');

/** What an act is refused for, by code and parameters, each problem with its path; `not refused` where it is not. */
export function refusalOf(act: () => unknown): string {
  try {
    act();
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return error.problems
      .map(({ path, message }) => [path, said(message)].filter(Boolean).join(': '))
      .join('\n');
  }
  return 'not refused';
}
