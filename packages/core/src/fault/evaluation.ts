import type { SafetyTarget } from '../analysis/index.ts';
import { safetyTarget } from '../analysis/index.ts';
import type { PointContext } from '../network/index.ts';

/** What evaluates a guard; nothing for any other point, though it may share the circuit of one. */
export const evaluationOf = (context: PointContext): SafetyTarget | undefined =>
  context.output.drivenBy === 'guard' ? safetyTarget(context) : undefined;
