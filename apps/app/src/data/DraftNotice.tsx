import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import type { Draft } from './drafts';

/** Says that a form opened with what was typed before and never stored. */
export function DraftNotice({ draft: { isRestored, discard } }: { draft: Draft }) {
  return isRestored ? (
    <Notice actions={<Button label="Throw it away" onPress={discard} />}>
      What was typed here before is not stored yet.
    </Notice>
  ) : null;
}
