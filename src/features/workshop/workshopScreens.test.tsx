import { act, fireEvent, renderHook, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { BLOCK_FORMAT } from '@/core/block';
import { makePaper } from '@/core/catalogue';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { hexagonMosaic, rosette, starOfDiamonds } from '@/core/testing';
import { MOST_PATCHES, liveReport } from '@/core/workshop';
import { SQUARES, atWorkshop, key, lefts, press } from './testing/atWorkshop';
import { useWorkshop } from './useWorkshop';

const INCH = makePaper({ family: 'regular', sides: 4, edgeMm: 25.4 });

test('by keys: the arrows go from paper to paper and round, the space bar picks and puts down, and each is said', () => {
  const { shop } = atWorkshop();
  key('ArrowRight');
  expect(shop().said).toMatch(/^Paper 1 \(/);
  key('ArrowLeft');
  expect(shop().said).toMatch(/^Paper 3 \(/);
  key(' ');
  expect([shop().picked, shop().said]).toEqual([[2], 'Paper 3 picked.']);
  key('ArrowDown');
  key('Enter');
  expect(shop().picked).toEqual([0, 2]);
  key('ArrowUp');
  expect(shop().said).toContain(', picked.');
  key(' ');
  expect([shop().picked, shop().said]).toEqual([[0], 'Paper 3 put down.']);
});

test('by keys: Alt and an arrow nudge by a sixteenth, with Shift by ten; nudges of one go are undone at once', () => {
  const { shop } = atWorkshop();
  act(() => shop().pick([1]));
  const [, start = 0] = lefts(shop());
  key('ArrowRight', { altKey: true });
  expect(lefts(shop())[1]).toBeCloseTo(start + 25.4 / 16, 6);
  key('ArrowLeft', { altKey: true, shiftKey: true });
  expect(lefts(shop())[1]).toBeCloseTo(start - (9 * 25.4) / 16, 6);
  key('ArrowUp', { altKey: true });
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
  expect(lefts(shop())[1]).toBeCloseTo(start, 6);
  expect(shop().canUndo).toBe(false);
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true, shiftKey: true });
  expect(lefts(shop())[1]).toBeCloseTo(start - (9 * 25.4) / 16, 6);
});

test('by keys: a paper is taken, an edge chosen, turned to a way that fits, and placed', () => {
  const { shop } = atWorkshop();
  act(() => shop().hold({ name: 'square', outline: INCH }));
  expect(shop().tool).toBe('place');
  key('ArrowRight');
  expect(shop().said).toMatch(/^Edge 1 of 8, on paper \d\.$/);
  key('ArrowLeft');
  expect(shop().said).toMatch(/^Edge 8 of 8/);
  key('Enter');
  expect([shop().patches.length, shop().said]).toEqual([4, 'Paper 4 placed.']);
  expect(shop().patches[3]).toMatchObject({ fabric: 'Beacon', layer: 0 });
  expect(liveReport(shop().document, 'inch').problems).toEqual([]);
});

test('what cannot be placed is said: no paper, no edge, an edge of another length unless it is forced', () => {
  const { shop } = atWorkshop();
  act(() => shop().setTool('place'));
  key('Enter');
  expect(shop().said).toMatch(/Take a paper/);
  act(() => shop().hold({ name: 'other', outline: makePaper({ family: 'regular', sides: 4, edgeMm: 30 }) }));
  key('Enter');
  expect(shop().said).toMatch(/Point at an edge/);
  key('ArrowRight');
  key('Enter');
  expect(shop().said).toMatch(/^No edge .* “Force”/);
  act(() => shop().setForced(true));
  key('Enter');
  expect(shop().patches).toHaveLength(4);
});

test('a block holds so many papers and no more', () => {
  const { result } = renderHook(() =>
    useWorkshop({ format: BLOCK_FORMAT, patches: Array.from({ length: MOST_PATCHES }, (_, i) => ({ ...SQUARES.patches[0]!, id: `s${i}` })) }, 'Beacon', undefined),
  ); // prettier-ignore
  act(() => result.current.place(INCH));
  expect(result.current.patches).toHaveLength(MOST_PATCHES);
  expect(result.current.said).toContain(String(MOST_PATCHES));
});

test('the workshop’s keys: tools, all, group, lock of nothing, out, and nothing while a field has the focus', async () => {
  const { shop, user } = atWorkshop();
  for (const [name, tool] of [['2', 'place'], ['3', 'paint'], ['4', 'centre'], ['1', 'pick']] as const) {
    fireEvent.keyDown(document.body, { key: name });
    expect(shop().tool).toBe(tool);
  } // prettier-ignore
  fireEvent.keyDown(document.body, { key: 'a', ctrlKey: true });
  expect(shop().picked).toEqual([0, 1, 2]);
  fireEvent.keyDown(document.body, { key: 'g', ctrlKey: true });
  expect(new Set(shop().patches.map(({ group }) => group)).size).toBe(1);
  expect(shop().patches[0]?.group).toBeTruthy();
  fireEvent.keyDown(document.body, { key: 'Escape' });
  expect(shop().picked).toEqual([]);
  act(() => shop().pick([1]));
  expect(shop().picked).toEqual([0, 1, 2]);
  fireEvent.keyDown(document.body, { key: 'g', ctrlKey: true, shiftKey: true });
  act(() => shop().pickIds([]));
  act(() => shop().pick([1]));
  expect(shop().picked).toEqual([1]);
  await user.type(screen.getByRole('textbox', { name: 'Another cloth' }), 'x3{Delete}');
  expect([shop().tool, shop().patches.length]).toEqual(['pick', 3]);
  fireEvent.keyDown(document.body, { key: 'Delete' });
  expect(shop().patches).toHaveLength(2);
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
  expect(shop().patches).toHaveLength(3);
  fireEvent.keyDown(document.body, { key: 'y', ctrlKey: true });
  expect(shop().patches).toHaveLength(2);
});

test('turning: what is in the hand goes on to its next way, what is picked turns by 15°, and turning over is its mirror', () => {
  const { shop } = atWorkshop({ format: BLOCK_FORMAT, patches: starOfDiamonds(6) });
  act(() => shop().hold({ name: 'square', outline: INCH }));
  fireEvent.keyDown(document.body, { key: 'r' });
  fireEvent.keyDown(document.body, { key: 'R', shiftKey: true });
  fireEvent.keyDown(document.body, { key: 'r' });
  expect(shop().turn).toBe(1);
  fireEvent.click(press(/^Turn over/));
  expect(shop().isTurnedOver).toBe(true);
  act(() => shop().setTool('pick'));
  act(() => shop().pick([0]));
  const before = shop().patches[0]!.outline.corners;
  const angle = ([a, b]: typeof before) => (Math.atan2(b!.y - a!.y, b!.x - a!.x) * 180) / Math.PI;
  fireEvent.click(press('Turn (R)'));
  expect((angle(shop().patches[0]!.outline.corners) - angle(before) + 360) % 360).toBeCloseTo(15, 6);
  fireEvent.click(press('Turn back 15°'));
  expect(shop().patches[0]!.outline.corners[0]!.x).toBeCloseTo(before[0]!.x, 6);
});

test('picking: the same paper, the same cloth, the next ring, the wedge of so many', () => {
  const mixed = hexagonMosaic(19).map((one, i) => ({ ...one, fabric: i < 5 ? 'Madder' : 'Slate' }));
  const { shop } = atWorkshop({ format: BLOCK_FORMAT, patches: mixed });
  fireEvent.click(press('All'));
  expect(shop().picked).toHaveLength(mixed.length);
  act(() => shop().pick([0]));
  fireEvent.click(press('Same cloth'));
  expect(shop().picked).toEqual([0, 1, 2, 3, 4]);
  fireEvent.click(press('Same paper'));
  expect(shop().picked).toHaveLength(mixed.length);
  const middle = mixed.findIndex((_, i) => liveReport(shop().document, 'inch').neighbours[i]!.length === 6);
  act(() => shop().pick([middle]));
  fireEvent.click(press('Next ring'));
  expect(shop().picked).toHaveLength(6);
});

test('a wedge of a rosette is one of its petals and what lies behind it, whatever is in the middle', async () => {
  const { shop, user } = atWorkshop({ format: BLOCK_FORMAT, patches: rosette(1) });
  act(() => shop().pick([1]));
  fireEvent.click(press('Wedge'));
  expect(shop().picked).toEqual([1]);
  const folds = screen.getByRole('textbox', { name: 'Times in a turn' });
  await user.clear(folds);
  await user.type(folds, '2');
  fireEvent.click(press('Wedge'));
  expect(shop().picked.length).toBeGreaterThanOrEqual(3);
  expect(shop().picked.length).toBeLessThanOrEqual(4);
  for (const [typed, isGood] of [['1', false], ['61', false], ['60', true], ['x', false]] as const) {
    await user.clear(folds);
    await user.type(folds, typed);
    expect(press('Fill by turning').hasAttribute('disabled')).toBe(!isGood);
  } // prettier-ignore
});

test('filling round the centre at a corner makes the star of one diamond, and says what was there already', async () => {
  const [one] = starOfDiamonds(6);
  const { shop } = atWorkshop({ format: BLOCK_FORMAT, patches: [one!] });
  act(() => shop().pick([0]));
  // The star's own middle is one of the corners: go on until the centre lies there.
  const hub = one!.outline.corners.find(({ x, y }) => starOfDiamonds(6).every(({ outline }) => outline.corners.some((c) => Math.hypot(c.x - x, c.y - y) < 0.01)))!; // prettier-ignore
  for (let i = 0; i < 4; i++) {
    fireEvent.click(press('Centre at next corner of the picked'));
    if (Math.hypot(shop().centre!.x - hub.x, shop().centre!.y - hub.y) < 0.01) break;
  }
  fireEvent.click(press('Fill by turning'));
  expect([shop().patches.length, shop().said]).toEqual([6, '5 papers added.']);
  fireEvent.click(press('Fill by turning'));
  expect([shop().patches.length, shop().said]).toEqual([6, '0 papers added; 5 were there already.']);
});

test('layers: over the rest and down again to the lowest, and a free side is left raw or turned under by one press', () => {
  const { shop } = atWorkshop();
  act(() => shop().pick([1]));
  fireEvent.click(press('Lay over the rest'));
  expect(shop().patches.map(({ layer }) => layer)).toEqual([0, 1, 0]);
  fireEvent.click(press('One layer down'));
  expect(shop().patches.map(({ layer }) => layer)).toEqual([0, 0, 0]);
  expect(press('One layer down').hasAttribute('disabled')).toBe(true);
  const side = screen.getAllByRole('button', { name: /^Side \d: / })[0]!;
  const [, number, is] = /^Side (\d): (raw|turned)/.exec(side.textContent)!;
  fireEvent.click(side);
  expect(shop().patches[1]?.edges).toEqual({ [Number(number) - 1]: is === 'raw' ? 'turned' : 'raw' });
  fireEvent.click(press(new RegExp(`^Side ${number}: .*Put back`)));
  expect(shop().patches[1]).not.toHaveProperty('edges');
});

test('locked papers stay: they are not taken out, painted or moved, until they are unlocked', () => {
  const { shop, fabrics } = atWorkshop();
  act(() => shop().pick([1]));
  fireEvent.click(press('Lock'));
  const was = shop().patches[1];
  fireEvent.click(press('Take out'));
  expect([shop().patches.length, shop().said]).toEqual([3, 'What is picked is locked: unlock it first.']);
  key('ArrowRight', { altKey: true });
  expect(shop().patches[1]).toEqual(was);
  fireEvent.click(press('Unlock'));
  fireEvent.click(press('Paint the 1 picked'));
  expect(fabrics()[1]).toBe('Beacon');
});

test('cloth: another one is added and painted with, two in turn keep neighbours apart, one alone cannot be in turn', async () => {
  const { shop, fabrics, user } = atWorkshop();
  await user.type(screen.getByRole('textbox', { name: 'Another cloth' }), '  Moss  ');
  await user.click(screen.getAllByRole('button', { name: 'Add' })[0]!);
  expect([shop().fabric, shop().addedFabrics]).toEqual(['Moss', ['Moss']]);
  expect(screen.getByRole('radio', { name: /Moss/ }).getAttribute('aria-checked')).toBe('true');
  act(() => shop().pick([0]));
  expect(press('In turn with').hasAttribute('disabled')).toBe(true);
  act(() => shop().pick([0, 1, 2]));
  fireEvent.click(press('In turn with'));
  expect(fabrics()[0]).toBe(fabrics()[2]);
  expect(fabrics()[0]).not.toBe(fabrics()[1]);
  expect(new Set(fabrics()).has('Moss')).toBe(true);
}); // prettier-ignore

test('cloth rules: what is against one is told by number with a way to look, and the rule can be dropped', () => {
  const { shop, look } = atWorkshop();
  act(() => shop().pick([0, 1]));
  act(() => shop().paintPicked(['Rust']));
  fireEvent.click(press('No neighbours share, among the picked'));
  const rule = screen.getByRole('alert');
  expect(within(rule).getAllByRole('listitem')).toHaveLength(1);
  expect(rule.textContent).toMatch(/1.*2/);
  fireEvent.click(within(rule).getByRole('button', { name: 'Look' }));
  expect(look).toHaveBeenCalledOnce();
  fireEvent.click(press('The picked share a cloth'));
  expect(shop().document.rules?.map(({ id }) => id)).toEqual(['rule-1', 'rule-2']);
  fireEvent.click(screen.getAllByRole('button', { name: /^Drop the rule/ })[0]!);
  expect(shop().document.rules?.map(({ id }) => id)).toEqual(['rule-2']);
  fireEvent.click(press('The picked alternate'));
  expect(shop().document.rules?.map(({ id }) => id)).toEqual(['rule-2', 'rule-3']);
});

test('papers at hand: those of the block with their count, one of the catalogue by its figures, bad figures at their field', async () => {
  const { shop, user } = atWorkshop();
  fireEvent.click(within(screen.getByRole('group', { name: 'Papers of this block' })).getByRole('button', { name: /square, 3 in the block/ })); // prettier-ignore
  expect(shop().paper?.name).toMatch(/square/);
  const tray = screen.getByRole('textbox', { name: /Edge/ });
  await user.clear(tray);
  await user.type(tray, '2');
  fireEvent.click(press(/^Take 2″/));
  expect(shop().paper?.name).toMatch(/^2″/);
  await user.clear(tray);
  await user.type(tray, 'x');
  expect(screen.queryByRole('button', { name: /^Take 2″/ })).toBeNull();
  expect(tray.getAttribute('aria-invalid')).toBe('true');
});

test('figures: a part is made again with new ones, added beside what is there, and picked as a whole', async () => {
  const { shop, user } = atWorkshop(documentOfRecipe(defaultRecipe('rosette')));
  expect(shop().patches).toHaveLength(19);
  const form = () => screen.getAllByRole('group', { name: /^Figures of the/ });
  const rings = within(form()[0]!).getByRole('textbox', { name: /ring/i });
  await user.clear(rings);
  await user.type(rings, '1');
  fireEvent.click(within(form()[0]!).getByRole('button', { name: 'Make it again' }));
  expect(shop().patches).toHaveLength(7);
  expect(shop().said).toContain('7 papers now');
  const right = Math.max(...shop().patches.flatMap(({ outline }) => outline.corners.map(({ x }) => x)));
  const [, addFigures] = screen.getAllByRole('button', { name: 'Add' });
  fireEvent.click(addFigures!);
  expect(form()).toHaveLength(2);
  const fresh = shop()
    .patches.slice(7)
    .flatMap(({ outline }) => outline.corners.map(({ x }) => x));
  expect(Math.min(...fresh)).toBeCloseTo(right + 25.4, 4);
  expect(new Set(shop().patches.map(({ id }) => id)).size).toBe(shop().patches.length);
  fireEvent.click(within(form()[1]!).getByRole('button', { name: 'Pick its papers' }));
  expect(Math.min(...shop().picked)).toBe(7);
  await user.clear(within(form()[0]!).getByRole('textbox', { name: /ring/i }));
  expect(within(form()[0]!).getByRole('button', { name: 'Make it again' }).hasAttribute('disabled')).toBe(
    true,
  );
});
