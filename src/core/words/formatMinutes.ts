/** Minutes of work as people say them: `45 min`, `2 h 10 min`; to 5 min above an hour. */
export function formatMinutes(minutes: number): string {
  if (minutes < 60) return `${Math.max(1, Math.round(minutes))} min`;
  const rounded = Math.round(minutes / 5) * 5;
  const rest = rounded % 60;
  return rest === 0 ? `${Math.floor(rounded / 60)} h` : `${Math.floor(rounded / 60)} h ${rest} min`;
}
