import { CountingBoard } from '@/features/bags/CountingBoard';
import { loadBlocks } from '../../load';
import { countedPapers } from '../countedPapers';

export const metadata = { title: 'Counting board' };

export default async function CountPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks } = await loadBlocks(projectId);
  return (
    <CountingBoard
      projectId={projectId}
      papers={await countedPapers(
        blocks.map(({ sheet }) => sheet),
        project.unitSystem,
      )}
      piles={blocks.map(({ name, sheet }) => ({
        name: `one bag of ${name}`,
        counts: Object.fromEntries(
          sheet.bag.papers.map(({ name: paper, count, spares }) => [paper, count + spares]),
        ),
      }))}
    />
  );
}
