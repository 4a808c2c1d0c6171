import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { formatThread } from '@/core/length';
import type { Step } from '@/core/sheet';
import Aids from './Aids';
import { block } from './testing/atPhone';
import type { MakersBlock } from './useMakerBlock';

const BLOCK = block('a', 'star') as unknown as MakersBlock;
const { steps } = BLOCK.sheet;
const JOIN = steps.find((one): one is Extract<Step, { kind: 'join' }> => one.kind === 'join')!;

function atAids({ open = steps.map(({ id }) => id), step = steps[0], own = steps }: { open?: readonly string[]; step?: Step | undefined; own?: readonly Step[] } = {}) {
  cleanup();
  render(<Aids makerId="m1" block={{ ...BLOCK, sheet: { ...BLOCK.sheet, steps: own } }} step={step} system="metric" isDone={(id) => !open.includes(id)} />);
} // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

test('what the next hour takes: papers, seams with their thread, and whether it can be done anywhere', () => {
  const items = () => screen.queryAllByRole('listitem').map(({ textContent }) => textContent);
  const [baste] = steps;
  const aside: Step[] = [{ ...JOIN, minutes: 10, lengthMm: 250 }, { ...baste!, id: 'press', kind: 'finish', minutes: 20 } as unknown as Step]; // prettier-ignore
  atAids({ own: aside, open: [JOIN.id, 'press'] });
  expect(screen.getByText(/The next 2 steps, about 30 min/)).toBeTruthy();
  expect(items().at(-1)).toBe('10 min of it can be done anywhere; the rest wants a table and an iron.');
  // All of the block’s seams: all of its thread.
  expect(items()[0]).toBe(
    `250 mm of seams: about ${formatThread(BLOCK.sheet.thread.metres, 'metric')} of thread`,
  );
  atAids({ own: aside, open: ['press'] });
  expect(screen.getByText(/The next step, about 20 min/)).toBeTruthy();
  expect(items()).toEqual(['It wants a table and an iron.']);
  atAids({ own: aside, open: [JOIN.id] });
  expect(items().at(-1)).toBe('All of it can be done anywhere: on a train, in a chair.');
  atAids({ open: [] });
  expect(screen.getByText('Nothing is left to do in this block.')).toBeTruthy();
});

test('a timer counts while it runs and can be stopped and gone on with', () => {
  vi.useFakeTimers({ now: 1_000_000 });
  atAids();
  press('Time this step');
  expect(screen.getByRole('button', { name: 'Stop: 0:00' })).toBeTruthy();
  act(() => void vi.advanceTimersByTime(65_000));
  press('Stop: 1:05');
  act(() => void vi.advanceTimersByTime(60_000));
  press('Go on from 1:05');
  act(() => void vi.advanceTimersByTime(10_000));
  expect(screen.getByRole('button', { name: 'Stop: 1:15' })).toBeTruthy();
});

test('a step is read out slowly with its notes; another step stops the voice; without a voice there is no button', () => {
  atAids({ step: JOIN });
  expect(screen.queryByRole('button', { name: 'Read this step to me' })).toBeNull();
  const voice = { speak: vi.fn(), cancel: vi.fn() };
  vi.stubGlobal('speechSynthesis', voice);
  vi.stubGlobal('SpeechSynthesisUtterance', class { constructor(readonly text: string) {} }); // prettier-ignore
  const step = {
    ...JOIN,
    text: 'Sew one to two.',
    notes: ['Two at once.'],
    hostNote: 'Small stitches.',
  } as Step;
  atAids({ step });
  press('Read this step to me');
  expect(voice.speak.mock.calls[0]?.[0]).toMatchObject({ text: 'Sew one to two. Two at once. Small stitches.', lang: 'en', rate: 0.9 }); // prettier-ignore
  voice.cancel.mockClear();
  cleanup();
  expect(voice.cancel).toHaveBeenCalledOnce();
});

test('larger letters are chosen and put back', () => {
  atAids();
  press('Larger letters');
  expect(localStorage.getItem('kevlo-letters')).toBe('large');
  expect(screen.getByRole('button', { name: 'Letters as usual' }).getAttribute('aria-pressed')).toBe('true');
  press('Letters as usual');
  expect(localStorage.getItem('kevlo-letters')).toBe('usual');
  expect(screen.getByRole('button', { name: 'Larger letters' }).getAttribute('aria-pressed')).toBe('false');
});
