import { PLAIN_MAKER } from '@/ui/testing';
import { render, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { EMPTY_CALENDAR, agendaOf } from '@/core/calendar';
import { FirstHour } from './FirstHour';
import { Today } from './Today';

const blocks = [{ id: 'a', name: 'Star', problems: 0 }, { id: 'b', name: 'Plate', problems: 1 }]; // prettier-ignore
const makers = [
  { id: 'm1', name: 'Ada', hasLink: true, skips: [], ...PLAIN_MAKER },
  { id: 'm2', name: 'Bo', hasLink: true, skips: ['b'], ...PLAIN_MAKER },
];
const kit = (blockId: string, makerId: string, status: string) => ({
  blockId,
  makerId,
  status,
  revision: 1,
  packedMark: null,
});
const items = () =>
  screen
    .queryAllByRole('listitem')
    .map((item) => [
      within(item).getByRole('link').getAttribute('href'),
      item.querySelector('strong')?.textContent,
    ]);

const CALM = {
  calendar: EMPTY_CALENDAR,
  agenda: [],
  pace: [],
  short: [],
  today: '2026-03-05',
  unsent: 0,
  missed: [],
  untaught: [],
};
const drop = (id: string, day: string, own: string[]) => ({ kind: 'drop', id, day, title: `Drop ${id}`, blocks: own, isFixed: false }) as const; // prettier-ignore

test('what the next drop asks for and nobody has done is called for two weeks ahead, with the meeting at which it can be shown', () => {
  const meeting = { kind: 'meeting', id: 'm', day: '2026-03-10', title: 'Circle', at: '18:30', minutes: 60, place: '', everyWeeks: 1, times: 1 } as const; // prettier-ignore
  const untaught = [{ skill: 'curve', blockId: 'a', stepId: 'baste-1', steps: 2 }, { skill: 'bend', blockId: 'a', stepId: 'join-3', steps: 1 }]; // prettier-ignore
  const at = (today: string, ...entries: (typeof meeting)[]) => {
    const calendar = { ...EMPTY_CALENDAR, entries: [drop('1', '2026-03-14', ['a']), ...entries] };
    return <Today {...CALM} projectId="p1" blocks={blocks} makers={[]} kits={[]} progress={[]} calendar={calendar} agenda={agendaOf(calendar, [])} today={today} untaught={untaught} />; // prettier-ignore
  };
  const { rerender } = render(at('2026-03-05', meeting));
  expect(screen.getByText('Papers with curved sides (Star, 2 steps), folding papers at a bend (Star, 1 step). Show it at Circle, Tue 10 Mar 2026.')).toBeTruthy(); // prettier-ignore
  expect(items()).toContainEqual(['/p/p1/order/a?step=baste-1', 'Drop 1 asks for what nobody has done yet']);
  rerender(at('2026-03-11', meeting));
  expect(screen.getByText(/There is no meeting before it/)).toBeTruthy();
  rerender(at('2026-02-20', meeting));
  expect(screen.queryByText(/nobody has done yet/)).toBeNull();
});

test('the next drop comes first with its bags and the cloth that is short; later bags are not called for; what was due is said for a week', () => {
  const calendar = { ...EMPTY_CALENDAR, entries: [drop('1', '2026-03-14', ['a']), drop('2', '2026-05-14', ['b'])] };
  const works = blocks.map(({ id, name }) => ({ id, name, minutes: 100, bags: 2, pieces: 40 }));
  const pace = [{ id: 'm1', name: 'Ada', state: 'stalled', reason: 'No entry for 20 days.' }, { id: 'm2', name: 'Bo', state: 'slipping', reason: '' }];
  const at = (today: string, kits: object[] = [], short = ['Madder 0.5 m']) => (
    <Today {...CALM} projectId="p1" blocks={blocks.slice(0, 1)} makers={makers} kits={kits as never} progress={[]} calendar={calendar} agenda={agendaOf(calendar, works)} pace={pace as never} short={short} today={today} />
  );
  const { rerender } = render(at('2026-03-05'));
  expect(items()).toEqual([
    ['/p/p1/bags', 'Drop 1 is in 9 days, Sat 14 Mar 2026'],
    ['/p/p1/cloth', 'Not all is there for Drop 1'],
    ['/p/p1/calendar', 'Ada has not been heard from'],
    ['/p/p1/cloth', 'Order cloth for Drop 1: was due 2 days ago, Tue 3 Mar 2026'],
    ['/p/p1/bags', 'Pack for Drop 1: in 8 days, Fri 13 Mar 2026'],
    ['/p/p1/bags', 'Star: 2 of 2 bags to pack'],
  ]);
  expect(screen.getByText('To buy: Madder 0.5 m.')).toBeTruthy();
  rerender(at('2026-03-11', [kit('a', 'm1', 'packed'), kit('a', 'm2', 'packed')]));
  expect(items().map(([path, what]) => `${path} ${what}`).slice(0, 2)).toEqual(['/p/p1/calendar Drop 1 is in 3 days, Sat 14 Mar 2026', '/p/p1/calendar Ada has not been heard from']);
  expect(screen.queryByText(/was due/)).toBeNull();
  // All that the drop takes is there or on its way: its order is settled.
  rerender(at('2026-03-05', [], []));
  expect(screen.queryByText(/Order cloth for Drop 1/)).toBeNull();
}); // prettier-ignore

test('Today lists who is stuck first, then drawings with problems, then bags to pack; a skipped block asks no bag', () => {
  const progress = [{ makerId: 'm2', blockId: 'a', stuckOn: 'Sew 1 to 2' }, { makerId: 'm1', blockId: 'a' }];
  render(<Today {...CALM} unsent={2} projectId="p1" blocks={blocks} makers={makers} kits={[kit('a', 'm1', 'packed'), kit('b', 'm1', 'handed-over')] as never} progress={progress as never} />);
  expect(items()).toEqual([
    ['/p/p1/calendar', 'Lay out the drops'],
    ['/p/p1/makers', 'Bo is stuck on Star'],
    ['/p/p1/calendar/reminders', '2 reminders could not be sent'],
    ['/p/p1/blocks/b', 'Plate: 1 problem in the drawing'],
    ['/p/p1/bags', 'Star: 1 of 2 bags to pack'],
  ]);
}); // prettier-ignore

test('makers who are stuck at one step are one line, and no more than three are named', () => {
  const at = (stuckOn: string, ...ids: number[]) => ids.map((id) => ({ makerId: `x${id}`, blockId: 'a', stuckOn }));
  const many = [1, 2, 3, 4, 5].map((id) => ({ ...makers[0]!, id: `x${id}`, name: `Maker ${id}` }));
  const show = (progress: object[]) => <Today {...CALM} projectId="p1" blocks={[blocks[0]!]} makers={many} kits={[]} progress={progress as never} />;
  const stuck = () => items().map(([, what]) => what).filter((what) => what?.includes('stuck'));
  const { rerender } = render(show([...at('Sew 1 to 2', 1, 2), ...at('Sew 3 to 4', 3)]));
  expect(stuck()).toEqual(['Maker 1 and Maker 2 are stuck on Star', 'Maker 3 is stuck on Star']);
  rerender(show(at('Sew 1 to 2', 1, 2, 3)));
  expect(stuck()).toEqual(['Maker 1, Maker 2 and Maker 3 are stuck on Star']);
  rerender(show(at('Sew 1 to 2', 1, 2, 3, 4, 5)));
  expect(stuck()).toEqual(['Maker 1, Maker 2, Maker 3 and 2 more are stuck on Star']);
}); // prettier-ignore

test('an empty project is led to its first drawing and its makers; one that is ready wants nothing', () => {
  const { rerender } = render(<Today {...CALM} projectId="p1" blocks={[]} makers={[]} kits={[]} progress={[]} />);
  expect(items()).toEqual([['/p/p1/blocks/new', 'Bring in the first block drawing'], ['/p/p1/makers', 'Add the makers']]);
  rerender(<Today {...CALM} calendar={{ ...EMPTY_CALENDAR, entries: [drop('1', '2026-03-01', ['a'])] }} projectId="p1" blocks={[blocks[0]!]} makers={[makers[0]!]} kits={[kit('a', 'm1', 'packed')] as never} progress={[]} />);
  expect(screen.getByText(/^Nothing wants a decision/)).toBeTruthy();
}); // prettier-ignore

test('the first hour ticks off what is done and is gone when all is', () => {
  const walk = (...[hasBlocks, hasMakers, hasPacked, hasTicks]: boolean[]) => (
    <FirstHour projectId="p1" hasBlocks={hasBlocks!} hasMakers={hasMakers!} hasPacked={hasPacked!} hasTicks={hasTicks!} />
  );
  const { rerender, container } = render(walk(true, false, false, false));
  const done = () => screen.queryAllByText(/: done$/).length;
  expect([done(), screen.getAllByRole('link').length]).toEqual([2, 3]);
  rerender(walk(true, true, false, true));
  expect([done(), screen.getByRole('link').textContent]).toEqual([4, 'Print the pick list and pack the bags']);
  rerender(walk(true, true, true, true));
  expect(container.textContent).toBe('');
}); // prettier-ignore

test('what is to be taught next is said, three at most, each leading to its bench or to its step', () => {
  const missed = ['a', 'b', 'a', 'b'].map((blockId, i) => ({ blockId, what: `thing ${i}`, why: 'Missed 3 of 4 times.', ...(i === 1 ? { path: 'order/b?step=s' } : {}) }));
  render(<Today {...CALM} projectId="p1" blocks={blocks.map((one) => ({ ...one, problems: 0 }))} makers={[]} kits={[]} progress={[]} missed={missed} />);
  expect(items().filter(([, what]) => what?.startsWith('Teach'))).toEqual([
    ['/p/p1/order/a/practice', 'Teach next time, Star: thing 0'],
    ['/p/p1/order/b?step=s', 'Teach next time, Plate: thing 1'],
    ['/p/p1/order/a/practice', 'Teach next time, Star: thing 2'],
  ]);
}); // prettier-ignore
