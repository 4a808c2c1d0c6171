export function runTest(_a: readonly string[]): number {
  return 1;
}
