import { act, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { SCHOOLS } from '@/core/assembly';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { changeOrder, type JoinStep, type OrderPress } from '@/core/sheet';
import { Notices } from '@/ui/Notices';
import { answering, sheetOf } from '@/ui/testing';
import { JoinHand } from './JoinHand';
import { useJoinHand } from './useJoinHand';

const document = documentOfRecipe(defaultRecipe('star'));
const sheet = sheetOf(document);
const joins = sheet.steps.filter((step): step is JoinStep => step.kind === 'join');
const patchesOf = ({ left, right }: JoinStep) => left.length + right.length;
const pair = joins.find((step) => patchesOf(step) === 2)!;
const larger = joins.find((step) => patchesOf(step) === 3)!;

const PRESSES: readonly OrderPress[] = [
  { kind: 'pin', stepId: larger.id },
  { kind: 'apart', stepId: larger.id },
  { kind: 'school', stepId: larger.id, school: 'rings' },
  { kind: 'place', stepId: joins[0]!.id, atStepId: joins[2]!.id },
];

test.each(PRESSES)('$kind is done to the block as the server has it', async (press) => {
  const asked = answering({
    'GET /api/projects/p1/blocks/b1/document': () => ({ document, revision: 7 }),
    'PUT /api/projects/p1/blocks/b1/document': () => ({ revision: 8 }),
  });
  const { result } = renderHook(() => useJoinHand('p1', 'b1', sheet), { wrapper: Notices });
  const { kind, stepId, ...more } = press;
  act(() => result.current(kind, stepId, more));
  // It is told once it is made: another change of the block is taken then.
  await screen.findByRole('button', { name: 'Undo' });
  const { document: changed } = changeOrder(document, sheet, press) as { document: object };
  expect(changed).not.toEqual(document);
  expect(asked[1]?.body).toMatchObject({ document: changed, revision: 7 });
});

test('how a unit is made can be chosen where there is more than one way: of three patches, not of two', () => {
  const onPress = vi.fn();
  const { rerender } = render(<JoinHand step={pair} onPress={onPress} />);
  expect(screen.queryByRole('combobox')).toBeNull();
  rerender(<JoinHand step={larger} onPress={onPress} />);
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'How this unit is made' }));
  expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual(['as the whole block', ...Object.values(SCHOOLS).map(({ name }) => name)]);
  fireEvent.click(screen.getByRole('option', { name: SCHOOLS.rings.name }));
  expect(onPress).toHaveBeenLastCalledWith('school', larger.id, { school: 'rings' });
}); // prettier-ignore
