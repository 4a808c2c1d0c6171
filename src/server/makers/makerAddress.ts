/** Address of a page: under PUBLIC_URL when set, so that a phone can reach it, else where we are now. */
export function publicAddress(request: Request, path: string): string {
  const host = request.headers.get('host') ?? '127.0.0.1:3000';
  const base = process.env.PUBLIC_URL ?? `http://${host}`;
  return `${base.replace(/\/$/, '')}${path}`;
}

/** Address of a maker's own page. */
export function makerAddress(request: Request, token: string): string {
  return publicAddress(request, `/m/${token}`);
}
