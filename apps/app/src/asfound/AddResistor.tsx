import { freeTag } from '@keypost/core/job';
import { RESISTOR_ID } from '@keypost/core/catalog';
import { useState } from 'react';
import { PartForm } from '../point/PartForm';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';

/** A resistor that was found, or is to be put, between two terminals. */
export function AddResistor({ point }: { point: OpenPoint }) {
  const [open, setOpen] = useState(false);
  if (!open) return <Button label="Add a resistor" onPress={() => setOpen(true)} />;
  return (
    <PartForm
      point={point}
      title="A resistor"
      label="Put it in"
      kind={RESISTOR_ID}
      tag={freeTag(point.view.content, 'R')}
      onDone={() => setOpen(false)}
    />
  );
}
