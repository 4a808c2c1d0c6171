import { expect, test } from 'vitest';
import { defaultRecipe, generate } from '../generate';
import { boxOf, locate } from '../geometry';
import { batchesOf, numbersOf } from '../sheet';
import { patch, rosette, plannedSheet } from '../testing';
import { PAGE_MM, type Ink } from './ink';
import { lineHeightMm, linesOf } from './lines';
import { numberStickers } from './numberStickers';
import { stepCards } from './stepCards';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const inkOf = (patches: Parameters<typeof plannedSheet>[0]) =>
  stepCards('Block', plannedSheet(patches, SETTINGS), 'A4').pages.flatMap(({ ink }) => ink);
const dotted = (ink: readonly Ink[], strokeMm: number) =>
  ink.filter((one) => one.kind === 'line' && one.strokeMm === strokeMm && one.dashMm?.[0] === 0.1);

test('a card of basting numbers the folds, and a side that stays raw is dotted and has no number', () => {
  const square = patch(1, [[0, 0], [30, 0], [30, 30], [0, 30]]); // prettier-ignore
  const folds = (edges?: Record<number, 'raw'>) => {
    const ink = inkOf([edges ? { ...square, edges } : square]);
    const numbers = ink.flatMap((one) => (one.kind === 'text' && one.sizeMm === 2.8 ? [one.text] : []));
    return { numbers: numbers.sort(), dotted: dotted(ink, 0.5).length };
  };
  expect(folds()).toEqual({ numbers: ['1', '2', '3', '4'], dotted: 0 });
  // Once among the pieces, once on the paper.
  expect(folds({ 2: 'raw' })).toEqual({ numbers: ['1', '2', '3'], dotted: 2 });
});

test('fold numbers run round the paper as the words say, whichever way it is folded, clear of each other and of the pieces', () => {
  for (const kind of ['rosette', 'star', 'grid', 'beams'] as const)
    for (const convention of ['clockwise', 'counter-clockwise'] as const) {
      const patches = generate(defaultRecipe(kind));
      const { kinds } = plannedSheet(patches, SETTINGS);
      const basting = { kinds: kinds.map(({ outline }) => ({ outline, convention })) };
      const sheet = plannedSheet(patches, SETTINGS, undefined, { basting });
      const [first] = stepCards('Block', sheet, 'A4').pages;
      sheet.steps.slice(0, 6).forEach((step, index) => {
        if (step.kind !== 'baste') return;
        const way = /as they are numbered \((\w+)\)/.exec(step.text)?.[1];
        const middle = PAGE_MM.A4[0] / 2;
        const own = first!.ink.flatMap((one) => {
          if (one.kind !== 'text') return [];
          const [column, row] = [one.at.x < middle ? 0 : 1, Math.floor((one.at.y - 10) / ((PAGE_MM.A4[1] - 20) / 3))]; // prettier-ignore
          return column + 2 * row === index ? [one] : [];
        });
        const numbers = own.filter(({ sizeMm }) => sizeMm === 2.8).sort((a, b) => Number(a.text) - Number(b.text)); // prettier-ignore
        const area = numbers.reduce((sum, { at }, i) => {
          const next = numbers[(i + 1) % numbers.length]!.at;
          return sum + at.x * next.y - at.y * next.x;
        }, 0);
        expect(area > 0 ? 'clockwise' : 'anticlockwise').toBe(way);
        for (const { at } of numbers)
          for (const other of own)
            if (other.at !== at)
              expect(Math.hypot(other.at.x - at.x, other.at.y - at.y)).toBeGreaterThan(2.8);
        // However thin the paper, no side runs through a number.
        const sides = first!.ink.flatMap((one) => (one.kind === 'line' && one.strokeMm === 0.2 ? [one] : []));
        for (const { at } of numbers)
          for (const { from: a, to: b } of sides)
            expect(locate({ a, b, bulge: 0 }, { x: at.x, y: at.y - 1 }).off).toBeGreaterThan(1.5);
      });
    }
});

test('nothing that is to be done is cut off: long words take room from the picture, then smaller letters, then another card', () => {
  const patches = generate(defaultRecipe('framed-diamond'));
  const plain = plannedSheet(patches, SETTINGS);
  const basting = { kinds: plain.kinds.map(({ outline }) => ({ outline, method: 'starch' as const })) };
  const note = Array.from({ length: 260 }, (_, i) => `word${i}`).join(' ');
  const { steps, ...sheet } = plannedSheet(patches, SETTINGS, undefined, { basting });
  const noted = { ...sheet, steps: steps.map((step, i) => (i === 1 ? { ...step, hostNote: note } : step)) };
  const { pages, heightMm } = stepCards('Block', noted, 'Letter');
  const cards = pages.flatMap(({ ink }) => {
    const own = new Map<string, Ink[]>();
    for (const one of ink) {
      const corner = one.kind === 'outline' ? one.outline.corners[0]! : 'at' in one ? one.at : one.from;
      const place = `${Math.floor((corner.y - 9.99) / ((heightMm - 20) / 3))} ${corner.x < PAGE_MM.Letter[0] / 2 ? 0 : 1}`;
      own.set(place, [...(own.get(place) ?? []), one]);
    }
    return [...own.values()];
  });
  const said = cards.map((ink) => ink.flatMap((one) => (one.kind === 'paragraph' ? [one] : []))[0]!);
  const sizes = new Set<number>();
  said.forEach(({ text, sizeMm, widthMm, heightMm: high, at }, i) => {
    expect(linesOf(text, sizeMm, widthMm).length * lineHeightMm(sizeMm)).toBeLessThanOrEqual(high);
    sizes.add(sizeMm);
    const rowAt = (y: number) => Math.floor((y - 10) / ((heightMm - 20) / 3));
    expect(rowAt(at.y + high)).toBe(rowAt(at.y));
    const drawn = cards[i]!.flatMap((one) => (one.kind === 'outline' && !one.dashMm ? one.outline.corners : one.kind === 'line' ? [one.from, one.to] : []));
    expect(drawn.every(({ y }) => y < at.y)).toBe(true);
  });
  expect([...sizes].sort()).toEqual([2.4, 2.9]);
  const heads = cards.map((ink) => ink.flatMap((one) => (one.kind === 'text' && one.sizeMm === 3.2 ? [one.text] : []))[0]!);
  const of = (number: number) => said.filter((_, i) => heads[i]!.includes(`  ${number} of `)).map(({ text }) => text);
  expect([of(1), of(3)]).toEqual([[steps[0]!.text], [steps[2]!.text]]);
  expect(of(2)).toHaveLength(3);
  expect(of(2).join(' ')).toBe(`${steps[1]!.text} Note: ${note}`);
  expect(heads.slice(1, 3)).toEqual([expect.stringMatching(/· {2}2 of \d+ {2}· {2}about/), expect.stringMatching(/· {2}2 of \d+ {2}· {2}more$/)]);
}); // prettier-ignore

