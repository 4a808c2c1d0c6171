import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import { RECIPE_NAMES, defaultRecipe } from '@/core/generate';
import { answering, markedFields, navigation, refused } from '@/ui/testing';
import { MakeBlock } from './MakeBlock';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const field = (name: string | RegExp) => screen.getByRole('textbox', { name }) as HTMLInputElement;

test('a block is made from figures, drawn while they are typed, and saved under a name; bad figures hold it back', async () => {
  const user = userEvent.setup();
  const asked = answering({ 'POST /api/projects/p1/blocks': () => ({ id: 'b8' }) });
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} />);
  const rings = field(/ring/i);
  await user.clear(rings);
  await user.type(rings, '1');
  expect(screen.getByText(/^7 papers/)).toBeTruthy();
  await user.clear(rings);
  await user.type(rings, 'x');
  expect(screen.getByRole('button', { name: 'Save the block' }).hasAttribute('disabled')).toBe(true);
  await user.clear(rings);
  await user.type(rings, '3');
  await user.type(field('Name of the block'), 'Rose');
  press('Save the block');
  await waitFor(() => expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/blocks/b8'));
  expect(asked[0]?.body).toMatchObject({ name: 'Rose', recipe: { kind: 'rosette', rings: 3 } });
});

test('a name that is taken, or cloths that are none, are marked at their field, and no other', async () => {
  answering({ 'POST /api/projects/p1/blocks': () => refused(409, 'name-taken', { where: 'name' }) });
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} />);
  expect(markedFields()).toEqual([]);
  fireEvent.change(field('Fabrics, in turn'), { target: { value: ' , ' } });
  expect(markedFields()).toEqual([field('Fabrics, in turn')]);
  fireEvent.change(field('Fabrics, in turn'), { target: { value: 'Ink' } });
  press('Save the block');
  await screen.findByText(/Refused: name-taken/);
  expect(markedFields()).toEqual([field('Name of the block')]);
});

test('a block is made again on the revision that was opened, and keeps its name', async () => {
  const asked = answering({ 'PATCH /api/projects/p1/blocks/b1': () => ({}) });
  const recipe = defaultRecipe('grid');
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} existing={{ id: 'b1', name: 'Grid', revision: 6, recipe }} />);
  expect(screen.queryByRole('textbox', { name: 'Name of the block' })).toBeNull();
  press('Save the change');
  await waitFor(() => expect(asked[0]?.body).toEqual({ recipe, revision: 6 }));
}); // prettier-ignore

test('another kind has figures of its own; what was typed for the first is there again', async () => {
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} />);
  const choose = (name: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'What kind' }));
    fireEvent.click(screen.getByRole('option', { name }));
  };
  const rings = field(/ring/i);
  fireEvent.change(rings, { target: { value: '1' } });
  fireEvent.change(field('Name of the block'), { target: { value: 'Rose' } });
  fireEvent.change(field('Fabrics, in turn'), { target: { value: 'Ink, Straw' } });
  choose(RECIPE_NAMES.plate);
  expect(screen.queryByRole('textbox', { name: /ring/i })).toBeNull();
  expect(field('Fabrics, in turn').value).toBe(defaultRecipe('plate').fabrics.join(', '));
  choose(RECIPE_NAMES.rosette);
  expect([field(/ring/i).value, field('Fabrics, in turn').value, field('Name of the block').value]).toEqual(['1', 'Ink, Straw', 'Rose']); // prettier-ignore
});

test('figures that change what others have sewn are saved once that is said, for those whom it touches', async () => {
  const touched = { makers: [{ id: 'm1', name: 'Ann', steps: 1 }], bags: [{ id: 'm1', name: 'Ann' }, { id: 'm2', name: 'Bea' }] }; // prettier-ignore
  const asked = answering({ 'PATCH /api/projects/p1/blocks/b1': ({ body }) => ('mayTouch' in (body as object) ? {} : refused(409, 'touches-work', { current: touched })) }); // prettier-ignore
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} existing={{ id: 'b1', name: 'Grid', revision: 6, recipe: defaultRecipe('grid') }} />); // prettier-ignore
  press('Save the change');
  fireEvent.click(await screen.findByRole('button', { name: 'Change it for all' }));
  await waitFor(() => expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/blocks/b1'));
  expect(asked[1]?.body).toMatchObject({ mayTouch: ['m1', 'm2'] });
});

test('leaving asks first where something was typed', () => {
  const ask = vi.fn().mockReturnValueOnce(false).mockReturnValue(true);
  vi.stubGlobal('confirm', ask);
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} />);
  press('Leave');
  expect([ask.mock.calls.length, navigation.router.back.mock.calls.length]).toEqual([0, 1]);
  fireEvent.change(field('Name of the block'), { target: { value: 'Rose' } });
  press('Leave');
  expect([ask.mock.calls.length, navigation.router.back.mock.calls.length]).toEqual([1, 1]);
  press('Leave');
  expect([ask.mock.calls.length, navigation.router.back.mock.calls.length]).toEqual([2, 2]);
});
