import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { Step } from '@/core/sheet';
import { answering } from '@/ui/testing';
import AllSteps from './AllSteps';
import { atPhone, block } from './testing/atPhone';
import type { MakersBlock } from './useMakerBlock';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const WORDS = '/api/m/secret-token/words';
const word = (id: string, by: string | null, text: string, hasImage = false) => ({ id, by, text, hasImage, at: '' }); // prettier-ignore

test('what was said stands in its order, yours and your host’s, with pictures; an empty word is not shown', async () => {
  answering({ 'POST /api/m/secret-token/events': () => ({ upTo: 1 }) });
  const own = block('a', 'star');
  const [first] = own.sheet.steps;
  const trouble = { id: 't', blockId: 'a', stepId: first!.id, symptom: '', state: 'open', at: '', words: [word('w1', null, 'It slips.'), word('w2', null, '', true), word('w3', null, ''), word('w4', 'Hanna', 'Hold it so.')] }; // prettier-ignore
  atPhone([{ ...own, stuck: [first!.id] }], { troubles: [trouble] });
  const said = within(await screen.findByRole('log', { name: 'What was said' }));
  expect(said.getAllByText(/:$/).map(({ textContent }) => textContent)).toEqual([
    'You:',
    'You:',
    'Hanna, your host:',
  ]);
  expect(said.getByRole('img').getAttribute('src')).toBe(`${WORDS.replace('words', 'words/w2')}`);
});

test('a picture alone is something to tell; it goes with the word, and the next word is without it', async () => {
  vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('none')));
  const asked = answering({ 'POST /api/m/secret-token/events': () => ({ upTo: 1 }), [`POST ${WORDS}`]: () => [] });
  atPhone();
  press('I’m stuck');
  const tell = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Tell my host' });
  await screen.findByText('A picture, seen by your host alone:');
  expect(tell().disabled).toBe(true);
  fireEvent.change(screen.getByLabelText(/^A picture, seen by/), { target: { files: [new File(['abc'], 'so.png')] } });
  await screen.findByText('A picture goes with it. Another:');
  expect(tell().disabled).toBe(false);
  fireEvent.click(tell());
  expect(await screen.findByText('A picture, seen by your host alone:')).toBeTruthy();
  await waitFor(() => expect(asked.find(({ path }) => path === WORDS)?.body).toMatchObject({ text: '', image: btoa('abc') }));
  expect(tell().disabled).toBe(true);
}); // prettier-ignore

/** The list of all steps, of which some are done. */
function atSteps(done: readonly number[]) {
  const own = block('a', 'star') as unknown as MakersBlock;
  const { steps } = own.sheet;
  const ids = new Set(done.map((index) => steps[index]?.id));
  const now = { ticks: [] as [string, string][], opened: [] as number[] };
  render(<AllSteps block={own} fabrics={['Ink']} isDone={(id) => ids.has(id)} onTick={(step: Step, kind) => now.ticks.push([step.id, kind])} onOpen={(index) => now.opened.push(index)} />);
  return { steps, now, sheet: own.sheet };
} // prettier-ignore

test('each step stands once, in its order; one that is done can be taken back, one that waits says for which', () => {
  const { steps, now } = atSteps([0]);
  expect(screen.getByText(`1 of ${steps.length} steps done`)).toBeTruthy();
  const looks = screen.getAllByRole('button', { name: /: look$/ });
  expect(looks.map((one) => Number(/\d+/.exec(one.getAttribute('aria-label') ?? '')?.[0]))).toEqual(steps.map((_, i) => i + 1)); // prettier-ignore
  fireEvent.click(looks[2]!);
  expect(now.opened).toEqual([2]);
  press('Step 1: not done after all');
  expect(now.ticks).toEqual([[steps[0]!.id, 'undone']]);
  expect(screen.queryByRole('button', { name: 'Step 1: done' })).toBeNull();
  const last = looks.at(-1)!.closest('li')!;
  expect(within(last).getByText(/^after step \d+$/)).toBeTruthy();
  expect(within(last).queryByRole('button', { name: /done/ })).toBeNull();
});

test('the block small shows what is sewn in its cloth: papers that are only wrapped are faint still', () => {
  const bastes = (steps: readonly Step[]) => steps.flatMap(({ kind }, i) => (kind === 'baste' ? [i] : []));
  const { steps, sheet } = atSteps([]);
  const wrapped = bastes(steps);
  const join = steps.findIndex(({ kind }) => kind === 'join');
  cleanup();
  atSteps([...wrapped, join]);
  const step = steps[join] as Extract<Step, { kind: 'join' }>;
  const sewn = [...new Set([...step.left, ...step.right])];
  expect(screen.getByRole('img', { name: `Block a: ${sewn.length} patches of ${sheet.patches.length} sewn` })).toBeTruthy(); // prettier-ignore
  expect(document.querySelectorAll('[data-sewn=true][opacity="1"]')).toHaveLength(sewn.length);
  expect(document.querySelectorAll('[data-sewn=false][opacity="0.25"]')).toHaveLength(sheet.patches.length - sewn.length); // prettier-ignore
});
