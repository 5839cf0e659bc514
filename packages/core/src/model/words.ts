import { codeOf } from '../messages/index.ts';
import { z } from 'zod';

/** Identifies a row within its job. */
export const Id = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, codeOf('model.id-1-64-letters'));

/** What stands on the label: short, no line breaks, not empty. */
export const Tag = z
  .string()
  .trim()
  .min(1, codeOf('model.tag-empty-enter-such'))
  .max(24, codeOf('model.tag-most-24-characters'))
  .regex(/^[^:\n\r\t]*$/, codeOf('model.tag-hold-colon-line'));

export const ShortText = (max: number) =>
  z.string().trim().max(max, codeOf('model.most-characters-fit-here'));

/** Any number that a quantity can have: nothing that is wired, set or measured is larger, in whatever unit. */
export const Quantity = z
  .number()
  .min(-1e15, codeOf('model.number-beyond'))
  .max(1e15, codeOf('model.number-beyond'));

/** Where a partner answers: `host:port` of this network. */
export const Link = z
  .string()
  .trim()
  .max(80, codeOf('model.most-80-characters-fit'))
  .regex(/^[A-Za-z0-9.-]+:\d{1,5}$/, codeOf('model.write-host-port-such'));
