import { renewFeed } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute } from '@/server/http';
import { publicAddress } from '@/server/makers';

/** A new secret address for the calendar; shown this once. */
export const POST = projectRoute('edit', async (request, access) => ({
  address: publicAddress(request, `/api/feed/${await renewFeed(database(), access)}`),
}));
