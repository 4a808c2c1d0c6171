import { fussy, fussyResult, readFussyRequest } from '@/core/requests';
import { loadSolver } from '@/workers/node/highsSolver';
import { readArguments, runAsk, secondsOf } from './ask';

const USAGE = 'Write: ./kevlo fussy FILE.json [--seconds 20]';

/** For each anchor; small cloths take a fraction of a second. */
const SECONDS = 20;

/** `./kevlo fussy`: finds sets of papers on a printed repeat and prints one `kevlo.fussy-result/1`. */
export function runFussy(args: readonly string[]): Promise<number> {
  return runAsk(async () => {
    const { text, given } = readArguments(args, USAGE, ['--seconds']);
    const seconds = secondsOf(given.get('--seconds'), SECONDS);
    const request = readFussyRequest(text);
    return fussyResult(request, fussy(request, await loadSolver(), seconds));
  });
}
