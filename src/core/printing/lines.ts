/**
 * Widths of letters as shares of their height, none less than it is in the font of the sheets (Source Sans 3), from narrow ones to
 * the widest. Everything else is a letter of the usual width.
 */
const WIDTHS: readonly (readonly [RegExp, number])[] = [
  [/[ ijl.,;:'’′I|!]/u, 0.34],
  [/[ftr()/-]/u, 0.45],
  [/["“”″sz]/u, 0.54],
  [/[\dacegkvxyEFJLVXY×–]/u, 0.66],
  [/[wM]/u, 0.92],
  [/[mW@%½¼¾⅛⅜⅝⅞⅓⅔…—]/u, 1.2],
  [/[\p{Lu}\p{Lo}]/u, 0.84],
];
const USUAL_WIDTH = 0.7;

const widthOf = (text: string) =>
  [...text].reduce((sum, letter) => sum + (WIDTHS.find(([of]) => of.test(letter))?.[1] ?? USUAL_WIDTH), 0);

/** From one line of a paragraph to the next, mm, by the height of its letters. */
export function lineHeightMm(sizeMm: number): number {
  return sizeMm * LINE_HEIGHT;
}

/** The font is a quarter larger than its capitals are high, a line a third higher than the font. */
const LINE_HEIGHT = 1.25 * 1.32;

/**
 * A paragraph broken into lines between words: as many as on the sheet, or some more.
 * @param sizeMm height of its letters
 */
export function linesOf(text: string, sizeMm: number, widthMm: number): string[] {
  const lines: string[] = [];
  let used = Infinity;
  for (const word of text.split(' ')) {
    const wide = widthOf(word) * sizeMm;
    const after = used + widthOf(' ') * sizeMm + wide;
    if (after > widthMm) lines.push(word);
    else lines[lines.length - 1] += ` ${word}`;
    used = after > widthMm ? wide : after;
  }
  return lines;
}
