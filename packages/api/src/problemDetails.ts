import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import type { Problem } from '@keypost/core/model';
import type { ProblemDetails } from './schemas.ts';

/**
 * A message as problem details of RFC 9457: its code as `type`, its parameters, and its sentence for those who have no
 * catalog of messages; with the fields concerned, where there are any.
 */
export const problemDetails = (
  status: number,
  title: string,
  message: Message,
  problems: readonly Problem[] = [],
): ProblemDetails => ({
  type: `/problems/${message.code}`,
  title,
  status,
  detail: textOf(message),
  message,
  ...(problems.length && { problems: problems.map((one) => ({ ...one, detail: textOf(one.message) })) }),
});
