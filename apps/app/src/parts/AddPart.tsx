import { useState } from 'react';
import { PartForm } from '../point/PartForm';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plus } from '../ui/icons';
import { useTokens } from '../ui/theme';

/** Adds a relay, a load, a barrier or a resistor. */
export function AddPart({ point }: { point: OpenPoint }) {
  const { ink } = useTokens();
  const [open, setOpen] = useState(false);
  if (open) return <PartForm point={point} title="New part" label="Add it" onDone={() => setOpen(false)} />;
  return <Button label="Add a part" icon={<Plus size={20} color={ink} />} onPress={() => setOpen(true)} />;
}
