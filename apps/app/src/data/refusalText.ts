import { nth } from '@keypost/core/lists';
import { messageOfIssue, textOf } from '@keypost/core/messages';
import type { Issue } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';

/** Why something was refused, or what broke, as a sentence. */
export const refusalText = (error: Error): string =>
  error instanceof JobProblem ? textOf(error.first) : error.message;

/** The first thing that a schema refuses, as a sentence; nothing where it takes the value. */
export const schemaRefusal = (
  read:
    | { readonly success: true }
    | { readonly success: false; readonly error: { readonly issues: readonly Issue[] } },
): string | undefined => (read.success ? undefined : textOf(messageOfIssue(nth(read.error.issues, 0))));
