import type { ApiProblem, Input } from '@keypost/api/client';
import { patchJob } from '@keypost/api/patch';
import type { ChangeRequest, JobView } from '@keypost/api';
import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { useCallback, useRef, useState } from 'react';
import { mutate } from 'swr';
import { v4 as uuid } from 'uuid';
import type { Text } from '@keypost/core/messages';
import { asProblem } from './asProblem';
import { doneText } from './doneText';
import { rememberDone } from './lastDone';
import { keys, refreshEvents } from './jobs';
import { server } from './server';
import { whoActs } from './who';
import { now } from './now';

type Expects = NonNullable<ChangeRequest['expects']>;

/** A photo with its picture, JPEG in base64. */
export type NewPhoto = Pick<Input<'addPhoto'>['body'], 'photo' | 'picture'>;

interface Attempt {
  readonly changeId: string;
  readonly change: Change | NewPhoto;
  readonly expects: Expects;
  /** What follows once it is stored, whether at once, by a retry or by force. */
  readonly then?: () => void;
}

export interface Saver {
  readonly saving: boolean;
  /** Why the last attempt was not stored. */
  readonly problem: ApiProblem | undefined;
  /** Stores a change. */
  readonly save: (change: Change, options?: { expects?: Expects; then?: () => void }) => Promise<void>;
  /** Stores a photo; its picture is shown once it is stored. */
  readonly addPhoto: (photo: NewPhoto, then: () => void) => Promise<void>;
  /** The last attempt again, under the same id, so that it cannot be stored twice. */
  readonly retry: () => Promise<void>;
  /** The last attempt again, whatever was stored meanwhile. */
  readonly force: () => Promise<void>;
  readonly dismiss: () => void;
}

/** Stores changes of a job: shown at once, taken back when the server refuses, kept for a retry when it is away. */
export function useSave(view: JobView | undefined): Saver {
  const [saving, setSaving] = useState(false);
  const [problem, setProblem] = useState<ApiProblem>();
  const last = useRef<Attempt>(undefined);

  const attempt = useCallback(
    async (a: Attempt): Promise<void> => {
      if (!view) return;
      const by = await whoActs();
      if (by === undefined) return;
      last.current = a;
      setSaving(true);
      setProblem(undefined);
      try {
        await store(view, a, by);
        a.then?.();
      } catch (error) {
        setProblem(asProblem(error));
      } finally {
        setSaving(false);
      }
    },
    [view],
  );

  return {
    saving,
    problem,
    save: (change, { expects = [], then } = {}) => attempt({ changeId: uuid(), change, expects, then }),
    addPhoto: (photo, then) => attempt({ changeId: uuid(), change: photo, expects: [], then }),
    retry: async () => last.current && attempt(last.current),
    force: async () => last.current && attempt({ ...last.current, expects: [] }),
    dismiss: () => setProblem(undefined),
  };
}

async function store(view: JobView, { changeId, change, expects }: Attempt, by: string): Promise<void> {
  const key = keys.job(view.id);
  const shown = 'picture' in change ? view.content : applyChange(view.content, change, { by, at: now() });
  let told: Text | undefined;
  await mutate<JobView>(
    key,
    async () => {
      const params = { jobId: view.id };
      const answer = await ('picture' in change
        ? server('addPhoto', { params, body: { changeId, by, ...change } })
        : server('changeJob', { params, body: { changeId, by, change, expects } }));
      told = doneText(view.content, answer.rows);
      return patchJob(view, answer) ?? server('getJob', { params: { jobId: view.id } });
    },
    { optimisticData: { ...view, content: shown }, rollbackOnError: true, revalidate: false },
  );
  refreshEvents(view.id);
  void mutate(keys.jobs);
  rememberDone(told === undefined ? undefined : { jobId: view.id, changeId, what: told });
}

/** The revision of a row as it was read, to be sent along with an edit of it. */
export function expecting(view: JobView, collection: Expects[number]['collection'], id: string): Expects {
  const revision = view.revisions[`${collection}/${id}`];
  return revision === undefined ? [] : [{ collection, id, revision }];
}
