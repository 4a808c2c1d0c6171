import { writeProjectFile } from '@/core/formats';
import { database } from '@/server/database';
import { fileResponse, projectRoute } from '@/server/http';
import { exportProject } from '@/server/files';

/** The project as a file; its schema is at /schema/kevlo.project.1.schema.json. */
export const GET = projectRoute('read', async (_request, access) => {
  const { project } = access;
  const file = await exportProject(database(), project);
  return fileResponse(writeProjectFile(file), 'application/json', `${project.name}.kevlo-project.json`);
});
