/** What the person at the other end is told: what is wrong, where, and how to mend it. */
export interface ErrorBody {
  readonly code: string;
  readonly what: string;
  readonly mend: string;
  /** Name of the field or shape concerned. */
  readonly where?: string;
  /** Newer state, where a conflict is to be settled. */
  readonly current?: unknown;
}

/** An expected refusal by the server; `status` is its HTTP status. */
export class ServerError extends Error {
  constructor(
    readonly status: number,
    readonly body: ErrorBody,
    options?: ErrorOptions,
  ) {
    super(body.what, options);
    this.name = 'ServerError';
  }
}

export function notFound(what: string): ServerError {
  return new ServerError(404, {
    code: 'not-found',
    what: `${what} is not here.`,
    mend: 'Check the address, or ask whoever gave it to you.',
  });
}

export function forbidden(): ServerError {
  return new ServerError(403, {
    code: 'forbidden',
    what: 'You may not do this.',
    mend: 'Sign in as a host of this project.',
  });
}

export function notSignedIn(): ServerError {
  return new ServerError(401, {
    code: 'not-signed-in',
    what: 'You are not signed in.',
    mend: 'Sign in and try again.',
  });
}

export function conflict(what: string, mend: string, current?: unknown): ServerError {
  return new ServerError(409, { code: 'conflict', what, mend, current });
}

export function invalid(what: string, mend: string, where?: string): ServerError {
  return new ServerError(422, { code: 'invalid', what, mend, ...(where === undefined ? {} : { where }) });
}
