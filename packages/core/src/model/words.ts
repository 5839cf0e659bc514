import { z } from 'zod';

/** Identifies a row within its job. */
export const Id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/,
    'An id is 1 to 64 letters, digits, points, dashes or underscores.',
  );

/** What stands on the label: short, no line breaks, not empty. */
export const Tag = z
  .string()
  .trim()
  .min(1, 'A tag cannot be empty. Enter one such as PE-101.')
  .max(24, 'A tag has at most 24 characters.')
  .regex(/^[^:\n\r\t]*$/, 'A tag cannot hold a colon or a line break.');

export const Words = (most: number) => z.string().trim().max(most, `At most ${most} characters fit here.`);

/** Where a partner answers: `host:port` of this network. */
export const Link = z
  .string()
  .trim()
  .max(80, 'At most 80 characters fit here.')
  .regex(/^[A-Za-z0-9.-]+:\d{1,5}$/, 'Write it as host:port, such as 127.0.0.1:4081.');
