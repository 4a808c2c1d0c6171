import { database } from '@/server/database';
import { projectRoute } from '@/server/http';
import { projectProgress } from '@/server/progress';

export const GET = projectRoute('read', async (_request, access) =>
  projectProgress(database(), access.project),
);
