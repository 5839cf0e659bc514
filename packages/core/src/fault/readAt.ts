import type { Analysis } from '../analysis/index.ts';
import type { Module } from '../model/index.ts';

/**
 * Where the program reads a point: of what guards people, and behind a further part, that is another input than the one
 * on which the device is landed.
 */
export function readAt({ context, present }: Analysis): {
  readonly module: Module | undefined;
  readonly address: string | undefined;
} {
  const { module, address } = present.inputs[0]?.own ?? context;
  return { module, address };
}
