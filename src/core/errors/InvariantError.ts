/** Something that must always hold does not: a fault in Kevlo, never in the input. */
export class InvariantError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'InvariantError';
  }
}

/** Ends a `switch` over a union so that a new member fails to compile. */
export function assertNever(value: never): never {
  throw new InvariantError(`Unexpected value: ${JSON.stringify(value)}`);
}
