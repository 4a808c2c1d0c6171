import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { answering, navigation } from '@/ui/testing';
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

test('a block is made again on the revision that was opened, and keeps its name', async () => {
  const asked = answering({ 'PATCH /api/projects/p1/blocks/b1': () => ({}) });
  const recipe = defaultRecipe('grid');
  render(<MakeBlock projectId="p1" knownFabrics={[]} settings={SETTINGS} existing={{ id: 'b1', name: 'Grid', revision: 6, recipe }} />);
  expect(screen.queryByRole('textbox', { name: 'Name of the block' })).toBeNull();
  press('Save the change');
  await waitFor(() => expect(asked[0]?.body).toEqual({ recipe, revision: 6 }));
}); // prettier-ignore
