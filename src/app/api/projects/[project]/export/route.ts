import { writeProjectFile } from '@/core/formats';
import { database } from '@/server/database';
import { fileResponse, requireAccount, route } from '@/server/http';
import { exportProject } from '@/server/projectFiles';
import { openProject } from '@/server/projects';

/** The project as a file; its schema is at /schema/kevlo.project.1.schema.json. */
export const GET = route(async (_request, { project: projectId = '' }) => {
  const project = await openProject(database(), await requireAccount(), projectId, 'read');
  const file = await exportProject(database(), project);
  return fileResponse(writeProjectFile(file), 'application/json', `${project.name}.kevlo-project.json`);
});
