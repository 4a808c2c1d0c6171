import { database } from '@/server/database';
import { requireAccount, route } from '@/server/http';
import { projectProgress } from '@/server/progress';
import { openProject } from '@/server/projects';

export const GET = route(async (_request, { project = '' }) =>
  projectProgress(database(), await openProject(database(), await requireAccount(), project, 'read')),
);
