import { createHash, randomBytes } from 'node:crypto';

/** A secret for a link or a cookie: 192 random bits, safe in an address. */
export function newToken(): string {
  return randomBytes(24).toString('base64url');
}

/** What is stored of a token: its SHA-256. Tokens are random, so no salt or slow hash is needed. */
export function hashToken(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/** Whether a text can be a token at all; spares the database nonsense. */
export function isToken(text: string): boolean {
  return /^[\w-]{32}$/.test(text);
}
