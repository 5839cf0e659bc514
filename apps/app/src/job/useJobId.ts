import { useGlobalSearchParams } from 'expo-router';

function first(value: string | string[] | undefined): string {
  return Array.isArray(value) ? (value[0] ?? '') : (value ?? '');
}

/** Id of the job in the address. */
export function useJobId(): string {
  return first(useGlobalSearchParams().jobId);
}

/** Id of the point in the address. */
export function usePointId(): string {
  return first(useGlobalSearchParams().pointId);
}
