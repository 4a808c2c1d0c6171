import { cut, cutResult, readCutRequest } from '@/core/requests';
import { readArguments, runAsk, secondsOf } from './ask';

const USAGE = 'Write: ./kevlo cut FILE.json [--seconds 8]';
const SECONDS = 8;

/** `./kevlo cut`: lays pieces on cloth and prints one `kevlo.cut-result/1`. */
export function runCut(args: readonly string[]): Promise<number> {
  return runAsk(() => {
    const { text, given } = readArguments(args, USAGE, ['--seconds']);
    const begin = performance.now();
    const most = 1000 * secondsOf(given.get('--seconds'), SECONDS);
    const request = readCutRequest(text);
    return cutResult(request, cut(request, { spent: () => (performance.now() - begin) / most }));
  });
}
