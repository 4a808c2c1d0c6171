'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { ProjectBasting } from '@/core/block';
import { asRefusal, send } from './api';
import { useNotice } from './Notices';

/** Changes how the project folds and holds its papers, tells of it, and offers to take it back. */
export function useProjectBasting(projectId: string) {
  const router = useRouter();
  const notice = useNotice();
  return useCallback(
    async (text: string, body: object, back: (before: ProjectBasting) => object) => {
      const put = async (one: object) => {
        const before = await send<ProjectBasting>('PATCH', `/api/projects/${projectId}/basting`, one);
        router.refresh();
        return before;
      };
      try {
        const before = await put(body);
        notice({ text, undo: () => put(back(before)) });
      } catch (error) {
        notice({ text: asRefusal(error).message });
      }
    },
    [projectId, router, notice],
  );
}
