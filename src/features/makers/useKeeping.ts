import useSWR from 'swr';
import { asRefusal, read, type RefusedError } from '@/ui/api';
import type { Keeping } from './wallView';

const NONE: readonly Keeping[] = [];

export interface KeptUp {
  readonly keeping: readonly Keeping[];
  /** Why it could not be reckoned. */
  readonly problem: RefusedError | undefined;
  readonly again: () => void;
}

/** How makers keep up, once that is reckoned; the wall is there before, and says so where it cannot be. */
export function useKeeping(projectId: string): KeptUp {
  const { data, error, mutate } = useSWR<readonly Keeping[], unknown>(
    `/api/projects/${projectId}/keeping`,
    read,
    {
      revalidateOnFocus: false,
      dedupingInterval: 0,
    },
  );
  return {
    keeping: data ?? NONE,
    problem: data === undefined && error !== undefined ? asRefusal(error) : undefined,
    again: () => void mutate(),
  };
}
