import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, refused } from '@/ui/testing';
import { RosterFile } from './RosterFile';

const ROSTER = 'POST /api/projects/p1/roster';

function atRoster(answer: () => unknown = () => ({ added: [], before: [] })) {
  const links: unknown[] = [];
  const asked = answering({ [ROSTER]: answer, 'PATCH /api/projects/p1/makers/.*': () => refused(503, 'away') });
  render(
    <Notices>
      <RosterFile projectId="p1" makers={[{ id: 'm1', name: 'Ada', hasLink: true, skips: [], ...PLAIN_MAKER }]} groups={[{ id: 'g', name: 'Evening' }]} onLinks={(own) => links.push(...own)} />
    </Notices>,
  );
  return { asked, links };
} // prettier-ignore
const read = (csv: string) =>
  fireEvent.change(screen.getByText('Read a list (CSV)').querySelector('input')!, { target: { files: [new File([csv], 'list.csv')] } }); // prettier-ignore
const choose = async (column: string, heading: string) => {
  fireEvent.mouseDown(await screen.findByRole('combobox', { name: column }));
  fireEvent.click(screen.getByRole('option', { name: heading }));
};
const take = () => screen.getByRole<HTMLButtonElement>('button', { name: /^Take in/ });

test('a column that says nothing by its heading is chosen by hand, and left out again', async () => {
  const { asked } = atRoster();
  read('Who,Table\nBo,Evening\nCy,Late\n');
  expect((await screen.findByText('Say which column holds the names.')).getAttribute('role')).toBe('alert');
  expect([take().disabled, take().textContent]).toEqual([true, 'Take in 0 makers']);
  await choose('Name', 'Who');
  expect(screen.getByText('Added, each with a link of their own: Bo, Cy.')).toBeTruthy();
  expect(screen.queryByText(/^New groups/)).toBeNull();
  await choose('Group', 'Table');
  expect(screen.getByText('Added, each with a link of their own: Bo (Evening), Cy (Late).')).toBeTruthy();
  expect(screen.getByText('New groups: Late.')).toBeTruthy();
  await choose('Group', 'not in this file');
  expect(screen.getByText('Added, each with a link of their own: Bo, Cy.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(asked).toEqual([]);
});

test('a dozen are named, the others counted; a list without makers takes in nobody', async () => {
  atRoster();
  const names = Array.from({ length: 13 }, (_, i) => `M${i}`);
  read(`Name\n${names.slice(0, 12).join('\n')}\n`);
  expect(await screen.findByText(`Added, each with a link of their own: ${names.slice(0, 12).join(', ')}.`)).toBeTruthy(); // prettier-ignore
  read(`Name\n${names.join('\n')}\n`);
  expect(await screen.findByText(`Added, each with a link of their own: ${names.slice(0, 12).join(', ')} and 1 more.`)).toBeTruthy(); // prettier-ignore
  expect([take().disabled, take().textContent]).toEqual([false, 'Take in 13 makers']);
  read(`Name,Mail\n${'x'.repeat(500)},\n`);
  expect(await screen.findByText('No row can be taken in.')).toBeTruthy();
  expect(take().disabled).toBe(true);
});

test('what is no list is said with how to mend it; what the server refuses keeps the list open', async () => {
  const server = { isAway: true };
  const { links } = atRoster(() => (server.isAway ? refused(503, 'away') : { added: [{ id: 'm9', name: 'Bo', link: 'http://x/m/bo' }], before: [] })); // prettier-ignore
  read('');
  expect((await screen.findByRole('alert')).textContent).toContain('The file is empty.');
  expect(screen.queryByRole('dialog')).toBeNull();
  read('Name\nBo\n');
  await screen.findByRole('dialog');
  expect(screen.queryAllByRole('alert')).toHaveLength(0);
  fireEvent.click(take());
  expect(await screen.findByText(/Refused: away/)).toBeTruthy();
  expect(take().textContent).toBe('Take in 1 maker');
  server.isAway = false;
  fireEvent.click(take());
  await screen.findByText('1 maker added, 0 changed.');
  expect(links).toMatchObject([{ name: 'Bo', link: 'http://x/m/bo' }]);
  // Taking back is refused in its turn, and that is said.
  fireEvent.click(screen.getByText('Undo'));
  expect(await screen.findByText(/Refused: away/)).toBeTruthy();
});
