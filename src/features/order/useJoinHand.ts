'use client';
import { useCallback } from 'react';
import type { School } from '@/core/assembly';
import { changeOrder, type BlockSheet, type OrderPress } from '@/core/sheet';
import { useDocumentChange } from './useDocumentChange';

/** Does something to the join of a step. */
export type PressJoin = (
  kind: OrderPress['kind'],
  stepId: string,
  more?: { readonly school?: School | ''; readonly atStepId?: string },
) => void;

/** Changes of the order on the block as it is on the server, each with its undo. */
export function useJoinHand(projectId: string, blockId: string, sheet: BlockSheet): PressJoin {
  const change = useDocumentChange(projectId, blockId);
  return useCallback<PressJoin>(
    (kind, stepId, { school, atStepId } = {}) => {
      const press: OrderPress = {
        kind,
        stepId,
        ...(school ? { school } : {}),
        ...(atStepId === undefined ? {} : { atStepId }),
      };
      void change('', (document) => changeOrder(document, sheet, press));
    },
    [change, sheet],
  );
}
