import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { MOST_LOG_LINES } from '@/core/formats';
import type { LogEntry } from '@/server/logbook';
import { Notices } from '@/ui/Notices';
import { answering, refused } from '@/ui/testing';
import { Logbook } from './Logbook';
import { EVERYTHING, isCut, logLines, sayEntry } from './logWords';

const entry = (id: string, kind: LogEntry['kind'], text: string, more: Partial<LogEntry> = {}): LogEntry => ({ id, kind, text, blockId: null, by: 'Hanna', at: '2026-11-20T10:00:00Z', ...more }); // prettier-ignore
const log = [
  entry('1', 'note', 'Dark cloth runs.', { blockId: 'a' }),
  entry('2', 'next-time', 'Cut the tips wider.'),
  entry('3', 'change', 'makers-added'),
  entry('4', 'trouble', 'Ada: it puckers', { blockId: 'a', by: null }),
];

test('lines are found by all their words, by block and by kind; changes are said in words', () => {
  const ids = (choice: object) => logLines(log, { ...EVERYTHING, ...choice }).map(({ id }) => id);
  expect(ids({})).toEqual(['1', '2', '4']);
  expect(ids({ words: 'CLOTH hanna' })).toEqual(['1']);
  expect(ids({ block: 'a' })).toEqual(['1', '4']);
  expect(ids({ block: 'project', kind: 'all' })).toEqual(['2', '3']);
  expect(ids({ kind: 'all', words: 'added makers' })).toEqual(['3']);
  expect(sayEntry(entry('x', 'change', 'some-new-thing'))).toBe('some new thing');
});

test('that older lines are not listed is said once as many of a kind are there as can be', () => {
  const lines = (kind: LogEntry['kind'], count: number) => Array.from({ length: count }, (_, i) => entry(`${kind}${i}`, kind, 'kit-changed'));
  expect(isCut([...lines('change', MOST_LOG_LINES - 1), ...lines('note', 3), ...lines('trouble', 3)])).toBe(false);
  expect(isCut(lines('trouble', MOST_LOG_LINES))).toBe(true);
  expect(isCut([...lines('note', MOST_LOG_LINES - 1), ...lines('decision', 1)])).toBe(true);
  render(<Logbook projectId="p" project="Coast" blocks={[]} initial={lines('change', MOST_LOG_LINES)} />);
  expect(screen.getByText('Of what was written, of changes and of who was stuck the newest 2000 each are here.')).toBeTruthy();
}); // prettier-ignore

test('a line is taken out by a button that says how it begins', () => {
  const long = 'Dark cloth runs when it is pressed wet, so press it dry, and never with steam.';
  render(<Logbook projectId="p" project="Coast" blocks={[]} initial={[entry('1', 'note', long)]} />);
  expect(screen.getByRole('button', { name: /^Take out: / }).getAttribute('aria-label')).toBe(
    'Take out: Dark cloth runs when it is pressed wet, so press it dry, and',
  );
});

test('a picture goes with a line, and is shown at it', async () => {
  const asked = answering({ 'POST /api/projects/p/log': () => ({}), 'GET /api/projects/p/log': () => log });
  const shown = [{ ...log[0]!, picture: { width: 40, height: 30 } }];
  render(<Logbook projectId="p" project="Coast" blocks={[]} initial={shown} />);
  expect(screen.getByRole('img', { name: 'Picture to: Dark cloth runs.' }).getAttribute('src')).toBe('/api/projects/p/log/1'); // prettier-ignore
  fireEvent.change(screen.getByRole('textbox', { name: 'Write it down' }), { target: { value: 'So.' } });
  fireEvent.change(screen.getByText('Add a picture').querySelector('input')!, { target: { files: [new File(['abc'], 'so.png')] } }); // prettier-ignore
  fireEvent.click(screen.getByRole('button', { name: 'Write' }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ text: 'So.', image: btoa('abc') }));
  await screen.findByText('Add a picture');
});

