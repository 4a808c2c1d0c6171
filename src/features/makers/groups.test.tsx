import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { Notices } from '@/ui/Notices';
import { answering, navigation, refused } from '@/ui/testing';
import { GroupsDialog } from './GroupsDialog';
import { useRoster } from './useRoster';

const GROUPS = '/api/projects/p1/groups';

function atGroups() {
  const asked = answering({
    [`POST ${GROUPS}`]: ({ body }) => ((body as { name: string }).name === 'Evening' ? refused(409, 'name-taken') : {}),
    [`PATCH ${GROUPS}`]: () => ({}),
  });
  function Page() {
    const roster = useRoster('p1', () => undefined);
    return <GroupsDialog groups={[{ id: 'g1', name: 'Evening' }]} roster={roster} onClose={() => undefined} />;
  }
  render(<Notices><Page /></Notices>);
  return asked;
} // prettier-ignore
const fresh = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'A new group' });
const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name });

test('a group is made; a name that is taken stays typed, and the refusal is said', async () => {
  const asked = atGroups();
  expect(button('Make it').disabled).toBe(true);
  fireEvent.change(fresh(), { target: { value: '  ' } });
  expect(button('Make it').disabled).toBe(true);
  fireEvent.change(fresh(), { target: { value: 'Evening' } });
  fireEvent.click(button('Make it'));
  expect(await screen.findByText(/Refused: name-taken/)).toBeTruthy();
  expect(fresh().value).toBe('Evening');
  expect(navigation.router.refresh).not.toHaveBeenCalled();
  fireEvent.change(fresh(), { target: { value: ' Morning ' } });
  fireEvent.submit(fresh().closest('form')!);
  await waitFor(() => expect(fresh().value).toBe(''));
  expect(asked.map(({ body }) => body)).toEqual([{ name: 'Evening' }, { name: 'Morning' }]);
  expect(navigation.router.refresh).toHaveBeenCalledOnce();
});

test('a group has another name, and is taken out with a way back; its makers stay', async () => {
  const asked = atGroups();
  const name = screen.getByRole('textbox', { name: 'Name of Evening' });
  expect(button('Rename').disabled).toBe(true);
  for (const same of [' ', ' Evening ']) {
    fireEvent.change(name, { target: { value: same } });
    expect(button('Rename').disabled).toBe(true);
  }
  fireEvent.change(name, { target: { value: 'Late ' } });
  fireEvent.click(button('Rename'));
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ id: 'g1', name: 'Late' }));
  fireEvent.click(button('Take Evening out'));
  await screen.findByText('The group Evening is taken out; its makers stay.');
  fireEvent.click(screen.getByText('Undo'));
  await waitFor(() => expect(asked.slice(1).map(({ body }) => body)).toEqual([{ id: 'g1', isRemoved: true }, { id: 'g1', isRemoved: false }])); // prettier-ignore
});
