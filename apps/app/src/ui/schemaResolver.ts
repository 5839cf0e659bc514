import { messageOfIssue, textOf } from '@keypost/core/messages';
import { set } from 'react-hook-form';
import type { FieldErrors, FieldValues, Resolver } from 'react-hook-form';
import type { z } from 'zod';

/** Checks a form by a schema; what it refuses is worded by the catalog of messages. */
export const schemaResolver =
  <Typed extends FieldValues, Read>(schema: z.ZodType<Read, Typed>): Resolver<Typed, unknown, Read> =>
  (typed) => {
    const read = schema.safeParse(typed);
    if (read.success) return { values: read.data, errors: {} };
    const errors: FieldErrors<Typed> = {};
    for (const issue of [...read.error.issues].reverse())
      set(errors, issue.path.join('.') || 'root', {
        type: issue.code ?? 'refused',
        message: textOf(messageOfIssue(issue)),
      });
    return { values: {}, errors };
  };
