import { forecast, forecastResult, readForecastRequest } from '@/core/requests';
import { readArguments, runAsk } from './ask';

const USAGE = 'Write: ./kevlo forecast FILE.json';

/** `./kevlo forecast`: says when each maker of a group will be done and prints one `kevlo.forecast-result/1`. */
export function runForecast(args: readonly string[]): Promise<number> {
  return runAsk(() => {
    const { text } = readArguments(args, USAGE);
    return forecastResult(forecast(readForecastRequest(text)));
  });
}
