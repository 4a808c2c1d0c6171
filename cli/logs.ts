import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { dataFolder, logsFolder } from './places';

/** Lines that are shown where nothing else is asked for. */
const USUAL_LINES = 50;

/** `./kevlo logs [N]`: the last lines of the application's log, oldest first. */
export function runLogs(args: readonly string[]): number {
  const folder = logsFolder(dataFolder());
  const files = existsSync(folder) ? readdirSync(folder).filter((name) => name.startsWith('kevlo')) : [];
  const number = (name: string) => Number(/(\d+)/.exec(name)?.[1] ?? 0);
  const lines = files
    .sort((a, b) => number(a) - number(b))
    .flatMap((name) => readFileSync(path.join(folder, name), 'utf8').split('\n').filter(Boolean));
  const wanted = Number(args[0] ?? USUAL_LINES);
  const shown = lines.slice(-(Number.isInteger(wanted) && wanted > 0 ? wanted : USUAL_LINES));
  process.stdout.write(
    shown.length > 0 ? `${shown.map(plain).join('\n')}\n` : 'The log is empty: nothing went wrong.\n',
  );
  return 0;
}

function plain(line: string): string {
  try {
    const { time, level, msg, err, requestId } = JSON.parse(line) as Record<string, unknown>;
    const said = (err as { said?: string } | undefined)?.said ?? '';
    const word = Number(level) >= 50 ? 'error' : 'warning';
    return [new Date(Number(time)).toISOString(), word, String(msg), said, requestId]
      .filter(Boolean)
      .join('  ');
  } catch {
    return line;
  }
}
