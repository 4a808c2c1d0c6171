import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import { Notices } from '@/ui/Notices';
import { answering, refused } from '@/ui/testing';
import { OtherCloth, type ClothMaker } from './OtherCloth';
import { ShelfDialog } from './ShelfDialog';

const makers: ClothMaker[] = [
  { id: 'm1', name: 'Ada', cloths: { Tar: 'Fog' } },
  { id: 'm2', name: 'Bo', cloths: {} },
  { id: 'm3', name: 'Cy', cloths: {} },
];
const blocks = [{ id: 'b1', name: 'Star' }, { id: 'b2', name: 'Plate' }]; // prettier-ignore
const onClose = vi.fn();
const at = () =>
  render(
    <Notices>
      <OtherCloth
        projectId="p"
        cloth="Tar"
        fabrics={['Fog', 'Slate', 'Tar']}
        {...{ blocks, makers, onClose }}
      />
    </Notices>,
  );
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (text: string) => fireEvent.change(screen.getByRole('combobox', { name: 'Which cloth' }), { target: { value: text } }); // prettier-ignore
const isDisabled = () => screen.getByRole('button', { name: 'Put it in its place' }).hasAttribute('disabled');

test('some makers have another cloth: who has one is said; it is taken back as it was, and all have the first again', async () => {
  const asked = answering({ 'PATCH /api/projects/p/cloths': () => ({ before: [{ makerId: 'm2', from: 'Tar', to: null }] }) });
  at();
  expect(screen.getByRole('checkbox', { name: 'Ada (has Fog)' })).toBeTruthy();
  expect(isDisabled()).toBe(true);
  type(' Slate ');
  expect(isDisabled()).toBe(true);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Bo' }));
  type('Tar');
  expect(isDisabled()).toBe(true);
  type(' Slate ');
  press('Put it in its place');
  await screen.findByText('Slate in place of Tar for 1 maker.');
  fireEvent.click(screen.getByText('Undo'));
  await waitFor(() => expect(asked.map(({ body }) => body)).toEqual([{ instead: [{ makerId: 'm2', from: 'Tar', to: 'Slate' }] }, { instead: [{ makerId: 'm2', from: 'Tar', to: null }] }]));
  press('Tar for all again');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ instead: [{ makerId: 'm1', from: 'Tar', to: null }] }));
  expect(onClose).toHaveBeenCalledTimes(2);
}); // prettier-ignore

test('a cloth becomes two in some blocks, and one again; a refusal keeps what was typed', async () => {
  const answers = [refused(409, 'busy'), { id: 'c1', isMerged: false }, {}];
  const asked = answering({ 'PATCH /api/projects/p/cloths': () => answers.shift() });
  at();
  fireEvent.change(screen.getByLabelText('In place of it'), { target: { value: 'blocks' } });
  type('Slate');
  press('All of them');
  press('Put it in its place');
  expect(await screen.findByText(/Refused: busy/)).toBeTruthy();
  press('Put it in its place');
  await screen.findByText('Slate in place of Tar in 2 blocks.');
  expect(asked[1]?.body).toEqual({ split: { from: 'Tar', to: 'Slate', blocks: ['b1', 'b2'] } });
  fireEvent.click(screen.getByText('Undo'));
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ takeBack: 'c1' }));
});

test('pieces and fraying of a cloth are typed; what is no piece is said and stays typed', async () => {
  const asked = answering({ 'PUT /api/projects/p/cloths': ({ body }) => body });
  const saved = vi.fn();
  render(<ShelfDialog projectId="p" cloth={{ ...USUAL_CLOTH, name: 'Tar', revision: 2, pieces: [{ widthMm: 304.8, lengthMm: 500 }] }} system="metric" onSaved={saved} onClose={onClose} />);
  const field = screen.getByLabelText(/^Pieces besides/) as HTMLInputElement;
  expect(field.value).toBe('305 mm × 500 mm');
  fireEvent.change(field, { target: { value: '30 by 45' } });
  press('Save');
  expect(await screen.findByText(/“30 by 45” is no list of pieces/)).toBeTruthy();
  expect([field.value, asked.length]).toEqual(['30 by 45', 0]);
  fireEvent.change(field, { target: { value: '30 × 45; 120 mm × 1000 mm' } });
  press('Save');
  await waitFor(() => expect(saved).toHaveBeenCalled());
  expect(asked[0]?.body).toMatchObject({ frays: false, pieces: [{ widthMm: 300, lengthMm: 450 }, { widthMm: 120, lengthMm: 1000 }] });
}); // prettier-ignore

test.each([
  ['inch', '2', '1.5', 1828.8, 1.6404],
  ['metric', '2', '1.5', 2000, 1.5],
] as const)('%s: stock and price of a cloth are typed by the yard or the metre; how it lies is chosen', async (system, stock, price, stockMm, pricePerMetre) => {
  const asked = answering({ 'PUT /api/projects/p/cloths': ({ body }) => body });
  const saved = vi.fn();
  const cloth = { ...USUAL_CLOTH, name: 'Tar', revision: 2, isHalfDrop: true, frays: true, pieces: [] };
  render(<ShelfDialog projectId="p" cloth={cloth} system={system} onSaved={saved} onClose={onClose} />);
  const type = (label: RegExp, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
  type(/^In stock/, stock);
  type(/^Price of a/, price);
  press('Save');
  await waitFor(() => expect(saved).toHaveBeenCalledOnce());
  const sent = asked[0]?.body as typeof cloth;
  expect(sent).toMatchObject({ isHalfDrop: true, frays: true, revision: 2, turns: cloth.turns });
  expect([sent.stockMm, sent.pricePerMetre]).toEqual([expect.closeTo(stockMm, 3), expect.closeTo(pricePerMetre, 3)]);
  // What was not touched is sent as it was, to the hair.
  expect([sent.widthMm, sent.selvedgeMm]).toEqual([cloth.widthMm, cloth.selvedgeMm]);
  expect(saved.mock.calls[0]?.[0]).toBe(cloth);
}); // prettier-ignore
