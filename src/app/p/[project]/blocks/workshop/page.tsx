import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { loadBlocks } from '../../load';

export const metadata = { title: 'Workshop' };

export default async function NewWorkshopPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  return <WorkshopPage projectId={projectId} knownFabrics={fabrics} system={project.unitSystem} />;
}
