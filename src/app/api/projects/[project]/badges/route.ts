import { projectBadges } from '@/server/badges';
import { database } from '@/server/database';
import { projectRoute } from '@/server/http';

export const GET = projectRoute('read', async (_request, access) =>
  projectBadges(database(), access.project),
);
