/** One line of a table: its name, and figures in columns. */
export function say(...cells: readonly (string | number)[]): void {
  const [name = '', ...rest] = cells;
  process.stdout.write(
    `${String(name).padEnd(30)} ${rest.map((cell) => String(cell).padStart(12)).join('')}\n`,
  );
}
