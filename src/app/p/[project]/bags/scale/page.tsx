import { ScaleStandIn } from '@/features/bags/ScaleStandIn';
import { loadBlocks } from '../../load';
import { countedPapers } from '../countedPapers';

export const metadata = { title: 'Scale stand-in' };

export default async function ScalePage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks } = await loadBlocks(projectId);
  const papers = await countedPapers(
    blocks.map(({ sheet }) => sheet),
    project.unitSystem,
  );
  return <ScaleStandIn papers={papers.map(({ name, areaMm2 }) => ({ name, areaMm2 }))} />;
}
