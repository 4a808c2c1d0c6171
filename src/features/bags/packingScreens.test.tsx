import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { beforeEach, expect, test, vi } from 'vitest';
import { bagCode, mergeTicks, type PackingLine, type Ticks } from '@/core/packing';
import type { BagAct, PackingKit } from '@/server/bags';
import type { Project } from '@/server/projects';
import { FakeStream, answering, refused, settled, unreachable } from '@/ui/testing';
import { Notices } from '@/ui/Notices';
import { PackingTable } from './PackingTable';
import type { TableBag } from './tableBag';

const lines: PackingLine[] = [
  { key: 'papers:hexagon', group: 'papers', what: 'hexagon', note: '20 and 2 spare', count: 22 },
  { key: 'cloth:Fog', group: 'cloth', what: 'Fog, 50 mm × 50 mm', note: 'for hexagon', count: 20, fabric: 'Fog' },
]; // prettier-ignore
const bag = (makerId: string, maker: string): TableBag => ({ blockId: 'b', makerId, block: 'Star', maker, drop: 'Drop 1', lines }); // prettier-ignore
const bags = [bag('m1', 'Ann'), bag('m2', 'Bea')];
const kit = (makerId: string, more: Partial<PackingKit> = {}): PackingKit => ({ blockId: 'b', makerId, status: 'to-pack', ticks: {}, holder: null, checkedBy: null, ...more }); // prettier-ignore

/** A server that does what it is told, until its line is cut. */
function packingServer(kits: PackingKit[] = []) {
  const known = new Map(kits.map((one) => [one.makerId, one]));
  const server = { isCut: false, known, slowly: undefined as Promise<void> | undefined };
  const asked = answering({
    'GET /api/projects/p/packing': async () => {
      const said = server.isCut ? unreachable() : [...known.values()];
      await server.slowly;
      return said;
    },
    'POST /api/projects/p/packing': ({ body }) => {
      if (server.isCut) return unreachable();
      const told = body as BagAct;
      const before = known.get(told.makerId) ?? kit(told.makerId);
      if (told.kind === 'take' && before.holder && before.holder.id !== 'me' && !told.isOver) return refused(409, 'held', { current: before }); // prettier-ignore
      const ticks: Ticks = told.kind === 'tick' ? mergeTicks(before.ticks, told.ticks) : before.ticks;
      const isHeld = told.kind === 'take' || told.kind === 'tick';
      const after = { ...before, ticks, holder: isHeld ? { id: 'me', name: 'Me' } : null, status: told.kind === 'close' ? ('packed' as const) : before.status, checkedBy: told.kind === 'check' ? 'Me' : before.checkedBy }; // prettier-ignore
      known.set(told.makerId, after);
      return after;
    },
  });
  return {
    server,
    acts: () => asked.filter(({ method }) => method === 'POST').map(({ body }) => body as BagAct),
  };
}

beforeEach(() => localStorage.clear());

const show = (kits: PackingKit[] = []) =>
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Notices>
        <PackingTable project={{ id: 'p' } as Project} me="me" bags={bags} fabrics={['Fog']} kits={kits} />
      </Notices>
    </SWRConfig>,
  );
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const scan = (code: string) => {
  fireEvent.change(screen.getByLabelText('Scan or type a bag’s code'), { target: { value: code } });
  press('Open');
};

test('a bag is scanned, counted in by tens and ones, and closes only when every line is right', async () => {
  const { server, acts } = packingServer();
  show();
  scan('0000');
  expect(screen.getByText(/was not read right/)).toBeTruthy();
  scan(bagCode('b', 'of another project'));
  expect(screen.getByText(/of another project, or its block/)).toBeTruthy();
  scan(bagCode('b', 'm1').toLowerCase());
  expect(screen.getByRole('heading', { name: 'Star, Ann' })).toBeTruthy();
  press('10 in, hexagon');
  press('10 in, hexagon');
  press('10 in, hexagon');
  expect(screen.getByText('30: 8 over')).toBeTruthy();
  press('All 20 in, Fog, 50 mm × 50 mm');
  expect(screen.getByRole('button', { name: 'Not yet: 1 line over' }).hasAttribute('disabled')).toBe(true);
  press('10 out of hexagon');
  expect(screen.getByRole('button', { name: 'Not yet: 1 line short' })).toBeTruthy();
  press('1 in, hexagon');
  press('1 in, hexagon');
  press('All in: close this bag');
  await waitFor(() => expect(server.known.get('m1')?.status).toBe('packed'));
  expect(server.known.get('m1')?.ticks).toMatchObject({ 'papers:hexagon': { count: 22 }, 'cloth:Fog': { count: 20 } });
  expect(screen.getByText('1 of 2 bags packed.')).toBeTruthy();
  expect(acts()[0]).toMatchObject({ kind: 'take' });
  // Packed, it is looked into by a second person.
  scan(bagCode('b', 'm1'));
  expect(screen.getByText(/A second person counts again/)).toBeTruthy();
  press('It is right');
  expect(await screen.findByText('Packed, and looked into by Me.')).toBeTruthy();
}); // prettier-ignore

test('a bag in other hands is seen as such and is taken over only when that is said', async () => {
  const held = kit('m2', { holder: { id: 'h', name: 'Hella' }, ticks: { 'papers:hexagon': { count: 4, at: 1 } } }); // prettier-ignore
  const { acts } = packingServer([held]);
  show([held]);
  press(/Star, Bea/);
  expect(within(screen.getByRole('alert')).getByText('Hella has this bag in hand.')).toBeTruthy();
  expect(screen.getByText('4 of 22')).toBeTruthy();
  expect(acts()).toEqual([]);
  press('Take it over');
  await waitFor(() => expect(acts()).toMatchObject([{ kind: 'take', isOver: true }]));
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
});

