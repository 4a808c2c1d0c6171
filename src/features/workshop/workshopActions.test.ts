import { expect, test } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { distance } from '@/core/geometry';
import { makePaper } from '@/core/catalogue';
import { cutGrid, rosette } from '@/core/testing';
import { middleOf } from './boardMiddle';
import { paintActions, pickedActions, type Hands } from './workshopActions';

/** Hands at a board that remembers what was done and said. */
function atBoard(patches: BlockDocument['patches'], picked: readonly number[], more: Partial<Hands> = {}) {
  const told: { said: string[]; labels: string[]; picked: string[] } = { said: [], labels: [], picked: [] };
  let document: BlockDocument = { format: BLOCK_FORMAT, patches };
  const hands: Hands = {
    patches,
    picked,
    paper: undefined,
    turn: 0,
    isTurnedOver: false,
    fabric: 'Beacon',
    centre: undefined,
    edit: (change, label) => {
      document = change(document);
      told.labels.push(label);
    },
    pickIds: (ids) => told.picked.push(...ids),
    setSaid: (text) => told.said.push(text),
    ...more,
  };
  return { ...paintActions(hands), ...pickedActions(hands), told, after: () => document.patches };
}

const squares = cutGrid(3, 1, [0]);

test('one paper is painted in the cloth in hand; a locked one is not, and that is said', () => {
  const own = atBoard(squares, []);
  own.paintOne(1);
  expect(own.after().map(({ fabric }) => fabric === 'Beacon')).toEqual([false, true, false]);
  expect(own.told.said).toEqual(['Paper 2 is in Beacon now.']);
  const locked = squares.map((one, i) => (i === 1 ? { ...one, isLocked: true } : one));
  const refused = atBoard(locked, []);
  refused.paintOne(1);
  expect(refused.after()).toEqual(locked);
  expect(refused.told.said).toEqual(['Paper 2 is locked: unlock it first.']);
});

test('what is picked is painted in turn by its own turns, whatever its numbers are', () => {
  const own = atBoard(squares, [0, 2]);
  own.paintTurns([1, 0], ['Fog', 'Tar']);
  expect([0, 2].map((index) => own.after()[index]?.fabric)).toEqual(['Tar', 'Fog']);
  expect(own.after()[1]?.fabric).toBe(squares[1]?.fabric);
  own.paintPicked(['Woad']);
  expect([0, 2].map((index) => own.after()[index]?.fabric)).toEqual(['Woad', 'Woad']);
  expect(own.told.said.at(-1)).toBe('2 papers painted.');
});

test('taking out leaves what is locked, and says why nothing happens', () => {
  const locked = squares.map((one, i) => (i === 0 ? { ...one, isLocked: true } : one));
  const own = atBoard(locked, [0, 1]);
  own.remove();
  expect(own.after().map(({ id }) => id)).toEqual([squares[0]?.id, squares[2]?.id]);
  expect(own.told.said).toEqual(['1 paper taken out; undo puts them back.']);
  const none = atBoard(locked, [0]);
  none.remove();
  expect([none.after().length, none.told.said]).toEqual([3, ['What is picked is locked: unlock it first.']]);
  const empty = atBoard(squares, []);
  empty.remove();
  expect(empty.told.said).toEqual(['Nothing is picked.']);
});

test('a copy is laid beside what is picked, under it where that is taken, and is picked then', () => {
  const own = atBoard(squares, [2]);
  own.copy();
  expect(own.after()).toHaveLength(4);
  const [from, to] = [middleOf(own.after(), [2]), middleOf(own.after(), [3])];
  expect([to.x - from.x, to.y - from.y]).toEqual([expect.closeTo(25.4, 6), expect.closeTo(0, 9)]);
  expect(own.told.picked).toEqual([own.after()[3]?.id]);
  const taken = atBoard(squares, [0]);
  taken.copy();
  const below = middleOf(taken.after(), [3]);
  expect(below.y - middleOf(squares, [0]).y).toBeCloseTo(2 * 25.4, 6);
});

test('turning goes about the centre that was set, else about the middle of what is picked; nothing picked, nothing turned', () => {
  const about = { x: 100, y: 40 };
  const own = atBoard(squares, [1], { centre: about });
  own.turnPicked(90);
  const [before, after] = [middleOf(squares, [1]), middleOf(own.after(), [1])];
  expect(distance(after, about)).toBeCloseTo(distance(before, about), 9);
  expect(distance(after, before)).toBeCloseTo(Math.SQRT2 * distance(before, about), 9);
  const alone = atBoard(squares, [1]);
  alone.turnPicked(45);
  expect(distance(middleOf(alone.after(), [1]), before)).toBeLessThan(1e-9);
  const none = atBoard(squares, []);
  none.turnPicked(45);
  expect(none.told.labels).toEqual([]);
});

test('filling round says what came and what was there; a ring needs a paper in the hand', () => {
  const [middle, petal] = rosette(1);
  const own = atBoard([middle!, petal!], [1], { centre: middleOf([middle!], [0]) });
  own.fill(6);
  expect(own.after()).toHaveLength(7);
  expect(own.told.said).toEqual(['5 papers added.']);
  // The middle of a whole rosette is the middle of its box; all petals are there already.
  const flower = rosette(1);
  const whole = atBoard(flower, [1], { centre: middleOf(flower, [...flower.keys()]) });
  whole.fill(6);
  expect(whole.after()).toHaveLength(7);
  expect(whole.told.said[0]).toMatch(/^0 papers added; 5 were there already/);
  const bare = atBoard([middle!], []);
  bare.ring();
  expect(bare.told.said).toEqual(['Take a paper from the tray first.']);
  const outline = makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 });
  const ringed = atBoard([middle!], [], { paper: { name: 'hexagon', outline } });
  ringed.ring();
  expect(ringed.after()).toHaveLength(7);
});

test('a group gets a name of its own, and locks and groups are taken off again', () => {
  const grouped = squares.map((one) => ({ ...one, group: 'group1' }));
  const own = atBoard(grouped, [0, 1]);
  own.group();
  const names = own.after().map(({ group }) => group);
  expect(names[0]).toBe(names[1]);
  expect(names[0]).not.toBe('group1');
  expect(names[2]).toBe('group1');
  own.ungroup();
  expect(own.after().map(({ group }) => group)).toEqual([undefined, undefined, 'group1']);
  own.lock(true);
  expect(own.after().map(({ isLocked }) => isLocked === true)).toEqual([true, true, false]);
  own.lock(false);
  expect(own.after().some(({ isLocked }) => isLocked)).toBe(false);
  expect(own.told.labels).toEqual(['Group', 'Ungroup', 'Lock', 'Unlock']);
});
