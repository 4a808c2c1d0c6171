import type { ReactNode } from 'react';
import { Bench } from '@/ui/Bench';
import { ClothLooks } from '@/ui/ClothLooks';
import { loadBlocks, loadPeople } from './load';

export default async function ProjectLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ project: string }>;
}) {
  const { project: projectId } = await params;
  const { account, project, blocks, looks } = await loadBlocks(projectId);
  const { makers, kits, progress } = await loadPeople(projectId);
  const bags = blocks.length * makers.length;
  const packed = kits.filter(
    ({ status, makerId }) => status !== 'to-pack' && makers.some(({ id }) => id === makerId),
  ).length;
  const stuck = progress.filter(({ stuckOn }) => stuckOn !== undefined).length;
  const problems = blocks.reduce(
    (sum, { sheet }) => sum + sheet.problems.length + sheet.violations.length,
    0,
  );
  const clashes = blocks.reduce((sum, { sheet }) => sum + sheet.plan.clashes, 0);
  const done = progress.some((entry) => entry.done > 0);
  const firstBlock = blocks[0]?.id;
  return (
    <Bench
      project={{ id: project.id, name: project.name, shop: project.shop }}
      accountName={account.name}
      stations={[
        {
          name: 'Blocks',
          href: `/p/${project.id}/blocks`,
          key: 'b',
          calls: count(problems, 'problem'),
          isReached: blocks.length > 0,
        },
        {
          name: 'Bags',
          href: `/p/${project.id}/bags`,
          key: 'g',
          calls: bags - packed > 0 ? `${bags - packed} to pack` : '',
          isReached: packed > 0,
        },
        {
          name: 'Order of work',
          href: `/p/${project.id}/order${firstBlock ? `/${firstBlock}` : ''}`,
          key: 'o',
          calls: count(clashes, 'clash', 'clashes'),
          isReached: blocks.length > 0,
        },
        {
          name: 'Makers',
          href: `/p/${project.id}/makers`,
          key: 'm',
          calls: stuck > 0 ? `${stuck} stuck` : '',
          isReached: done,
        },
      ]}
    >
      <ClothLooks looks={looks}>{children}</ClothLooks>
    </Bench>
  );
}

function count(number: number, one: string, many = `${one}s`): string {
  return number === 0 ? '' : `${number} ${number === 1 ? one : many}`;
}
