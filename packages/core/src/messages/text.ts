import { nth } from '../lists/index.ts';

/** How several messages stand beside one another. */
export const TEXT = {
  'text.list': ({ parts }: { parts: readonly string[] }) => parts.join(', '),
  'text.of': ({ what, of }: { what: string; of: string }) => `${what} of ${of}`,
  'text.semicolons': ({ parts }: { parts: readonly string[] }) => parts.join('; '),
  'text.sentences': ({ parts }: { parts: readonly string[] }) => parts.filter(Boolean).join(' '),
  'text.colon': ({ name, text }: { name: string; text: string }) => `${name}: ${text}`,
  /** Its first sentence without its full stop, for a line of a list. */
  'text.brief': ({ text }: { text: string }) => nth(text.split('. '), 0).replace(/\.$/, ''),
} as const;