test('a line is written, stays when it is refused, and is taken out with undo', async () => {
  const server = { isRefusing: true };
  const asked = answering({
    'POST /api/projects/p/log': () => (server.isRefusing ? refused(422, 'invalid') : {}),
    'PATCH /api/projects/p/log': () => ({}),
    'GET /api/projects/p/log': () => log,
  });
  render(
    <Notices>
      <Logbook projectId="p" project="Coast" blocks={[{ id: 'a', name: 'Star' }]} initial={log} />
    </Notices>,
  );
  const field = screen.getByRole('textbox', { name: 'Write it down' }) as HTMLTextAreaElement;
  fireEvent.change(field, { target: { value: 'Iron dry.' } });
  fireEvent.click(screen.getByRole('button', { name: 'Write' }));
  await screen.findByText(/Refused: invalid/);
  expect(field.value).toBe('Iron dry.');
  server.isRefusing = false;
  fireEvent.click(screen.getByRole('button', { name: 'Write' }));
  await waitFor(() => expect(field.value).toBe(''));
  const [first, second] = asked.filter(({ method }) => method === 'POST').map(({ body }) => body);
  expect(second).toEqual(first);
  expect(second).toMatchObject({ kind: 'note', blockId: null, text: 'Iron dry.' });
  fireEvent.click(screen.getByRole('button', { name: 'Take out: Dark cloth runs.' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([{ id: '1', isRemoved: true }, { id: '1', isRemoved: false }])); // prettier-ignore
  const csv = decodeURIComponent(
    screen.getByRole('link', { name: 'These lines as CSV' }).getAttribute('href')!,
  );
  expect(csv).toContain('Dark cloth runs.');
  expect(csv).not.toContain('added makers');
});

test('what is looked at is chosen: about a block, of a kind, by words; a hundred lines at once, the older on asking', () => {
  answering({ 'GET /api/projects/p/log': () => many });
  const many = Array.from({ length: 101 }, (_, i) => entry(`n${i}`, 'note', `Line ${i}.`, i < 2 ? { blockId: i === 0 ? 'a' : 'gone' } : {})); // prettier-ignore
  render(<Logbook projectId="p" project="Coast" blocks={[{ id: 'a', name: 'Star' }]} initial={many} />);
  const shown = () => within(screen.getAllByRole('list').at(-1)!).queryAllByRole('listitem').length;
  const choose = (label: string, choice: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
    fireEvent.click(screen.getByRole('option', { name: choice }));
  };
  expect([screen.getByRole('status').textContent, shown()]).toEqual(['101 lines', 100]);
  fireEvent.click(screen.getByRole('button', { name: '1 older' }));
  expect(shown()).toBe(101);
  expect(screen.getByText(/· note · a block that is gone · Hanna$/)).toBeTruthy();
  // Another choice begins with the newest again.
  choose('About', 'Star');
  expect([screen.getByRole('status').textContent, shown()]).toEqual(['1 line', 1]);
  choose('About', 'everything');
  expect(shown()).toBe(100);
  choose('Show', 'decisions');
  expect(shown()).toBe(0);
  choose('Show', 'everything');
  fireEvent.change(screen.getByRole('textbox', { name: 'Find words' }), { target: { value: 'line 42' } });
  expect(shown()).toBe(1);
  expect(screen.queryByText('Nothing is written yet')).toBeNull();
});

test('a decision on a block is written as one; a picture may be left after all; a refusal of taking out is said', async () => {
  const asked = answering({ 'POST /api/projects/p/log': () => ({}), 'PATCH /api/projects/p/log': () => refused(403, 'forbidden'), 'GET /api/projects/p/log': () => log }); // prettier-ignore
  render(
    <Notices>
      <Logbook projectId="p" project="Coast" blocks={[{ id: 'a', name: 'Star' }]} initial={[]} />
    </Notices>,
  );
  expect(screen.getByText('Nothing is written yet')).toBeTruthy();
  const choose = async (label: string, choice: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
    fireEvent.click(screen.getByRole('option', { name: choice }));
    await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
  };
  await choose('As a', 'decision');
  await choose('On', 'Star');
  const field = screen.getByRole('textbox', { name: 'Write it down' });
  const write = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Write' });
  fireEvent.change(field, { target: { value: '  ' } });
  expect(write().disabled).toBe(true);
  fireEvent.change(screen.getByText('Add a picture').querySelector('input')!, { target: { files: [new File(['abc'], 'so.png')] } }); // prettier-ignore
  expect(screen.getByText('Picture: so.png')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Without it' }));
  fireEvent.change(field, { target: { value: ' Dark side out. ' } });
  fireEvent.click(write());
  await waitFor(() => expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ id: expect.any(String), kind: 'decision', blockId: 'a', text: 'Dark side out.' })); // prettier-ignore
  fireEvent.click(await screen.findByRole('button', { name: 'Take out: Dark cloth runs.' }));
  expect(await screen.findByText(/Refused: forbidden/)).toBeTruthy();
});
