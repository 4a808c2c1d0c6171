import { readShareRequest, share, shareResult } from '@/core/requests';
import { loadSolver } from '@/workers/node/highsSolver';
import { readArguments, runAsk, secondsOf } from './ask';

const USAGE = 'Write: ./kevlo share FILE.json [--seconds 20]';

/** In all; a shop's own bags take a fraction of a second. */
const SECONDS = 20;

/** `./kevlo share`: says which bags can be packed complete and prints one `kevlo.share-result/1`. */
export function runShare(args: readonly string[]): Promise<number> {
  return runAsk(async () => {
    const { text, given } = readArguments(args, USAGE, ['--seconds']);
    const seconds = secondsOf(given.get('--seconds'), SECONDS);
    const request = readShareRequest(text);
    return shareResult(share(request, await loadSolver(), seconds));
  });
}
