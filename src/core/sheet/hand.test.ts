import { expect, test } from 'vitest';
import type { BlockDocument } from '../block';
import { readBlockDocument, readBlockFile, writeBlockFile } from '../formats';
import { rosette, plannedSheet } from '../testing';
import { changeOrder, takeBack, type BlockSheet, type JoinStep, type OrderPress } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const block: BlockDocument = { format: 'kevlo.block/2', patches: rosette(2) };
const sheetOf = (document: BlockDocument) => plannedSheet(document.patches, SETTINGS, undefined, document);
const joinsOf = ({ steps }: BlockSheet) => steps.filter((step): step is JoinStep => step.kind === 'join');

function changed(document: BlockDocument, kind: OrderPress['kind'], index: number): BlockDocument {
  const sheet = sheetOf(document);
  const stepId = joinsOf(sheet)[index]?.id as string;
  const made = changeOrder(document, sheet, { kind, stepId });
  if ('refused' in made) throw new Error(made.refused);
  return made.document;
}

test('a host pins, forbids and moves joins; the sheet tells what it costs, and each can be taken back', () => {
  let own = changed(block, 'pin', 4);
  own = changed(own, 'apart', 1);
  own = changed(own, 'earlier', 9);
  const { hand } = sheetOf(own).plan;
  expect(hand?.says).toMatch(/^Your order.+ the one with the fewest bends\.$/);
  expect(hand?.wishes.length).toBe(3);
  expect(hand?.wishes.map(({ idle }) => idle)).toEqual([undefined, undefined, undefined]);
  expect(joinsOf(sheetOf(own)).filter(({ pin }) => pin).length).toBe(
    hand?.wishes.filter(({ wish }) => wish === 'pins').length,
  );
  // A file keeps it exactly.
  expect(readBlockFile(writeBlockFile(own))).toEqual(own);
  for (const { wish, index } of [...(hand?.wishes ?? [])].reverse()) own = takeBack(own, { wish, index });
  expect(own).toEqual(block);
});

test('wishes on patches that are gone stay listed with the reason, through further changes too', () => {
  const pinned = changed(block, 'pin', 0);
  const lost = pinned.order?.pins?.[0]?.patches[0];
  const fewer = { ...pinned, patches: pinned.patches.filter(({ id }) => id !== lost) };
  expect(sheetOf(fewer).plan.hand?.wishes[0]?.idle).toContain('no longer in the block');
  const further = changed(fewer, 'apart', 2);
  const wishes = sheetOf(further).plan.hand?.wishes ?? [];
  expect(wishes.map(({ wish, idle }) => [wish, idle !== undefined])).toEqual([
    ['pins', true],
    ['apart', false],
  ]);
  expect(takeBack(further).order).toBeUndefined();
});

test('what cannot be read as an order is refused by its place', () => {
  const wrong = (order: unknown) => () => readBlockDocument({ ...block, order });
  for (const order of [
    { school: 'zigzag' },
    { school: 'best', pins: [{ patches: ['a', 'a'] }] },
    { school: 'best', apart: [[['a']]] },
    { school: 'best', before: 'x' },
    { school: 'best', applique: { papersOut: 'never' } },
  ])
    expect(wrong(order)).toThrow(
      expect.objectContaining({ code: 'block-file', place: { name: expect.stringContaining('order') } }),
    );
});

test('appliqué: papers before or after, and the background cut away behind as a step of its own', () => {
  const [background, ...motif] = rosette(1);
  const patches = [{ ...background!, layer: 0 }, ...motif.map((one) => ({ ...one, layer: 1 }))];
  const steps = (applique?: object) =>
    sheetOf({ ...block, patches, order: { school: 'best', ...(applique ? { applique } : {}) } }).steps.filter(
      ({ kind }) => kind === 'applique',
    );
  // The one patch below all others is a background of cloth: it is cut first.
  expect(steps().map(({ text }) => text)).toEqual([
    expect.stringContaining('Cut the background'),
    expect.stringContaining('take the papers out, pin at once'),
  ]);
  const [, ...after] = steps({ papersOut: 'after' });
  expect(after).toHaveLength(2);
  expect(after[0]?.text).toContain('leave the papers in');
  expect(after[1]?.text).toMatch(/cut the background away.*leaving ¼″.*take the papers out/);
  expect(new Set(after.map(({ id }) => id)).size).toBe(2);
});
