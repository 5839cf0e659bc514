import { textOf } from '@keypost/core/messages';
import type { Saver } from './useSave';

/** What the last refusal says of one field, by the end of its path. */
export function refusedField({ problem }: Saver, field: string): string | undefined {
  return textOf(problem?.details.problems?.find(({ path }) => path.endsWith(`.${field}`))?.message);
}
