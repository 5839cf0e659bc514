import type { Message, Value } from './message.ts';
import { hasSentence } from './textOf.ts';

/** What a schema says of a value that does not fit; `message` is one of the catalog's codes where the schema has its own. */
export interface Issue {
  readonly code?: string | undefined;
  readonly message: string;
}

const GENERAL: Readonly<Record<string, string>> = {
  invalid_type: 'schema.type',
  too_big: 'schema.too-big',
  too_small: 'schema.too-small',
  invalid_value: 'schema.value',
  unrecognized_keys: 'schema.keys',
  invalid_format: 'schema.format',
  not_multiple_of: 'schema.step',
  invalid_union: 'schema.union',
};

/** The message of a schema's issue, of a choice that of its last branch: its own code or, where it has none, what kind of issue it is; with its limits. */
export function messageOfIssue(issue: Issue): Message {
  const branches = (issue as { readonly errors?: readonly (readonly Issue[])[] }).errors;
  const last = issue.code === 'invalid_union' ? branches?.at(-1)?.[0] : undefined;
  if (last) return messageOfIssue(last);
  const own = issue as Issue & Readonly<Record<string, unknown>>;
  const code = hasSentence(issue.message) ? issue.message : (GENERAL[issue.code ?? ''] ?? 'schema.other');
  const values = Object.fromEntries(
    ['expected', 'minimum', 'maximum', 'keys', 'divisor', 'values', 'origin']
      .filter((name) => own[name] !== undefined)
      .map((name) => [name, plainIn(own[name])]),
  );
  return code === 'schema.other'
    ? { code, values: { said: issue.message } }
    : { code, ...(Object.keys(values).length && { values }) };
}

const plainIn = (value: unknown): Value =>
  Array.isArray(value)
    ? value.map(plainIn)
    : typeof value === 'bigint'
      ? Number(value)
      : (value as string | number | boolean);
