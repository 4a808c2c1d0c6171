import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { practiceQuestions } from '@/core/practice';
import { answering, sheetOf, unreachable } from '@/ui/testing';
import { MakerPractice } from './MakerPractice';
import { PracticeStation } from './PracticeStation';

const asks = () => screen.getByRole('heading', { level: 1 }).textContent;
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

beforeEach(() => {
  window.localStorage.clear();
  vi.spyOn(Math, 'random').mockReturnValue(0);
});

/** Answers the question on screen, rightly or not, and tells which it was. */
function answerNow(sheet: ReturnType<typeof sheetOf>, isRight: boolean) {
  const question = practiceQuestions(sheet).find((one) => one.asks === asks())!;
  const { answer } = question;
  if (answer.form === 'tap') {
    for (const patch of isRight ? answer.right : [answer.among.find((one) => !answer.right.includes(one))!])
      fireEvent.click(screen.getByRole('checkbox', { name: new RegExp(`^Paper ${patch + 1},`) }));
    press(/may come out$/);
  } else if (answer.form === 'number') {
    fireEvent.change(screen.getByRole('textbox'), { target: { value: String(answer.right + (isRight ? 0 : 1)) } });
    press('Answer');
  } else {
    const wanted = answer.choices[answer.right]!.text;
    const buttons = within(screen.getByRole('group', { name: 'Answers' })).getAllByRole('button');
    const is = (button: HTMLElement) => button.textContent!.replace(/^\d · /, '') === wanted;
    fireEvent.click(buttons.find((button) => is(button) === isRight)!);
  }
  return question;
} // prettier-ignore

test('a maker answers by touch: at once right or not, with the reason; what they know stays here, the sums go to the host', async () => {
  const asked = answering({ 'POST /api/m/tok/practice': () => ({}) });
  const sheet = sheetOf('star');
  render(<MakerPractice token="tok" makerId="m1" block={{ id: 'b1', name: 'Star', sheet }} />);
  const first = answerNow(sheet, false);
  expect(screen.getByText('✗ Not so.')).toBeTruthy();
  expect(screen.getByText(first.reason)).toBeTruthy();
  press('Next question');
  const second = answerNow(sheet, true);
  expect(second.id).not.toBe(first.id);
  expect(screen.getByText('✓ Right.')).toBeTruthy();
  expect(screen.getByText(/^1 of \d+ known\. This stays on this device\.$/)).toBeTruthy();
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(asked.map(({ body }) => body)).toEqual([
    { answers: [{ blockId: 'b1', question: first.id, isRight: false }] },
    { answers: [{ blockId: 'b1', question: second.id, isRight: true }] },
  ]);
  expect(JSON.stringify(asked)).not.toContain('m1');
});

test('what is missed comes again after three others', () => {
  answering({ 'POST /api/m/tok/practice': () => ({}) });
  const sheet = sheetOf('beams');
  render(<MakerPractice token="tok" makerId="m1" block={{ id: 'b1', name: 'Beams', sheet }} />);
  const missed = answerNow(sheet, false);
  const seen: string[] = [];
  for (let i = 0; i < 4; i++) {
    press('Next question');
    seen.push(asks()!);
    answerNow(sheet, true);
  }
  expect(seen.slice(0, 3)).not.toContain(missed.asks);
  expect(seen[3]).toBe(missed.asks);
});

test('without a connection answers wait on the device, and go when there is one', async () => {
  const sheet = sheetOf('star');
  answering({ 'POST /api/m/tok/practice': unreachable });
  const { unmount } = render(<MakerPractice token="tok" makerId="m1" block={{ id: 'b1', name: 'Star', sheet }} />);
  answerNow(sheet, true);
  press('Next question');
  answerNow(sheet, true);
  unmount();
  const asked = answering({ 'POST /api/m/tok/practice': () => ({}) });
  render(<MakerPractice token="tok" makerId="m1" block={{ id: 'b1', name: 'Star', sheet }} />);
  await waitFor(() => expect(asked).toHaveLength(1));
  expect((asked[0]!.body as { answers: unknown[] }).answers).toHaveLength(2);
  await waitFor(() => expect(window.localStorage.getItem('kevlo-practice-waiting-m1')).toBe('[]'));
}); // prettier-ignore

test('keys: numbers choose, Enter goes on; a class is asked large, without a score, and its answers count', async () => {
  const asked = answering({ 'POST /api/projects/p1/practice': () => ({}) });
  const sheet = sheetOf('star');
  render(<PracticeStation projectId="p1" block={{ id: 'b1', name: 'Star', sheet }} fabrics={[]} counts={[]} />);
  answerNow(sheet, true);
  fireEvent.keyDown(document.body, { key: 'Enter' });
  press('Class view');
  const room = await screen.findByRole('dialog', { name: 'Star, practice for the class' });
  expect(within(room).queryByText(/known\. This stays/)).toBeNull();
  let question = practiceQuestions(sheet).find((one) => one.asks === within(room).getByRole('heading').textContent)!;
  for (let i = 0; i < 12 && question.answer.form !== 'choice'; i++) {
    fireEvent.keyDown(document.body, { key: 'Enter' });
    fireEvent.keyDown(document.body, { key: 'Enter' });
    question = practiceQuestions(sheet).find((one) => one.asks === within(room).getByRole('heading').textContent)!;
  }
  const before = asked.length;
  fireEvent.keyDown(document.body, { key: '9' });
  expect(within(room).queryByText(/^✓|^✗/)).toBeNull();
  fireEvent.keyDown(document.body, { key: '1' });
  expect(within(room).getByText(/^✓|^✗/)).toBeTruthy();
  await waitFor(() => expect(asked).toHaveLength(before + 1));
  expect(asked.at(-1)?.body).toMatchObject({ blockId: 'b1', question: question.id });
}); // prettier-ignore

test('what the group misses is told with its reason and without names; little is not told yet', () => {
  answering({});
  const sheet = sheetOf('star');
  const [one, two] = practiceQuestions(sheet);
  const counts = [
    { question: one!.id, asked: 10, missed: 7 },
    { question: two!.id, asked: 10, missed: 1 },
  ];
  const { rerender } = render(<PracticeStation projectId="p1" block={{ id: 'b1', name: 'Star', sheet }} fabrics={[]} counts={counts} />); // prettier-ignore
  const items = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(items).toEqual([expect.stringContaining('missed 7 of 10 times')]);
  rerender(
    <PracticeStation projectId="p1" block={{ id: 'b1', name: 'Star', sheet }} fabrics={[]} counts={[]} />,
  );
  expect(screen.getByText(/Nothing is missed often yet/)).toBeTruthy();
});

test('whoever comes back is not asked the same question first, and what they know is known still', async () => {
  answering({ 'POST /api/m/tok/practice': () => ({}) });
  const sheet = sheetOf('star');
  const page = () =>
    render(<MakerPractice token="tok" makerId="m1" block={{ id: 'b1', name: 'Star', sheet }} />);
  const { unmount } = page();
  const first = answerNow(sheet, true);
  expect(asks()).toBe(first.asks);
  unmount();
  page();
  expect(asks()).not.toBe(first.asks);
  expect(screen.getByText(/^1 of \d+ known/)).toBeTruthy();
});
