/** Entry of every `./kevlo` command; each command lives in a file of its own and is loaded only when called. */
const [command, ...args] = process.argv.slice(2);

async function run(): Promise<number> {
  switch (command) {
    case 'plan':
      return (await import('./plan')).runPlan(args);
    default:
      process.stderr.write(`“${command}” is not a command.\n`);
      return 2;
  }
}

process.exitCode = await run();
