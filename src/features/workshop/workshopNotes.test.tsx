import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { BlockDocument } from '@/core/block';
import { liveReport } from '@/core/workshop';
import { patchNumbers } from '@/ui/patchNumbers';
import { ConflictDialog } from './ConflictDialog';
import { ReportPanel } from './ReportPanel';
import { SavingNote } from './SavingNote';
import { WorkshopSide } from './WorkshopSide';
import { SQUARES, press } from './testing/atWorkshop';

test('the seam report tells counts, problems with a mend, and nearly known papers', () => {
  const slipped: BlockDocument = {
    ...SQUARES,
    patches: SQUARES.patches.map((one, i) =>
      i === 2 ? { ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + 0.8, y })) } } : one,
    ),
  }; // prettier-ignore
  const report = liveReport(slipped, 'inch');
  const [onLook, onMend, onSnap] = [vi.fn(), vi.fn(), vi.fn()];
  const mend = { label: 'Move it 0.8 mm', document: SQUARES };
  const live = {
    report,
    isFresh: false,
    mends: [mend],
    guesses: [{ name: '1″ square', offMm: 0.21, patches: [2] }],
    snap: async () => SQUARES,
  };
  const page = (own: typeof live) => (
    <ReportPanel live={own as never} numbers={patchNumbers(slipped.patches)} system="inch" onLook={onLook} onMend={onMend} onSnap={onSnap} />
  ); // prettier-ignore
  const { rerender } = render(page(live));
  expect(screen.getByText(/problems?, ringed/).textContent).toMatch(
    new RegExp(`^${report.problems.length} `),
  );
  expect(screen.queryByText('All edges fit.')).toBeNull();
  expect(screen.getByText('… being worked out anew')).toBeTruthy();
  expect(screen.getByText(/Paper 3 is a 1″ square, drawn 0.21 mm off/)).toBeTruthy();
  fireEvent.click(press('Move it 0.8 mm'));
  expect(onMend).toHaveBeenCalledWith(mend);
  fireEvent.click(screen.getAllByRole('button', { name: 'Look' })[0]!);
  expect(onLook).toHaveBeenCalledWith(report.problems[0]?.at);
  rerender(page({ ...live, report: liveReport(SQUARES, 'inch'), isFresh: true, mends: [], guesses: [] }));
  expect(screen.getByText('All edges fit.')).toBeTruthy();
  expect(screen.getByText('3, of 1 kind')).toBeTruthy();
});

test('two who changed the same are asked whose stays; mine stays unless theirs is taken', () => {
  const [onKeep, onTake] = [vi.fn(), vi.fn()];
  const merged = { document: SQUARES, withTheirs: { ...SQUARES, rules: [] }, theirChanges: 1, conflicts: [{ patch: 's2', what: 'cloth' }] };
  const { rerender } = render(<ConflictDialog merged={undefined} onKeep={onKeep} onTake={onTake} />);
  expect(screen.queryByRole('dialog')).toBeNull();
  rerender(<ConflictDialog merged={merged as never} onKeep={onKeep} onTake={onTake} />);
  expect(screen.getByText('s2: cloth')).toBeTruthy();
  fireEvent.click(press('Keep mine'));
  expect([onKeep.mock.calls.length, onTake.mock.calls.length]).toEqual([1, 0]);
  fireEvent.click(press('Take theirs'));
  expect(onTake).toHaveBeenCalledWith(merged.withTheirs);
}); // prettier-ignore

test('whether it is saved is said, and where not, why and how to try again', () => {
  const again = vi.fn();
  const { rerender } = render(<SavingNote state={{ kind: 'saved' }} onAgain={again} />);
  expect(screen.getByRole('status').textContent).toBe('Saved');
  const error = { status: 0, what: 'The server cannot be reached.', mend: 'Check the connection.' } as never;
  rerender(<SavingNote state={{ kind: 'failed', error }} onAgain={again} />);
  expect(screen.getByRole('status').textContent).toContain(
    'kept on this device: The server cannot be reached. Check',
  );
  fireEvent.click(press('Try now'));
  expect(again).toHaveBeenCalledOnce();
});

test('beside the board the seams are told first; cloth, arranging and figures behind their tabs', () => {
  const shop = { document: SQUARES, patches: SQUARES.patches, picked: [], edit: vi.fn(), setSaid: vi.fn() };
  const report = liveReport(SQUARES, 'inch');
  const live = { report, isFresh: true, mends: [], guesses: [], snap: async () => SQUARES };
  render(<WorkshopSide shop={shop as never} live={live as never} numbers={patchNumbers(SQUARES.patches)} fabrics={['Beacon']} system="inch" onLook={vi.fn()} />); // prettier-ignore
  expect(screen.getAllByRole('tab').map(({ textContent }) => textContent)).toEqual(['Seams', 'Cloth', 'Arrange', 'Figures']);
  expect(screen.getByRole('tab', { selected: true }).textContent).toBe('Seams');
  expect(screen.getByRole('tabpanel', { name: 'Seams' }).textContent).toContain('All edges fit.');
}); // prettier-ignore
