/** A day as it is said: “3 December 2026”, whatever order of numbers its reader is used to. */
export function formatDay(time: string): string {
  return new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
}
