import Link from 'next/link';
import { redirect } from 'next/navigation';
import { Notice } from '@/ui/Notice';
import { loadBlocks } from '../load';

export default async function OrderPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { blocks } = await loadBlocks(projectId);
  if (blocks[0]) redirect(`/p/${projectId}/order/${blocks[0].id}`);
  return (
    <Notice title="Nothing to sew yet">
      The order of work is planned for each block.{' '}
      <Link href={`/p/${projectId}/blocks/new`}>Bring in a drawing first</Link>.
    </Notice>
  );
}
