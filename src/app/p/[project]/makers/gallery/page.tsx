import { Gallery } from '@/features/makers/Gallery';
import { listSummaries } from '@/server/blocks';
import { database } from '@/server/database';
import { gallery } from '@/server/photos';
import { loadProject } from '../../load';

export const metadata = { title: 'Finished blocks' };

export default async function GalleryPage({ params }: { params: Promise<{ project: string }> }) {
  const { project, role } = await loadProject((await params).project);
  const sql = database();
  const [{ blocks }, initial] = await Promise.all([listSummaries(sql, project), gallery(sql, project)]);
  return (
    <Gallery
      projectId={project.id}
      blocks={blocks.map(({ id, name }) => ({ id, name }))}
      initial={initial}
      mayEdit={role === 'host'}
    />
  );
}