test('a paper of curves alone is pleated: no side of it has a number', () => {
  const disc = { ...patch(1, []), outline: { corners: [{ x: 0, y: 0 }, { x: 60, y: 0 }], bulges: [1, 1] } }; // prettier-ignore
  expect(inkOf([disc]).filter((one) => one.kind === 'text' && one.sizeMm === 2.8)).toEqual([]);
});

test('of a batch one paper carries the numbers; every slide of the thread is dotted on its card', () => {
  const patches = rosette(2);
  const ink = inkOf(patches);
  const { steps } = plannedSheet(patches, SETTINGS);
  const numbered = steps.filter(({ kind }) => kind === 'baste').length;
  expect(ink.filter((one) => one.kind === 'text' && one.sizeMm === 2.8)).toHaveLength(6 * numbered);
  const slides = steps.flatMap((step) =>
    step.kind === 'join' ? step.chains.flatMap((run) => run.slides) : [],
  );
  expect(slides.length).toBeGreaterThan(5);
  expect(dotted(ink, 0.5)).toHaveLength(slides.length);
});

test('a thread that goes on begins with a ring, a new one with a dot', () => {
  const joins = plannedSheet(generate(defaultRecipe('star')), SETTINGS).steps.flatMap((step) => (step.kind === 'join' ? step.chains : []));
  const starts = inkOf(generate(defaultRecipe('star'))).filter((one) => one.kind === 'dot' && one.radiusMm === 1.3);
  expect(starts.map((one) => one.kind === 'dot' && one.isFilled)).toEqual(joins.map(({ carriesOn }) => !carriesOn));
}); // prettier-ignore

test('like units have one card with a box for each, and the numbers of the others', () => {
  const patches = generate(defaultRecipe('disc'));
  const sheet = plannedSheet(patches, SETTINGS, undefined, { order: { school: 'best', isBatched: true } });
  const { from, count, name } = batchesOf(sheet.steps).find(({ size }) => size === 1)!;
  const ink = stepCards('Block', sheet, 'A4').pages.flatMap((page) => page.ink);
  const texts = ink.flatMap((one) => (one.kind === 'text' || one.kind === 'paragraph' ? [one.text] : []));
  expect(texts.filter((text) => text.includes(`${name}: ${count} to make`))).toHaveLength(1);
  const [words] = texts.filter((text) => text.includes(`Make ${count} so.`));
  for (const step of sheet.steps.slice(from + 1, from + count)) {
    const [left, right] = step.kind === 'join' ? [step.left, step.right].map(numbersOf) : [];
    expect(words).toContain(`${right} to ${left}`);
  }
  expect(words).not.toContain(`1 of ${count}`);
  const boxes = ink.filter((one) => one.kind === 'outline' && one.strokeMm === 0.2 && boxOf(one.outline).maxX - boxOf(one.outline).minX === 3); // prettier-ignore
  expect(boxes.length).toBe(batchesOf(sheet.steps).reduce((sum, batch) => sum + batch.count * batch.size, 0));
});

test('every paper has its sticker once, with its hand, under the step that wraps it, within the page', () => {
  for (const kind of ['beams', 'grid', 'framed-diamond'] as const)
    for (const size of ['A4', 'Letter'] as const) {
      const sheet = plannedSheet(generate(defaultRecipe(kind)), SETTINGS);
      const { pages } = numberStickers('Block', sheet, size);
      const texts = pages.flatMap(({ ink }) => ink.flatMap((one) => (one.kind === 'text' && one.align === 'centre' ? [one.text] : []))); // prettier-ignore
      const wanted = sheet.patches.map(({ hand }, i) => `${i + 1}${hand === 'none' ? '' : ` ${hand}`}`);
      expect(texts.sort()).toEqual(wanted.sort());
      const [width, height] = PAGE_MM[size];
      for (const { ink } of pages)
        for (const one of ink)
          if (one.kind === 'dot') {
            expect(Math.min(one.at.x, one.at.y, width - one.at.x, height - one.at.y)).toBeGreaterThan(10 + one.radiusMm - 0.01); // prettier-ignore
            for (const other of ink)
              if (other.kind === 'dot' && other !== one)
                expect(Math.hypot(other.at.x - one.at.x, other.at.y - one.at.y)).toBeGreaterThan(2 * one.radiusMm); // prettier-ignore
          }
    }
});
