export { InvalidInputError, type InputPlace } from './InvalidInputError';
export { InvariantError, assertNever } from './InvariantError';
