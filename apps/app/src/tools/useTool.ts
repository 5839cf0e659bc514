import { askedFields } from '@keypost/core/tools';
import { JobProblem } from '@keypost/core/model';
import type { Problem } from '@keypost/core/model';
import type { Tool, ToolField, ToolResult, ToolValues } from '@keypost/core/tools';
import { useMemo, useState } from 'react';
import { z } from 'zod';
import { readStored, store } from '../data/stored';

const Kept = z.record(z.string(), z.unknown());

const keyOf = (tool: Tool): string => `keypost.tool.${tool.id}`;

/** What was last typed into a tool on this device; its own first values where it was never used. */
function remembered(tool: Tool): ToolValues {
  const kept = readStored(keyOf(tool), Kept) ?? {};
  const known = tool.fields.flatMap(({ key }) => {
    const text = kept[key];
    return typeof text === 'string' ? [[key, text] as const] : [];
  });
  return { ...tool.first, ...Object.fromEntries(known) };
}

/** A tool in use. */
export interface ToolInUse {
  readonly values: ToolValues;
  readonly fields: readonly ToolField[];
  readonly change: (key: string, value: string) => void;
  readonly reset: () => void;
  readonly result?: ToolResult;
  readonly problems: readonly Problem[];
}

/**
 * A tool with what is typed into it.
 * @param given values of a point, where it is used with one's numbers: those are not remembered.
 */
export function useTool(tool: Tool, given?: ToolValues): ToolInUse {
  const [values, setValues] = useState<ToolValues>(() =>
    given ? { ...tool.first, ...given } : remembered(tool),
  );
  const put = (next: ToolValues): void => {
    setValues(next);
    if (given) return;
    store(keyOf(tool), next);
  };
  const worked = useMemo(() => attempt(tool, values), [tool, values]);
  return {
    ...worked,
    values,
    fields: askedFields(tool, values),
    change: (key, value) => put({ ...values, [key]: value }),
    reset: () => put({ ...tool.first, ...given }),
  };
}

function attempt(tool: Tool, values: ToolValues): Pick<ToolInUse, 'result' | 'problems'> {
  try {
    return { result: tool.work(values), problems: [] };
  } catch (error) {
    if (error instanceof JobProblem) return { problems: error.problems };
    throw error;
  }
}
