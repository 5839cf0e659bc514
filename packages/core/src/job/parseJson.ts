import { say } from '../messages/index.ts';
import { JobProblem } from '../model/index.ts';

/** Reads JSON. @throws JobProblem that names the line at which it breaks off, where that can be told. */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const detail = error instanceof Error ? error.message : '';
    const position = /position (\d+)/.exec(detail)?.[1];
    const line = position === undefined ? undefined : text.slice(0, Number(position)).split('\n').length;
    throw new JobProblem([
      {
        path: line ? `line ${line}` : '',
        message: say('job.this-is-not-json', { line }),
      },
    ]);
  }
}
