import { expect, test } from 'vitest';
import { matchColumns, readRoster, readTable } from '.';

const read = (text: string) => {
  const table = readTable(text);
  return readRoster(table, matchColumns(table.columns));
};

test('columns are known by many headings, in any order; a surname is added to the name', () => {
  expect(matchColumns(['E-Mail ', 'Last name', 'first NAME', 'Class', 'Shoe size'])).toEqual({ name: 'first NAME', surname: 'Last name', group: 'Class', email: 'E-Mail ' }); // prettier-ignore
  expect(read('first name,surname,class\nAda,Stone,Evening\n,,\nBo,,')).toEqual({ rows: [{ name: 'Ada Stone', group: 'Evening' }, { name: 'Bo', group: '' }], faults: [] }); // prettier-ignore
  expect(() => read('shoe size\n42')).toThrow(/No column is the name/);
});

test('what cannot be read is named by row and column and left out; formulas are text; names of any script stay', () => {
  const { rows, faults } = read(
    "name\temail\tminor\nעדה כהן\tx@y.example\tyes\n'=1+1\t\t\nada\tnot one\t\nBea\t\tperhaps\nbea\t\t",
  );
  expect(rows).toEqual([
    { name: 'עדה כהן', email: 'x@y.example', isUnderAge: true },
    { name: '=1+1', email: '', isUnderAge: false },
  ]);
  expect(faults.map(({ row, column }) => [row, column])).toEqual([[4, 'email'], [5, 'minor'], [6, 'name']]); // prettier-ignore
  expect(read(`name\n${'x'.repeat(121)}`).faults[0]?.what).toMatch(/longer than 120/);
});

test.each(['', ' \n \n', '\uFEFF'])('an empty file is no list', (text) => {
  expect(() => readTable(text)).toThrow('The file is empty.');
});
