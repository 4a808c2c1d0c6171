import type postgres from 'postgres';
import { CHANNEL, type Change } from './notify';

type Listener = (change: Change) => void;

interface Hub {
  readonly listeners: Set<Listener>;
  readonly ready: Promise<unknown>;
}

/** Of each connection one; beyond the modules, of which a server may load copies. */
const globals = globalThis as { kevloHubs?: WeakMap<postgres.Sql, Hub> };

/**
 * Calls back for every change told by any server process on the database. One listener that fails silences no other.
 * @returns a function that ends it
 */
export async function onChange(sql: postgres.Sql, listener: Listener): Promise<() => void> {
  const hubs = (globals.kevloHubs ??= new WeakMap<postgres.Sql, Hub>());
  const hub = hubs.get(sql) ?? openHub(sql);
  hubs.set(sql, hub);
  hub.listeners.add(listener);
  try {
    await hub.ready;
  } catch (error) {
    hubs.delete(sql);
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
