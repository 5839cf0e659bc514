import type { JobContent } from '@keypost/core/model';
import type { SupplyBudget } from '@keypost/core/planning';
import { useEffect } from 'react';
import { useTask } from '../workers/useTask';

/** The load of every supply of a job, worked out away from the page; the last answer until the next is there. */
export function useBudgets(job: JobContent): readonly SupplyBudget[] | undefined {
  const { start, answer } = useTask('budgets');
  useEffect(() => start({ job }), [start, job]);
  return answer;
}
