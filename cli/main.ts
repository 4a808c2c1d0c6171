/** Entry of every `./kevlo` command; each command lives in a file of its own and is loaded only when called. */
import { NewerSchemaError } from '@/server/database';
import { PlainError } from './PlainError';

const [command, ...args] = process.argv.slice(2);

async function run(): Promise<number> {
  switch (command) {
    case 'plan':
      return (await import('./plan')).runPlan(args);
    case 'cut':
      return (await import('./cut')).runCut(args);
    case 'fussy':
      return (await import('./fussy')).runFussy(args);
    case 'share':
      return (await import('./share')).runShare(args);
    case 'forecast':
      return (await import('./forecast')).runForecast(args);
    case 'start':
      return (await import('./start')).runStart();
    case 'stop':
      return (await import('./start')).runStop();
    case 'reset-demo':
      return (await import('./start')).runResetDemo(args);
    case 'backup':
      return (await import('./backup')).runBackup(args);
    case 'restore':
      return (await import('./backup')).runRestore(args);
    case 'fuzz':
      return (await import('./fuzz')).runFuzz(args);
    case 'logs':
      return (await import('./logs')).runLogs(args);
    case 'doctor':
      return (await import('./doctor')).runDoctor();
    case 'reset-password':
      return (await import('./resetPassword')).runResetPassword(args);
    case 'bench':
      return (await import('./bench')).runBench();
    case 'test':
      return (await import('./test')).runTest(args);
    default:
      process.stderr.write(`“${command}” is not a command.\n`);
      return 2;
  }
}

try {
  process.exitCode = await run();
} catch (error) {
  process.stderr.write(`${plainLine(error)}\n`);
  process.exitCode = 1;
}

/** One line for whoever typed the command; with KEVLO_DEBUG also where in the code it happened. */
function plainLine(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  if (process.env.KEVLO_DEBUG !== undefined) return error.stack ?? error.message;
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC') return 'The disk is full. Free some space, then run this again.';
  if (code === 'EACCES' || code === 'EPERM') return `Not permitted: ${error.message}.`;
  const line = error.message.split('\n')[0] ?? '';
  const isOurs = error instanceof PlainError || error instanceof NewerSchemaError;
  return isOurs ? error.message : `It did not work: ${line}. (Set KEVLO_DEBUG=1 to see where.)`;
}
