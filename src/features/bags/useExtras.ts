import type { BagExtras } from '@/core/packing';
import type { KeptExtras } from '@/server/bags';
import { useSavedDocument, type SavedDocument } from '@/ui/useSavedDocument';

/** How bags are made and what goes into them besides papers and cloth: one document for all views of the station. */
export function useExtras(projectId: string, { extras, revision }: KeptExtras): SavedDocument<BagExtras> {
  return useSavedDocument<BagExtras>({ projectId, name: 'extras', initial: extras, revision });
}
