import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test } from 'vitest';
import { Notices } from '@/ui/Notices';
import { answering, markedFields, refused } from '@/ui/testing';
import { SettingsForm } from './SettingsForm';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

const project = {
  id: 'p1', name: 'Coast', shop: 'Hall', unitSystem: 'inch', pageSize: 'Letter', allowanceMm: 6.35, sparesPercent: 5, gridColumns: 3, sewing: {}, revision: 1,
} as never; // prettier-ignore

test('settings: only what was changed is sent, in millimetres; what cannot be read is said at its field and nothing is sent', async () => {
  const user = userEvent.setup();
  const asked = answering({ 'PATCH /api/projects/p1': () => ({}) });
  render(
    <Notices>
      <SettingsForm project={project} />
    </Notices>,
  );
  const allowance = screen.getByRole('textbox', { name: 'Seam allowance' });
  // Keys for fractions, for figures with a point, and for whole numbers.
  const keysOf = (name: string) => screen.getByRole('textbox', { name }).getAttribute('inputmode');
  expect(['Seam allowance', 'Spare papers, %', 'Blocks across the top'].map(keysOf)).toEqual([
    'text',
    'decimal',
    'numeric',
  ]);
  await user.clear(allowance);
  await user.type(allowance, 'much');
  press('Save the settings');
  await waitFor(() => expect(allowance.getAttribute('aria-invalid')).toBe('true'));
  expect(asked).toEqual([]);
  await user.clear(allowance);
  await user.type(allowance, '3/8');
  const spares = screen.getByRole('textbox', { name: 'Spare papers, %' });
  await user.clear(spares);
  await user.type(spares, '10');
  press('Save the settings');
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]?.body).toEqual({ allowanceMm: expect.closeTo(9.525, 6), sparesPercent: 10 });
  expect(await screen.findByText(/Settings saved/)).toBeTruthy();
});

test('settings: figures follow when lengths are typed in the other unit, and the usual figures of sewing are filled in', async () => {
  const asked = answering({ 'PATCH /api/projects/p1': () => ({}) });
  render(
    <Notices>
      <SettingsForm project={{ ...(project as object), sewing: { bendMinutes: 9 } } as never} />
    </Notices>,
  );
  const unit = document.querySelector('input[name=unitSystem]') as HTMLInputElement;
  fireEvent.change(unit, { target: { value: 'metric' } });
  expect((screen.getByRole('textbox', { name: 'Seam allowance' }) as HTMLInputElement).value).toMatch(/^6[.,]?\d* ?(mm)?$/);
  press('Fill in the usual figures of sewing');
  press('Save the settings');
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]?.body).toMatchObject({ unitSystem: 'metric', sewing: { bendMinutes: expect.any(Number) } });
  expect((asked[0]?.body as { sewing: object }).sewing).toEqual({ bendMinutes: expect.not.closeTo(9, 3) });
  // The allowance was not touched: it is not sent as what its print in millimetres says.
  expect(asked[0]?.body).not.toHaveProperty('allowanceMm');
}); // prettier-ignore

test.each([
  ['name', 'Project'],
  ['shop', 'Shop or group'],
])('where %s is refused its field is marked, and no other', async (where, label) => {
  answering({ 'PATCH /api/projects/p1': () => refused(422, 'invalid', { where }) });
  render(
    <Notices>
      <SettingsForm project={project} />
    </Notices>,
  );
  const field = screen.getByRole('textbox', { name: label });
  fireEvent.change(field, { target: { value: 'Other' } });
  press('Save the settings');
  await screen.findByText(/Refused: invalid/);
  expect(markedFields()).toEqual([field]);
});
