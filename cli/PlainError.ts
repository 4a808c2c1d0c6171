/** Something the person at the terminal can mend; shown as one line, without a stack. */
export class PlainError extends Error {}
