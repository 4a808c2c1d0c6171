import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import { isRight, type Answer, type Picture, type Question } from '@/core/practice';
import { sheetOf } from '@/ui/testing';
import { PracticeBench } from './PracticeBench';
import type { Given, Practice } from './usePractice';

const SHEET = sheetOf('star');
const BLOCK: Picture = { shows: 'block', upTo: 0, held: [], hidden: [] };

/** The bench with one question; what was answered, and how often it went on. */
function atBench(answer: Answer, picture: Picture = BLOCK) {
  const now = { given: [] as Given[], ons: 0 };
  const question: Question = { id: 'q', kind: 'clash', asks: 'What now?', picture, answer, reason: 'Because.' };
  function Page() {
    const [given, setGiven] = useState<Given | undefined>();
    const practice = {
      questions: [question], question, given, isCorrect: given === undefined ? undefined : isRight(question, given), score: { known: 0, of: 1 },
      answer: (value: Given) => (now.given.push(value), setGiven(value)), goOn: () => (now.ons += 1),
    } as unknown as Practice;
    return <PracticeBench practice={practice} sheet={SHEET} fabrics={['Ink']} />;
  }
  render(<Page />);
  return now;
} // prettier-ignore
const paper = (number: number) => screen.getByRole('checkbox', { name: new RegExp(`^Paper ${number},`) });
const key = (name: string, on: Element = document.body, more = {}) => fireEvent.keyDown(on, { key: name, ...more }); // prettier-ignore
const button = (name: string | RegExp) => screen.getByRole<HTMLButtonElement>('button', { name });

test('papers are tapped by hand and by the space bar, and taken back; Enter gives them; then right is told from wrong', () => {
  const now = atBench({ form: 'tap', right: [0, 2], among: [0, 1, 2] });
  expect(screen.getAllByRole('checkbox')).toHaveLength(3);
  expect(button('None may come out')).toBeTruthy();
  fireEvent.click(paper(1));
  key(' ', paper(2));
  key('x', paper(3));
  expect([1, 2, 3].map((one) => paper(one).getAttribute('aria-checked'))).toEqual(['true', 'true', 'false']);
  fireEvent.click(paper(1));
  fireEvent.click(paper(3));
  expect(button('These 2 may come out')).toBeTruthy();
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) key('Enter', document.body, more);
  key('Enter', button(/may come out/));
  expect(now.given).toEqual([]);
  const strokeOf = (one: number) => paper(one).querySelector('path')!.getAttribute('stroke');
  const [bare, tapped] = [strokeOf(1), strokeOf(2)];
  expect(tapped).not.toBe(bare);
  key('Enter');
  expect(now.given).toEqual([[1, 2]]);
  expect(screen.getByText('✗ Not so.')).toBeTruthy();
  expect([strokeOf(1), strokeOf(2), strokeOf(3)].map((one) => /success|error/.exec(one ?? '')?.[0])).toEqual(['success', 'error', 'success']);
  // What was answered stays.
  fireEvent.click(paper(1));
  key(' ', paper(1));
  expect([paper(1).getAttribute('aria-checked'), paper(1).getAttribute('aria-disabled'), button(/may come out/).disabled]).toEqual(['false', 'true', true]);
  key('Enter', button('Next question'));
  key('ArrowRight');
  key('PageDown');
  key('a');
  expect([now.ons, now.given.length]).toEqual([2, 1]);
}); // prettier-ignore

test('a number is typed: nothing else is taken, Enter answers from the field, figures typed there choose nothing', () => {
  const now = atBench({ form: 'number', right: 12 });
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Papers' });
  for (const text of ['', 'x', '1.5', '-3', '12345']) {
    fireEvent.change(field, { target: { value: text } });
    expect(button('Answer').disabled).toBe(true);
    fireEvent.submit(field.closest('form')!);
  }
  expect(now.given).toEqual([]);
  fireEvent.change(field, { target: { value: ' 12 ' } });
  key('1', field);
  fireEvent.submit(field.closest('form')!);
  expect(now.given).toEqual([12]);
  expect(screen.getByText('✓ Right.')).toBeTruthy();
  expect([field.disabled, button('Answer').disabled]).toEqual([true, true]);
});

