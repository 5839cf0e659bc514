import type { OpenPoint } from '../point/usePoint';

/** Whether a point guards people, so that a fault of it may let a machine go on. */
export const guardsPeople = ({ analysis }: OpenPoint): boolean =>
  analysis.context.output.drivenBy === 'guard';
