import { expect } from 'vitest';

/** What a refused call rejects with, by its status. */
export function refusal(status: number) {
  return expect.objectContaining({ status });
}
