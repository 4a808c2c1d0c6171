/** Where in an input something is wrong; every part is optional because inputs differ. */
export interface InputPlace {
  /** Line of the text, from 1. */
  readonly line?: number;
  /** Id of the shape, or name of the field. */
  readonly name?: string;
  /** Point in the drawing, millimetres, y down. */
  readonly at?: readonly [number, number];
}

/**
 * A caller's mistake or bad input. `message` says what is wrong and where, `mend` how to put it right.
 * @example new InvalidInputError('no-size', 'The drawing has no width.', 'Add width="200mm" to its svg element.')
 */
export class InvalidInputError extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly mend: string,
    readonly place: InputPlace = {},
  ) {
    super(message);
    this.name = 'InvalidInputError';
  }
}