test('whoever chooses wrong is told why theirs is not it; the right one stays to be seen', () => {
  const choices = [{ text: 'This', why: 'That one lies the other way.' }, { text: 'That', why: '' }];
  const now = atBench({ form: 'choice', right: 1, choices });
  key('3');
  key('0');
  expect(now.given).toEqual([]);
  key('1');
  expect(now.given).toEqual([0]);
  expect(screen.getByText(/That one lies the other way\./)).toBeTruthy();
  expect([button('1 · This').disabled, button('2 · That').disabled]).toEqual([true, false]);
  expect(button('1 · This').getAttribute('aria-pressed')).toBe('true');
}); // prettier-ignore

test('a picture shows the work so far: what waits is faint, what is held is not, what is asked about is blank', () => {
  const joins = SHEET.steps.findIndex(({ kind }) => kind === 'join');
  const faint = () => document.querySelectorAll('svg g[opacity="0.25"]').length;
  const show = (picture: Partial<Extract<Picture, { shows: 'block' }>>) => {
    cleanup();
    atBench({ form: 'number', right: 1 }, { ...BLOCK, ...picture } as Picture);
  };
  const count = SHEET.patches.length;
  show({ upTo: 0 });
  expect([faint(), screen.getByRole('img').getAttribute('aria-label')]).toEqual([count, `The work so far: 0 of ${count} patches are sewn`]);
  show({ upTo: joins + 1 });
  expect(faint()).toBe(count - 2);
  show({ upTo: SHEET.steps.length });
  expect([faint(), screen.getByRole('img').getAttribute('aria-label')]).toEqual([0, `The work so far: ${count} of ${count} patches are sewn`]);
  show({ upTo: SHEET.steps.length, held: [0, 1, 2] });
  expect(faint()).toBe(count - 3);
  show({ upTo: SHEET.steps.length, hidden: [1] });
  expect(screen.queryByText('2')).toBeNull();
  expect(screen.getByText('3')).toBeTruthy();
}); // prettier-ignore

test('papers by themselves: one from its paper side with the corner asked about, several each turned another way', () => {
  const { outline, foldOrder } = SHEET.patches[0]!;
  atBench({ form: 'number', right: 1 }, { shows: 'papers', papers: [{ outline, foldOrder, corner: 0 }] });
  const own = screen.getByRole('img', { name: 'A paper, its paper side towards you' });
  expect(own.querySelectorAll('circle[r]')).not.toHaveLength(0);
  expect(own.querySelector('g g')?.getAttribute('transform')).toMatch(/^matrix\(-1 0 0 1 /);
  cleanup();
  atBench({ form: 'number', right: 1 }, { shows: 'papers', papers: [{ outline }, { outline }, { outline }] });
  const several = screen.getByRole('img', { name: '3 papers, turned this way and that' });
  expect([...several.querySelectorAll('g[transform^=rotate]')].map((one) => one.getAttribute('transform'))).toEqual(['rotate(0)', 'rotate(140)', 'rotate(255)']);
  expect([...several.querySelectorAll('text')].map((one) => one.textContent)).toEqual(['1', '2', '3']);
}); // prettier-ignore

test('two patches are shown from the back; their tails come with the answer', () => {
  atBench({ form: 'choice', right: 0, choices: [{ text: 'Yes', why: '' }, { text: 'No', why: '' }] }, { shows: 'patches', patches: [0, 1] }); // prettier-ignore
  const before = screen.getByRole('img', { name: 'Patches 1 and 2 from the back, their folds numbered' });
  expect(before.querySelector('g')?.getAttribute('transform')).toMatch(/^matrix\(-1 0 0 1 /);
  key('1');
  expect(screen.getByRole('img', { name: 'Patches 1 and 2 from the back, their folds numbered, with their tails' })).toBeTruthy(); // prettier-ignore
  expect(within(screen.getByRole('group', { name: 'Answers' })).getAllByRole('button')).toHaveLength(2);
});

test('a block without a question says so', () => {
  render(<PracticeBench practice={{ question: undefined, score: { known: 0, of: 0 } } as unknown as Practice} sheet={SHEET} fabrics={[]} />); // prettier-ignore
  expect(screen.getByText(/too small to practise on/)).toBeTruthy();
});