test('without a connection packing goes on; what waits is kept on the device, said, and sent once in its order', async () => {
  const { server, acts } = packingServer();
  const { unmount } = show();
  scan(bagCode('b', 'm1'));
  await waitFor(() => expect(acts()).toHaveLength(1));
  server.isCut = true;
  press('All 22 in, hexagon');
  press('All 20 in, Fog, 50 mm × 50 mm');
  press('All in: close this bag');
  expect(await screen.findByText(/3 entries wait on this device for a connection/)).toBeTruthy();
  expect(screen.getByText('1 of 2 bags packed.')).toBeTruthy();
  unmount();
  const before = acts().length;
  server.isCut = false;
  show();
  await waitFor(() => expect(server.known.get('m1')?.status).toBe('packed'));
  expect(acts().slice(before).map(({ kind }) => kind)).toEqual(['tick', 'tick', 'close']);
  await waitFor(() => expect(screen.queryByText(/for a connection/)).toBeNull());
  act(() => void window.dispatchEvent(new Event('online')));
  expect(acts()).toHaveLength(before + 3);
}); // prettier-ignore

test('what does not belong in the bag any more, since the block changed, is taken out before it closes', () => {
  const full = { 'papers:hexagon': { count: 22, at: 1 }, 'cloth:Fog': { count: 20, at: 1 }, 'papers:square': { count: 3, at: 1 } }; // prettier-ignore
  packingServer([kit('m1', { ticks: full })]);
  show([kit('m1', { ticks: full })]);
  press(/Star, Ann/);
  expect(screen.getByText('3 × square')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Not yet: 1 line to take out' })).toBeTruthy();
  press('They are out');
  expect(screen.getByRole('button', { name: 'All in: close this bag' })).toBeTruthy();
});

test('what another packed is seen although the news of it was under way when ours was taken in', async () => {
  const { server, acts } = packingServer();
  show();
  await settled();
  scan(bagCode('b', 'm1'));
  await waitFor(() => expect(acts()).toHaveLength(1));
  await settled();
  let goOn = () => {};
  server.slowly = new Promise((resolve) => (goOn = resolve));
  server.known.set('m2', kit('m2', { status: 'packed' }));
  act(() => FakeStream.tell('kits'));
  press('Leave it as it is');
  await waitFor(() => expect(acts()).toHaveLength(2));
  server.slowly = undefined;
  await act(async () => goOn());
  expect(await screen.findByText('1 of 2 bags packed.')).toBeTruthy();
});

test('a code is read by the camera once for each time that it comes into sight; the camera ends with its picture; faults are said', async () => {
  packingServer();
  const stop = vi.fn();
  const media = { getUserMedia: vi.fn(() => Promise.resolve(Object.assign(new MediaStream(), { getTracks: () => [{ stop }] }))) };
  vi.stubGlobal('navigator', Object.assign(Object.create(navigator) as object, { mediaDevices: media }));
  const seen = { text: bagCode('b', 'm1') as string | undefined };
  vi.doMock('jsqr', () => ({ default: () => (seen.text === undefined ? null : { data: seen.text }) }));
  vi.spyOn(HTMLVideoElement.prototype, 'play').mockResolvedValue();
  Object.assign(HTMLVideoElement.prototype, { videoWidth: 1280, videoHeight: 960 });
  const drawn = vi.fn();
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({ drawImage: drawn, getImageData: (_x: number, _y: number, width: number, height: number) => ({ data: [], width, height }) } as never);
  show();
  press('Read codes by camera');
  await screen.findByRole('heading', { name: 'Star, Ann' });
  expect(drawn.mock.calls[0]!.slice(3)).toEqual([640, 480]);
  press('Camera off');
  await waitFor(() => expect(stop).toHaveBeenCalledOnce());
  media.getUserMedia.mockRejectedValueOnce(new DOMException('', 'NotAllowedError') as never);
  press('Read codes by camera');
  expect((await screen.findByRole('alert')).textContent).toContain('not allowed for this page');
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
}); // prettier-ignore

test('what ran out is packed as something else: it is said in the bag, kept while it is counted, and taken back', async () => {
  const { server, acts } = packingServer();
  show();
  scan(bagCode('b', 'm1'));
  press('Something else for Fog, 50 mm × 50 mm');
  fireEvent.change(screen.getByRole('combobox', { name: 'In place of Fog, 50 mm × 50 mm' }), { target: { value: ' Slate ' } });
  press('Put it in');
  expect(screen.getByText('Slate in its place')).toBeTruthy();
  press('All 20 in, Fog, 50 mm × 50 mm');
  press('All 22 in, hexagon');
  await settled();
  expect(server.known.get('m1')?.ticks['cloth:Fog']).toMatchObject({ count: 20, instead: 'Slate' });
  expect(server.known.get('m1')?.ticks['papers:hexagon']).not.toHaveProperty('instead');
  press('All in: close this bag');
  await settled();
  scan(bagCode('b', 'm1'));
  expect(screen.getByText('Slate lies in it in place of Fog.')).toBeTruthy();
  scan(bagCode('b', 'm2'));
  press('Something else for hexagon');
  fireEvent.change(screen.getByRole('combobox', { name: 'In place of hexagon' }), { target: { value: 'disc' } });
  press('Put it in');
  press('Something else for hexagon');
  fireEvent.change(screen.getByRole('combobox', { name: 'In place of hexagon' }), { target: { value: '' } });
  press('It is itself');
  expect(screen.queryByText('disc in its place')).toBeNull();
  await settled();
  expect(acts().at(-1)?.kind === 'tick' && (acts().at(-1) as { ticks: Ticks }).ticks['papers:hexagon']).not.toHaveProperty('instead');
}); // prettier-ignore
