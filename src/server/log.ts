import path from 'node:path';
import pino from 'pino';

/** A log file is closed and a new one begun at this size; so many are kept. */
const MOST_MB = 5;
const KEPT_FILES = 5;

const globals = globalThis as { kevloLog?: pino.Logger };

/** The application's log: one rotating file in the data folder, else standard error. No tokens, no personal data. */
export function log(): pino.Logger {
  return (globals.kevloLog ??= open());
}

function open(): pino.Logger {
  const options: pino.LoggerOptions = {
    level: process.env.LOG_LEVEL ?? 'warn',
    base: { process: process.pid },
    serializers: { err: plainError },
  };
  const folder = process.env.KEVLO_LOGS;
  if (!folder) return pino(options, process.stderr);
  const file = path.join(folder, 'kevlo.log');
  const target = {
    target: 'pino-roll',
    options: { file, size: `${MOST_MB}m`, limit: { count: KEPT_FILES }, mkdir: true },
  };
  return pino(options, pino.transport(target) as pino.DestinationStream);
}

/** What is kept of an error: what and where in the code, but no values of queries or requests. */
export function plainError(error: unknown): Record<string, unknown> {
  const { name, code, message, stack, query } = (error ?? {}) as Record<string, unknown> & Error;
  const said = typeof message === 'string' ? withoutSecrets(message) : String(message);
  const where =
    typeof stack === 'string'
      ? withoutSecrets(stack)
          .split('\n')
          .slice(1, 9)
          .map((line) => line.trim())
      : [];
  return { name, code, said, where, ...(typeof query === 'string' ? { query: query.slice(0, 300) } : {}) };
}

/** Tokens and e-mail addresses leave no trace. */
export function withoutSecrets(text: string): string {
  return text.replace(/[\w-]{32,}/g, '[token]').replace(/[\w.+-]+@[\w-]+(\.[\w-]+)+/g, '[e-mail]');
}
