import { sure } from '../lists/index.ts';
import { JobProblem } from '../model/index.ts';
import type { IoLinkDescription } from './descriptionTypes.ts';
import { describedParameters } from './describedParameters.ts';
import type { BusParameter } from './describedParameters.ts';
import { readDescription } from './readDescription.ts';

/** A description with the parameters that it names. */
export interface KnownDescription {
  readonly description: IoLinkDescription;
  readonly parameters: readonly BusParameter[];
}

/** Files that were read lately; reading one anew takes milliseconds, and a page asks often. */
const known = new Map<string, KnownDescription | JobProblem>();
const MAX_KNOWN = 80;

/** Reads a description file once. @throws JobProblem as `readDescription`. */
export function knownDescription(text: string): KnownDescription {
  let entry = known.get(text);
  if (!entry) {
    entry = read(text);
    if (known.size >= MAX_KNOWN) known.delete(sure(known.keys().next().value));
    known.set(text, entry);
  }
  if (entry instanceof JobProblem) throw entry;
  return entry;
}

function read(text: string): KnownDescription | JobProblem {
  try {
    const description = readDescription(text);
    return { description, parameters: describedParameters(description) };
  } catch (error) {
    if (error instanceof JobProblem) return error;
    throw error;
  }
}
