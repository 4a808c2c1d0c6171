import useSWR from 'swr';
import { read } from '@/ui/api';
import type { Keeping } from './wallView';

const NONE: readonly Keeping[] = [];

/** How makers keep up, once that is reckoned; the wall is there before. */
export function useKeeping(projectId: string): readonly Keeping[] {
  return (
    useSWR<readonly Keeping[]>(`/api/projects/${projectId}/keeping`, read, {
      revalidateOnFocus: false,
      dedupingInterval: 0,
    }).data ?? NONE
  );
}
