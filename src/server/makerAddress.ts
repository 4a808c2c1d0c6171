/** Address of a maker's own page: under PUBLIC_URL when set, so that a phone can reach it, else where we are now. */
export function makerAddress(request: Request, token: string): string {
  const host = request.headers.get('host') ?? '127.0.0.1:3000';
  const base = process.env.PUBLIC_URL ?? `http://${host}`;
  return `${base.replace(/\/$/, '')}/m/${token}`;
}
