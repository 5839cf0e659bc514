import { say, textOf } from '@keypost/core/messages';
import { useEffect } from 'react';
import { View } from 'react-native';
import { rememberDone, useLastDone } from '../data/lastDone';
import { notStored } from '../data/SaveNotice';
import { useUndo } from '../data/useUndo';
import { Button } from '../ui/Button';
import { Undo2 } from '../ui/laterIcons';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';

/** So long the last change is offered to be undone, ms; after that the log still does. */
const OFFERED_MS = 15_000;

/** What was stored last on this device, with the way back from it. */
export function UndoBar({ jobId }: { jobId: string }) {
  const done = useLastDone(jobId);
  const { undo, waiting, problem, dismiss } = useUndo(jobId);
  const { ink } = useTokens();
  useEffect(() => {
    if (!done || waiting !== undefined || problem) return;
    const timer = setTimeout(() => rememberDone(undefined), OFFERED_MS);
    return () => clearTimeout(timer);
  }, [done, waiting, problem]);
  if (problem)
    return (
      <View className="px-4 pb-3">
        <Notice
          actions={
            <>
              {problem.why.retryable && (
                <Button label="Try again" kind="main" onPress={() => void undo(problem.of)} />
              )}
              <Button label="Close" onPress={dismiss} />
            </>
          }
        >
          {notStored(problem.why)}
        </Notice>
      </View>
    );
  if (!done) return null;
  return (
    <View
      role="status"
      className="no-print min-h-[56px] flex-row items-center gap-3 border-t-[1.5px] border-edge bg-wash px-4 py-1"
    >
      <Text as="body" className="min-w-0 flex-1">
        {textOf(done.isUndone ? say('event.undone', { what: done.what }) : done.what)}
      </Text>
      <Button
        label={done.isUndone ? 'Redo' : 'Undo'}
        testID="undo"
        icon={<Undo2 size={20} color={ink} />}
        waiting={waiting !== undefined}
        onPress={() => void undo(done)}
      />
    </View>
  );
}
