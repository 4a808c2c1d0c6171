import { ImportDrawing } from '@/features/blocks/ImportDrawing';
import { loadBlocks } from '../../load';

export const metadata = { title: 'Bring in a drawing' };

export default async function NewBlockPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { allowanceMm, sparesPercent, unitSystem, sewing } = project;
  return (
    <ImportDrawing
      projectId={projectId}
      knownFabrics={fabrics}
      settings={{ allowanceMm, sparesPercent, system: unitSystem, sewing }}
    />
  );
}
