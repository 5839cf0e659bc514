import type { JobView } from '@keypost/api';
import { useState } from 'react';
import type { ComponentProps } from 'react';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { WireForm } from './WireForm';

/** A further wire of a job, asked for when it is wanted. */
export function AddWire({
  view,
  near,
  kind,
  label = 'Add a wire',
}: {
  view: JobView;
  /** The parts whose terminals are offered first. */
  near?: readonly string[];
  kind?: ComponentProps<typeof Button>['kind'];
  label?: string;
}) {
  const [isOpen, setOpen] = useState(false);
  if (!isOpen) return <Button label={label} kind={kind} onPress={() => setOpen(true)} />;
  return (
    <Card title="New wire">
      <Row first>
        <WireForm view={view} near={near} onDone={() => setOpen(false)} />
      </Row>
    </Card>
  );
}
