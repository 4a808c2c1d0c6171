import type postgres from 'postgres';
import { CHANNEL, type Change } from './notify';

type Listener = (change: Change) => void;

interface Hub {
  readonly listeners: Set<Listener>;
  readonly ready: Promise<unknown>;
}

const globals = globalThis as { kevloHub?: Hub };

/**
 * Calls back for every change told by any server process on the database. One listener that fails silences no other.
 * @returns a function that ends it
 */
export async function onChange(sql: postgres.Sql, listener: Listener): Promise<() => void> {
  const hub = (globals.kevloHub ??= openHub(sql));
  hub.listeners.add(listener);
  try {
    await hub.ready;
  } catch (error) {
    delete globals.kevloHub;
    throw error;
  }
  return () => hub.listeners.delete(listener);
}

function openHub(sql: postgres.Sql): Hub {
  const listeners = new Set<Listener>();
  const tell = (change: Change) => {
    for (const listener of [...listeners]) {
      try {
        listener(change);
      } catch {
        // Its page is gone: it hears no more, the others must.
        listeners.delete(listener);
      }
    }
  };
  const ready = sql.listen(
    CHANNEL,
    (payload) => tell(JSON.parse(payload) as Change),
    // After a lost connection anything may have changed meanwhile: an empty project id means "look again".
    () => tell({ projectId: '', kind: 'everything' }),
  );
  return { listeners, ready };
}
