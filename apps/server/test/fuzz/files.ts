import { readFileSync } from 'node:fs';
import path from 'node:path';
import { JobIndex } from '@keypost/core/job';
import { knownDescription } from '@keypost/core/ioLink';
import { JobProblem } from '@keypost/core/model';
import { checkJob, openJobFile } from '@keypost/core/proving';
import { SHIPPED, shippedDescription } from '../../src/demo/shippedDescriptions.ts';
import { mutated, mutatedText, pick } from './mutate.ts';

/** What came of reading a file: taken, refused with a reason, or an error that nobody meant. */
export type Outcome =
  { readonly kind: 'taken' | 'refused' } | { readonly kind: 'raw'; readonly error: unknown };

/** Reads something; only a refusal is meant to be thrown. */
function reading(act: () => unknown): Outcome {
  try {
    act();
    return { kind: 'taken' };
  } catch (error) {
    return error instanceof JobProblem && error.problems.length > 0
      ? { kind: 'refused' }
      : { kind: 'raw', error };
  }
}

const example = (root: string, name: string): unknown =>
  JSON.parse(readFileSync(path.join(root, 'examples', name), 'utf8'));

/** Job files, mutated as documents and as texts; what is taken is solved too. */
export function jobFiles(
  root: string,
): (random: () => number) => { readonly outcome: Outcome; readonly text: string } {
  const documents = ['pump-room.keypost.json', 'tank-two-outputs.keypost.json'].map((name) =>
    example(root, name),
  );
  return (random) => {
    const document = pick(random, documents);
    const text =
      random() < 0.8
        ? JSON.stringify(mutated(random, document))
        : mutatedText(random, JSON.stringify(document));
    const outcome = reading(() => {
      const job = openJobFile(text);
      new JobIndex(job);
      if (random() < 0.1) checkJob(job);
    });
    return { outcome, text };
  };
}

/** Device descriptions, mutated as texts. */
export function descriptionFiles(): (random: () => number) => {
  readonly outcome: Outcome;
  readonly text: string;
} {
  const texts = SHIPPED.map(shippedDescription);
  return (random) => {
    const text = mutatedText(random, pick(random, texts));
    return { outcome: reading(() => knownDescription(text)), text };
  };
}
