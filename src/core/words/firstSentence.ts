/** The first sentence of a text; a full stop within a figure or a name ends none. */
export function firstSentence(text: string): string {
  const end = /[.!?](?=\s+\p{Lu}|\s*$)/u.exec(text);
  return end ? text.slice(0, end.index + 1) : text;
}
