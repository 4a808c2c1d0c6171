import { MakeBlock } from '@/features/making/MakeBlock';
import { loadBlocks } from '../../load';

export const metadata = { title: 'Make a block' };

export default async function MakePage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { allowanceMm, sparesPercent, unitSystem, sewing } = project;
  return (
    <MakeBlock
      projectId={projectId}
      knownFabrics={fabrics}
      settings={{ allowanceMm, sparesPercent, system: unitSystem, sewing }}
    />
  );
}
