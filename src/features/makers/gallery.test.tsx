import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test } from 'vitest';
import type { FinishedPhoto } from '@/server/photos';
import { Notices } from '@/ui/Notices';
import { FakeStream, answering, refused } from '@/ui/testing';
import { Gallery } from './Gallery';

const GALLERY = '/api/projects/p1/gallery';
const photo = (id: string, maker: string, isShared: boolean): FinishedPhoto => ({ id, maker, blockId: 'a', width: 320, height: 240, isShared, at: '2026-03-02T10:00:00Z' } as FinishedPhoto); // prettier-ignore

function atGallery(photos: readonly FinishedPhoto[], mayEdit = true) {
  const server = { isOpen: false, photos, isAway: false };
  const asked = answering({
    [`GET ${GALLERY}`]: () => ({ isOpen: server.isOpen, photos: server.photos }),
    [`PATCH ${GALLERY}`]: ({ body }) => {
      if (server.isAway) return refused(503, 'away');
      const { id, ...change } = body as { id?: string; isOpen?: boolean; isShared?: boolean };
      if (id === undefined) server.isOpen = change.isOpen === true;
      server.photos = server.photos.map((one) => (one.id === id ? { ...one, ...change } : one));
      return {};
    },
  });
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Notices>
        <Gallery projectId="p1" blocks={[{ id: 'a', name: 'Star' }]} initial={{ isOpen: false, photos }} mayEdit={mayEdit} />
      </Notices>
    </SWRConfig>,
  );
  return { server, sent: () => asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body) };
} // prettier-ignore
const open = () => screen.getByRole<HTMLInputElement>('checkbox', { name: /^The gallery is open/ });
const isPressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
const undo = () => fireEvent.click(screen.getByRole('button', { name: 'Undo' }));

test('a host opens the gallery and shares a picture, each with what it does and a way back', async () => {
  const { sent } = atGallery([photo('f1', 'Ada', false)]);
  expect(screen.getByRole('img', { name: 'Star, sewn by Ada' }).getAttribute('src')).toBe(`${GALLERY}/f1`);
  expect(open().checked).toBe(false);
  fireEvent.click(open());
  await screen.findByText('Makers see what is shared, with names.');
  await waitFor(() => expect(open().checked).toBe(true));
  undo();
  await waitFor(() => expect(open().checked).toBe(false));
  expect(isPressed('Share it')).toBe('false');
  fireEvent.click(screen.getByRole('button', { name: 'Share it' }));
  await screen.findByText('Shared in the gallery.');
  await waitFor(() => expect(isPressed('Shared: take it out')).toBe('true'));
  fireEvent.click(screen.getByRole('button', { name: 'Shared: take it out' }));
  await screen.findByText('Not shared any more.');
  expect(await screen.findByRole('button', { name: 'Share it' })).toBeTruthy();
  expect(sent()).toEqual([{ isOpen: true }, { isOpen: false }, { id: 'f1', isShared: true }, { id: 'f1', isShared: false }]); // prettier-ignore
});

test('a helper looks on; what the server refuses is said; a new picture comes by itself', async () => {
  const { server } = atGallery([], false);
  expect(screen.getByText('No pictures yet')).toBeTruthy();
  expect(screen.queryByRole('checkbox')).toBeNull();
  server.photos = [photo('f1', 'Ada', true)];
  FakeStream.tell('makers m1');
  expect(await screen.findByText('Star, Ada')).toBeTruthy();
  expect(screen.queryByText('No pictures yet')).toBeNull();
  expect(screen.queryByRole('button', { name: /share/i })).toBeNull();
});

test('a picture that could not be shared stays as it was', async () => {
  const { server, sent } = atGallery([photo('f1', 'Ada', false)]);
  server.isAway = true;
  fireEvent.click(screen.getByRole('button', { name: 'Share it' }));
  expect(await screen.findByText(/Refused: away/)).toBeTruthy();
  expect(sent()).toHaveLength(1);
  expect(isPressed('Share it')).toBe('false');
});
