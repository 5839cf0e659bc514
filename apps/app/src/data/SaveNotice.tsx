import { textOf } from '@keypost/core/messages';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import type { Saver } from './useSave';

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
      {`Not stored. ${textOf(problem.details.message)}`}
    </Notice>
  );
}
