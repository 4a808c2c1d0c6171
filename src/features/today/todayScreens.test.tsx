import { render, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { FirstHour } from './FirstHour';
import { Today } from './Today';

const blocks = [{ id: 'a', name: 'Star', problems: 0 }, { id: 'b', name: 'Plate', problems: 1 }]; // prettier-ignore
const makers = [
  { id: 'm1', name: 'Ada', hasLink: true, skips: [] },
  { id: 'm2', name: 'Bo', hasLink: true, skips: ['b'] },
];
const kit = (blockId: string, makerId: string, status: string) => ({ blockId, makerId, status, revision: 1 });
const items = () =>
  screen
    .queryAllByRole('listitem')
    .map((item) => [
      within(item).getByRole('link').getAttribute('href'),
      item.querySelector('strong')?.textContent,
    ]);

test('Today lists who is stuck first, then drawings with problems, then bags to pack; a skipped block asks no bag', () => {
  const progress = [{ makerId: 'm2', blockId: 'a', stuckOn: 'Sew 1 to 2' }, { makerId: 'm1', blockId: 'a' }];
  render(<Today projectId="p1" blocks={blocks} makers={makers} kits={[kit('a', 'm1', 'packed'), kit('b', 'm1', 'handed-over')] as never} progress={progress as never} />);
  expect(items()).toEqual([
    ['/p/p1/makers', 'Bo is stuck on Star'],
    ['/p/p1/blocks/b', 'Plate: 1 problem in the drawing'],
    ['/p/p1/bags', 'Star: 1 of 2 bags to pack'],
  ]);
}); // prettier-ignore

test('an empty project is led to its first drawing and its makers; one that is ready wants nothing', () => {
  const { rerender } = render(<Today projectId="p1" blocks={[]} makers={[]} kits={[]} progress={[]} />);
  expect(items()).toEqual([['/p/p1/blocks/new', 'Bring in the first block drawing'], ['/p/p1/makers', 'Add the makers']]);
  rerender(<Today projectId="p1" blocks={[blocks[0]!]} makers={[makers[0]!]} kits={[kit('a', 'm1', 'packed')] as never} progress={[]} />);
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
