import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { addressOf } from '@/server/peer';
import { makerPage } from '@/server/progress';

/** What a maker's pages show; the not-found page for a link that leads nowhere, or that was tried too often. */
export async function readMakerPage(token: string) {
  try {
    const address = addressOf(await headers());
    return await byLink(database(), address, () => makerPage(database(), token));
  } catch (error) {
    if (error instanceof ServerError && (error.status === 404 || error.status === 429)) notFound();
    throw error;
  }
}
