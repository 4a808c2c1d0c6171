/** A name that begins with a measure multiplied by another: “1″ × 2½″ rectangle”, “½ × 1 cm strip”; not “Calico, 2″ × 3″”. */
const MULTIPLIES = /^[\d¼½¾⅛⅜⅝⅞][^,]* × /u;

/**
 * What stands between a number and the thing it counts: “×” as in “6 × 1″ hexagon”, “of” before a name that begins with measures
 * multiplied, so that “13 of 1″ × 2″ rectangle” is not read as three numbers multiplied.
 */
export function timesWord(name: string): '×' | 'of' {
  return MULTIPLIES.test(name) ? 'of' : '×';
}

/** So many of a thing that is called by its measures: “6 × 1″ hexagon”, “13 of 1″ × 2″ rectangle”. */
export function times(count: number, name: string): string {
  return `${count} ${timesWord(name)} ${name}`;
}
