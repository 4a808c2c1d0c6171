import { projectBadges } from '@/server/badges';
import { database } from '@/server/database';
import { requireAccount, route } from '@/server/http';
import { openProject } from '@/server/projects';

export const GET = route(async (_request, { project = '' }) =>
  projectBadges(database(), await openProject(database(), await requireAccount(), project, 'read')),
);
