import { InvalidInputError } from '@/core/errors';
import { ServerError } from './errors';

/** Runs core work; its refusals become answers to the person who asked. */
export function refused<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    const { name, line } = error.place;
    const where = name ?? (line === undefined ? undefined : `line ${line}`);
    const body = { code: error.code, what: error.message, mend: error.mend };
    throw new ServerError(422, where === undefined ? body : { ...body, where });
  }
}
