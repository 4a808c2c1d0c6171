/** Entry of every `./kevlo` command; each command lives in a file of its own and is loaded only when called. */
import { PlainError } from './PlainError';

const [command, ...args] = process.argv.slice(2);

async function run(): Promise<number> {
  switch (command) {
    case 'plan':
      return (await import('./plan')).runPlan(args);
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
  if (!(error instanceof PlainError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
