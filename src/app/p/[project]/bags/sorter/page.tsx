import { sewersOf, topsOf } from '@/core/bags';
import { dropsOf } from '@/core/calendar';
import { SorterView } from '@/features/bags/SorterView';
import { readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { offThread } from '@/server/pool';
import { loadBlocks, loadPeople } from '../../load';

export const metadata = { title: 'Sorter' };

export default async function SorterPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks } = await loadBlocks(projectId);
  const { makers } = await loadPeople(projectId);
  const { calendar } = await readKeptCalendar(database(), project);
  const kinds = new Map(blocks.flatMap(({ sheet }) => sheet.bag.papers.map(({ name, kind }) => [name, kind] as const)));
  const papers = [...kinds].map(([name, kind]) => ({ name, ...kind }));
  const found = await offThread('lookAlikes', papers);
  const alike = found.flatMap((one) => (one.kind === 'pair' ? [[papers[one.papers[0]]?.name ?? '', papers[one.papers[1]]?.name ?? ''] as const] : []));
  return (
    <SorterView
      projectId={projectId}
      blocks={blocks.map(({ id, name, sheet }) => ({
        id,
        name,
        bags: topsOf(sewersOf(id, makers)),
        papers: sheet.bag.papers.map(({ name: paper, count, spares }) => ({ name: paper, count: count + spares })),
        uses: sheet.steps.flatMap((step, index) => {
          if (step.kind !== 'baste') return [];
          const patch = sheet.patches[step.patches[0] ?? 0];
          const paper = sheet.bag.papers[patch?.kind ?? 0]?.name ?? '';
          const hand = patch && patch.hand !== 'none' ? ` ${patch.hand}` : '';
          return [{ step: index + 1, name: paper, fabric: `${patch?.fabric ?? ''}${hand}`, count: step.patches.length }];
        }),
      }))}
      drops={dropsOf(calendar).map(({ id, title, blocks: own }) => ({ id, title, blocks: own }))}
      papers={papers.map(({ name, outline }) => ({ name, outline }))}
      alike={alike}
    />
  );
} // prettier-ignore
