import { held } from './held';
import { currentSettings } from './settings';

type Told = (by: string | undefined) => void;

const asked = held<Told | undefined>(undefined);
let answer: Promise<string | undefined> | undefined;

/**
 * The initials of whoever works on this device, asked for at the first act that carries them.
 * @returns nothing where they were not given: then nothing is to be done.
 */
export function whoActs(): Promise<string | undefined> {
  const { by } = currentSettings();
  if (by !== '') return Promise.resolve(by);
  answer ??= new Promise((tell) =>
    asked.put((initials) => {
      asked.put(undefined);
      answer = undefined;
      tell(initials);
    }),
  );
  return answer;
}

/** Takes the answer, while somebody is asked. */
export const useAsked = asked.use;
