import { textOf } from '@keypost/core/messages';
import type { ApiProblem } from '@keypost/api/client';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import type { Saver } from './useSave';

/** Why something was not stored; where the answer was lost, that is not known. */
export const notStored = ({ uncertain, details }: ApiProblem): string =>
  `${uncertain ? 'It may not be stored.' : 'Not stored.'} ${textOf(details.message)}`;

/** Says that something was not stored, and offers to try again while that can help. */
export function SaveNotice({ saver }: { saver: Saver }) {
  const { problem, saving, retry, dismiss } = saver;
  if (!problem) return null;
  return (
    <Notice
      actions={
        <>
          {problem.retryable && (
            <Button label="Try again" kind="main" waiting={saving} onPress={() => void retry()} />
          )}
          <Button label="Close" onPress={dismiss} />
        </>
      }
    >
      {notStored(problem)}
    </Notice>
  );
}
