import { askedFields, emptyValues, isComplete, workTool } from '@keypost/core/tools';
import { JobProblem } from '@keypost/core/model';
import type { Problem } from '@keypost/core/model';
import type { Tool, ToolField, ToolResult, ToolValues } from '@keypost/core/tools';
import { useMemo, useState } from 'react';
import { z } from 'zod';
import { readStored, store } from '../data/stored';
import { typedStyle } from '../ui/typedNumbers';

const Kept = z.record(z.string(), z.unknown());

const keyOf = (tool: Tool): string => `keypost.tool.${tool.id}`;

/** What was last typed into a tool on this device; nothing where it was never used. */
function remembered(tool: Tool): ToolValues | undefined {
  const kept = readStored(keyOf(tool), Kept);
  if (!kept) return undefined;
  const known = tool.fields.flatMap(({ key }) => {
    const text = kept[key];
    return typeof text === 'string' ? [[key, text] as const] : [];
  });
  return { ...tool.first, ...Object.fromEntries(known) };
}

/** A tool in use. */
export interface ToolInUse {
  readonly values: ToolValues;
  /** Nobody typed anything yet: the values are an example, and so is what follows from them. */
  readonly isExample: boolean;
  readonly fields: readonly ToolField[];
  readonly change: (key: string, value: string) => void;
  /** Fills in several at once. */
  readonly fill: (patch: ToolValues) => void;
  readonly reset: () => void;
  readonly result?: ToolResult;
  readonly problems: readonly Problem[];
}

/**
 * A tool with what is typed into it. In the drawer it opens with what was typed last, else with an example.
 * @param given values of a point, where it is used with one's numbers: it opens with them alone, and nothing of it is
 * remembered.
 */
export function useTool(tool: Tool, given?: ToolValues): ToolInUse {
  const [typed, setTyped] = useState<ToolValues | undefined>(() => (given ? undefined : remembered(tool)));
  // What a point gives holds until somebody types something else.
  const own = JSON.stringify(given);
  const values = useMemo(
    () => (own ? { ...emptyValues(tool), ...JSON.parse(own), ...typed } : (typed ?? tool.first)),
    [tool, own, typed],
  );
  const put = (patch: ToolValues): void => {
    setTyped(given ? { ...typed, ...patch } : { ...values, ...patch });
    if (!given) store(keyOf(tool), { ...values, ...patch });
  };
  const worked = useMemo(() => attempt(tool, values), [tool, values]);
  return {
    ...worked,
    values,
    isExample: !given && typed === undefined,
    fields: askedFields(tool, values),
    change: (key, value) => put({ [key]: value }),
    fill: put,
    reset: () => {
      setTyped(undefined);
      if (!given) store(keyOf(tool), undefined);
    },
  };
}

function attempt(tool: Tool, values: ToolValues): Pick<ToolInUse, 'result' | 'problems'> {
  if (!isComplete(tool, values)) return { problems: [] };
  try {
    return { result: workTool(tool, values, typedStyle()), problems: [] };
  } catch (error) {
    if (error instanceof JobProblem) return { problems: error.problems };
    throw error;
  }
}
