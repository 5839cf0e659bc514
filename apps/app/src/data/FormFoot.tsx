import type { JobView } from '@keypost/api';
import type { ReactNode } from 'react';
import { FormActions } from '../ui/FormActions';
import { Conflict } from './Conflict';
import { SaveNotice } from './SaveNotice';
import type { Saver } from './useSave';

/** The foot of a form that edits a stored row: who was first, why it was not stored, and the buttons. */
export function FormFoot({
  view,
  saver,
  label,
  onStore,
  onDone,
  disabled = false,
  children,
}: {
  view: JobView;
  saver: Saver;
  label: string;
  onStore: () => void;
  /** Leaves the form: cancelled, or theirs was taken. */
  onDone: () => void;
  disabled?: boolean;
  children?: ReactNode;
}) {
  return (
    <>
      <Conflict saver={saver} view={view} onTake={onDone} />
      {saver.problem?.details.status !== 409 && <SaveNotice saver={saver} />}
      <FormActions
        label={label}
        disabled={disabled}
        waiting={saver.saving}
        onStore={onStore}
        onCancel={onDone}
      >
        {children}
      </FormActions>
    </>
  );
}
