import type { JobView } from '@keypost/api';
import type { Change } from '@keypost/core/job';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';

/** A plan's rows with one put in its place, or at the end where it is new. */
export const withRow = <T extends { id: string }>(rows: readonly T[], row: T): T[] =>
  rows.some(({ id }) => id === row.id) ? rows.map((old) => (old.id === row.id ? row : old)) : [...rows, row];

/** The frame of a form for one row of a plan: stored over the plan as it was when the form was opened. */
export function PlanRowForm<T>({
  view,
  planId,
  title,
  label,
  change,
  submit,
  removal,
  onDone,
  children,
}: {
  view: JobView;
  planId: string;
  title: string;
  label: string;
  /** What storing a row does to the job. */
  change: (row: T) => Change;
  /** Reads the form, and hands on its row when it is sound. */
  submit: (store: (row: T) => void) => void;
  removal: { readonly label: string; readonly change: Change } | undefined;
  onDone: () => void;
  children: ReactNode;
}) {
  const saver = useSave(view);
  const [expects] = useState(() => expecting(view, 'plans', planId));
  const save = (next: Change) => void saver.save(next, { expects, then: onDone });
  return (
    <Card title={title}>
      <Row first className="gap-4">
        {children}
        <FormFoot
          view={view}
          saver={saver}
          label={label}
          onStore={() => submit((row) => save(change(row)))}
          onDone={onDone}
        >
          {removal && <Button label={removal.label} kind="danger" onPress={() => save(removal.change)} />}
        </FormFoot>
      </Row>
    </Card>
  );
}
