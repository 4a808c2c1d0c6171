import { accountOfSession } from '@/server/accounts';
import { database } from '@/server/database';
import { projectRoute, sessionToken } from '@/server/http';
import { onChange } from '@/server/live';
import { openProject } from '@/server/projects';

export const dynamic = 'force-dynamic';

/** How often a line is sent so that proxies keep the stream open and dead ones are noticed, ms. */
const HEARTBEAT_MS = 20_000;

/** Server-sent events: one `change` with the kind (and the maker, where it is one’s progress) for every change to the project, told by whichever server. */
export const GET = projectRoute('read', async (request, access) => {
  const token = await sessionToken();
  /** Whether whoever listens is still signed in and still belongs to the project. */
  const mayListen = async () => {
    const account = await accountOfSession(database(), token);
    if (!account) return false;
    return openProject(database(), account, access.project.id, 'read').then(() => true, () => false); // prettier-ignore
  };
  const encoder = new TextEncoder();
  let isOver = false;
  let stop = () => {};
  let heartbeat: NodeJS.Timeout | undefined;
  const end = () => {
    isOver = true;
    clearInterval(heartbeat);
    stop();
  };
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => {
        if (isOver) return;
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          end();
        }
      };
      const look = async () => {
        if (isOver || (await mayListen().catch(() => true))) return;
        end();
        controller.close();
      };
      stop = await onChange(database(), ({ projectId, kind, makerId }) => {
        if (kind === 'people' || kind === 'everything') void look();
        if (projectId === access.project.id || projectId === '')
          send(`event: change\ndata: ${kind}${makerId === undefined ? '' : ` ${makerId}`}\n\n`);
      });
      // The page may have gone while the first look at the database took its time.
      if (isOver || request.signal.aborted) return end();
      heartbeat = setInterval(() => {
        send(': still here\n\n');
        void look();
      }, HEARTBEAT_MS);
      request.signal.addEventListener('abort', end);
      send('retry: 1000\nevent: ready\ndata: 1\n\n');
    },
    cancel: end,
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
});
