import type { ComponentProps } from 'react';
import { StampSteps } from '../point/StampSteps';

/** That the controller holds what was worked out. */
export const InController = (props: Pick<ComponentProps<typeof StampSteps>, 'point' | 'steps' | 'saver'>) => (
  <StampSteps {...props} title="In the controller" label="Steps of scaling" />
);
