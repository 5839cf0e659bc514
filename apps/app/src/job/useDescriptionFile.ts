import { knownDescription, MAX_DESCRIPTION_BYTES } from '@keypost/core/ioLink';
import type { Description } from '@keypost/core/model';
import { JobProblem, problemText } from '@keypost/core/model';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { pickNamedFile } from '../data/saveFile';

/** Brings in a description file: what was picked is read, and refused with a reason where it is none. */
export function useDescriptionFile(take: (description: Description) => void): {
  readonly pick: () => Promise<void>;
  readonly refused: string | undefined;
  readonly close: () => void;
} {
  const [refused, setRefused] = useState<string>();
  const pick = async (): Promise<void> => {
    setRefused(undefined);
    const file = await pickNamedFile('.xml,text/xml,application/xml', MAX_DESCRIPTION_BYTES);
    if (!file) return;
    if ('tooLarge' in file)
      return setRefused(
        `${file.name} is ${Math.ceil(file.tooLarge / 1024 / 1024)} MB; a description file has at most ${MAX_DESCRIPTION_BYTES / 1024 / 1024} MB.`,
      );
    const problem = problemOf(file.text);
    if (problem) return setRefused(`${file.name} was not taken.\n${problem}`);
    take({ id: uuid(), fileName: file.name, text: file.text });
  };
  return { pick, refused, close: () => setRefused(undefined) };
}

function problemOf(text: string): string | undefined {
  try {
    knownDescription(text);
    return undefined;
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return error.problems.slice(0, 5).map(problemText).join('\n');
  }
}
