/** Rows as comma-separated values (RFC 4180), each ended by CR LF. */
export function csvText(rows: readonly (readonly string[])[]): string {
  return rows.map((row) => `${row.map(quote).join(',')}\r\n`).join('');
}

/** Quotes where needed; a leading =, +, − or @ is kept from being taken for a formula by spreadsheets. */
function quote(cell: string): string {
  const safe = /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
