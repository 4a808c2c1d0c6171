import { plainCell, refuseTable, type CellFault, type Table } from './readTable';

/** What a roster says of a maker; what is not said stays as it is, an empty word takes it away. */
export interface RosterRow {
  readonly name: string;
  readonly group?: string;
  readonly email?: string;
  readonly timeZone?: string;
  readonly isUnderAge?: boolean;
  readonly travels?: boolean;
}

/** What a column of a file may stand for, and the headings by which it is known. */
export const ROSTER_COLUMNS = {
  name: { says: 'Name', known: ['name', 'maker', 'first name', 'given name', 'participant', 'student'] },
  surname: { says: 'Surname', known: ['surname', 'last name', 'family name'] },
  group: { says: 'Group', known: ['group', 'class', 'course'] },
  email: { says: 'E-mail address', known: ['e-mail', 'email', 'mail', 'e-mail address', 'email address'] },
  timeZone: { says: 'Time zone', known: ['time zone', 'timezone', 'zone'] },
  isUnderAge: { says: 'Under age', known: ['under age', 'underage', 'minor', 'child'] },
  travels: { says: 'Sews while travelling', known: ['travels', 'travelling', 'traveling'] },
} as const;

export type RosterColumn = keyof typeof ROSTER_COLUMNS;
export type RosterMatch = Partial<Record<RosterColumn, string>>;

/** Which column of a file stands for what, by its heading. */
export function matchColumns(columns: readonly string[]): RosterMatch {
  const match: RosterMatch = {};
  const free = new Set(columns);
  for (const column of Object.keys(ROSTER_COLUMNS) as RosterColumn[]) {
    const known: readonly string[] = ROSTER_COLUMNS[column].known;
    const found = [...free].find((heading) => known.includes(heading.trim().toLowerCase()));
    if (found === undefined) continue;
    match[column] = found;
    free.delete(found);
  }
  return match;
}

/** A file read as makers: its rows, and cells that cannot be read; a row with a fault is left out. */
export interface ReadRoster {
  readonly rows: readonly RosterRow[];
  readonly faults: readonly CellFault[];
}

const MOST_NAME = 120;

/**
 * Reads makers from a table. Two rows of one name are a fault of the later one: nobody can tell whom it means.
 * @throws InvalidInputError `csv` where no column is matched to the name
 */
export function readRoster({ rows }: Table, match: RosterMatch): ReadRoster {
  if (match.name === undefined)
    refuseTable('No column is the name.', 'Say which column holds the names of the makers.');
  const seen = new Map<string, number>();
  const faults: CellFault[] = [];
  const read = rows.flatMap((row, index): RosterRow[] => {
    const cell = (column: RosterColumn) => (match[column] === undefined ? undefined : plainCell(row[match[column]]));
    const number = index + 2;
    const name = [cell('name'), cell('surname')].filter(Boolean).join(' ').normalize('NFC');
    if (name === '' && Object.values(row).every((one) => plainCell(one) === '')) return [];
    const own: CellFault[] = [];
    const wrong = (column: RosterColumn, what: string) => own.push({ row: number, column: match[column] ?? '', what });
    if (name === '' || name.length > MOST_NAME) wrong('name', name === '' ? 'There is no name.' : 'The name is longer than 120 letters.');
    const before = seen.get(name.toLowerCase());
    if (before !== undefined) wrong('name', `“${name}” stands in row ${before} too: add a second name or a letter.`);
    seen.set(name.toLowerCase(), before ?? number);
    const email = cell('email')?.toLowerCase();
    if (email && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email)) wrong('email', `“${email.slice(0, 60)}” is no address.`);
    const yes = (column: 'isUnderAge' | 'travels') => {
      const text = cell(column);
      if (text === undefined) return undefined;
      const isYes = readYes(text);
      if (isYes === undefined) wrong(column, `“${text.slice(0, 40)}” is neither yes nor no.`);
      return isYes;
    };
    const [isUnderAge, travels] = [yes('isUnderAge'), yes('travels')];
    const [group, timeZone] = [cell('group'), cell('timeZone')];
    if (group !== undefined && group.length > MOST_NAME) wrong('group', 'The name of the group is longer than 120 letters.');
    faults.push(...own);
    if (own.length > 0) return [];
    return [{
      name,
      ...(group === undefined ? {} : { group }),
      ...(email === undefined ? {} : { email }),
      ...(timeZone === undefined ? {} : { timeZone }),
      ...(isUnderAge === undefined ? {} : { isUnderAge }),
      ...(travels === undefined ? {} : { travels }),
    }];
  });
  return { rows: read, faults };
} // prettier-ignore

function readYes(text: string): boolean | undefined {
  const word = text.toLowerCase();
  if (['yes', 'y', 'x', '1', 'true'].includes(word)) return true;
  if (['no', 'n', '', '0', 'false'].includes(word)) return false;
  return undefined;
}
