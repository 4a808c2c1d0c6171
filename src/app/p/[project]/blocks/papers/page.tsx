import { PaperCatalogue } from '@/features/papers/PaperCatalogue';
import { loadProject } from '../../load';

export const metadata = { title: 'Papers' };

export default async function PapersPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project } = await loadProject(projectId);
  return <PaperCatalogue system={project.unitSystem} pageSize={project.pageSize} />;
}
