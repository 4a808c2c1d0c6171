import { InvalidInputError } from '@/core/errors';
import { ServerError } from './errors';

/** Runs core work; its refusals become answers to the person who asked. */
export function refused<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    throw refusalOf(error);
  }
}

/** A refusal by the core as an answer to the person who asked. */
export function refusalOf({
  code,
  message,
  mend,
  place: { name, line },
}: Pick<InvalidInputError, 'code' | 'message' | 'mend' | 'place'>): ServerError {
  const where = name ?? (line === undefined ? undefined : `line ${line}`);
  const body = { code, what: message, mend };
  return new ServerError(422, where === undefined ? body : { ...body, where });
}
