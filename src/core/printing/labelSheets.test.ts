import { lookByNumber } from '../cloth';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe } from '../generate';
import { plannedSheet } from '../testing';
import { times } from '../words';
import { LABEL_LIMITS, PAGE_MM, USUAL_LABELS, bagCards, checkLabelSheet, labelSheets, lineHeightMm, linesOf, type BagCardBlock, type BagLabel, type Ink, type LabelSheet } from '.'; // prettier-ignore

const square = { cells: 21, dark: Array.from({ length: 441 }, (_, i) => i % 3 === 0) };
const label = (index: number): BagLabel => ({ block: `Block ${index}`, maker: 'Ann', code: 'ABC-DEF-GHJ', square, lines: Array.from({ length: 30 }, (_, i) => `${i} × hexagon`) }); // prettier-ignore
const cells = (ink: readonly Ink[]) => ink.filter((one) => one.kind === 'cells');

test('labels lie where the packet says, row by row, after those that are used; none lies over another or off the page', () => {
  const { pages } = labelSheets('L', Array.from({ length: 25 }, (_, i) => label(i)), USUAL_LABELS, 23);
  expect(pages.map(({ ink }) => cells(ink).length)).toEqual([1, 24]);
  const figure = (name: keyof LabelSheet, most = LABEL_LIMITS[name].most) => fc.integer({ min: Math.ceil(LABEL_LIMITS[name].least), max: most });
  const sheet = fc.record({ pageWidthMm: fc.constant(210), pageHeightMm: fc.constant(297), rows: figure('rows', 12), columns: figure('columns', 6), labelWidthMm: figure('labelWidthMm', 120), labelHeightMm: figure('labelHeightMm', 120), leftMm: figure('leftMm', 30), topMm: figure('topMm', 30), pitchXMm: figure('pitchXMm', 120), pitchYMm: figure('pitchYMm', 120) });
  fc.assert(
    fc.property(sheet, fc.integer({ min: 1, max: 60 }), (own, count) => {
      try {
        checkLabelSheet(own);
      } catch {
        return;
      }
      const job = labelSheets('L', Array.from({ length: count }, (_, i) => label(i)), own);
      const places = job.pages.flatMap(({ ink }, page) => cells(ink).map((one) => ({ page, ...one })));
      expect(places).toHaveLength(count);
      for (const { at, sideMm } of places) {
        expect([at.x >= 0, at.y >= 0, at.x + sideMm <= 210.1, at.y + sideMm <= 297.1]).toEqual([true, true, true, true]);
        // Each square lies within the label whose place it has.
        const column = (at.x - own.leftMm) % own.pitchXMm;
        expect(column + sideMm).toBeLessThanOrEqual(own.labelWidthMm + 0.1);
      }
      expect(new Set(places.map(({ page, at }) => `${page}/${Math.round(at.x)}/${Math.round(at.y)}`)).size).toBe(count);
    }),
  );
}); // prettier-ignore

test('figures that cannot be are refused with the one that is wrong', () => {
  const wrong = (change: Partial<LabelSheet>) => {
    try {
      checkLabelSheet({ ...USUAL_LABELS, ...change });
    } catch (problem) {
      return (problem as { place?: { name?: string } }).place?.name;
    }
    return undefined;
  };
  expect(wrong({})).toBeUndefined();
  expect(wrong({ pitchXMm: 69.9 })).toBe('pitchXMm');
  expect(wrong({ pitchXMm: 69.96 })).toBeUndefined();
  expect(wrong({ pitchYMm: 35 })).toBe('pitchYMm');
  expect(wrong({ columns: 1, pitchXMm: 30 })).toBeUndefined();
  expect(wrong({ leftMm: 0.2 })).toBe('columns');
  expect(wrong({ topMm: 9.2 })).toBe('rows');
});

test('a maker’s own card bears their name, what they chose and the code of their page', () => {
  const sheet = plannedSheet(documentOfRecipe(defaultRecipe('star')).patches, { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' });
  const inkOf = (maker: NonNullable<BagCardBlock['maker']>) => bagCards('C', [{ name: 'Lighthouse', bag: sheet.bag, sheet, saved: '', maker }], 'inch', 'A4').pages[0]!.ink;
  const wordsOf = (ink: readonly Ink[]) => ink.flatMap((one) => ('text' in one ? [one.text] : [])).join('\n');
  const ink = inkOf({ name: 'Ida', choice: '2 sets', page: square });
  expect(wordsOf(ink)).toContain('Lighthouse, Ida');
  expect(wordsOf(ink)).toContain('As Ida chose: 2 sets.');
  const [code] = ink.filter((one) => one.kind === 'cells');
  expect([code?.cells, code?.dark === square.dark]).toEqual([21, true]);
  // Each cell large enough for a phone, the whole of it on the page.
  expect(code!.sideMm / 45).toBeGreaterThan(0.5);
  expect(code!.at.x + code!.sideMm).toBeLessThan(PAGE_MM.A4[0] - 10);
  const plain = inkOf({ name: 'Ida', choice: '' });
  expect(plain.some(({ kind }) => kind === 'cells') || wordsOf(plain).includes('chose')).toBe(false);
}); // prettier-ignore

test('a bag’s card says all that lies in it, draws each shape, and goes on to another page where there is no room', () => {
  const sheet = plannedSheet(documentOfRecipe(defaultRecipe('beams')).patches, { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' });
  const card = bagCards('C', [{ name: 'Lighthouse', bag: sheet.bag, sheet, saved: 'two hexagons' }], 'inch', 'A4');
  const words = card.pages.flatMap(({ ink }) => ink.flatMap((one) => ('text' in one ? [one.text] : []))).join('\n');
  for (const { name, count, spares } of sheet.bag.papers) expect(words).toContain(times(count + spares, name));
  for (const { fabric } of sheet.bag.fabrics) expect(words).toContain(`${fabric}: `);
  expect(words).toMatch(/wrap \d+ L and \d+ R/);
  expect(words).toContain('save for later blocks: two hexagons');
  expect(card.pages[0]!.ink.some(({ kind }) => kind === 'swatch')).toBe(false);
  const [first] = sheet.bag.fabrics;
  const look = lookByNumber(3);
  const { ink } = bagCards('C', [{ name: 'L', bag: sheet.bag, sheet, saved: '', looks: { [first!.fabric]: look } }], 'inch', 'A4').pages[0]!; // prettier-ignore
  expect(ink.flatMap((one) => (one.kind === 'swatch' ? [one.look] : []))).toEqual([look]);
  const shapes = card.pages[0]!.ink.filter(({ kind }) => kind === 'outline');
  expect(shapes).toHaveLength(sheet.patches.length + sheet.bag.papers.length);
  const [width, height] = PAGE_MM.A4;
  const long = { ...sheet.bag, papers: Array.from({ length: 60 }, () => sheet.bag.papers[0]!) };
  const pages = bagCards('C', [{ name: 'Long', bag: long, sheet, saved: '' }], 'inch', 'A4').pages;
  expect(pages.length).toBeGreaterThan(1);
  for (const { ink } of pages)
    for (const one of ink)
      if ('at' in one) expect([one.at.x >= 0 && one.at.x <= width, one.at.y >= 0 && one.at.y <= height - 5]).toEqual([true, true]);
}); // prettier-ignore

test('nothing of a bag’s card is cut off, however long its papers are named', () => {
  const sheet = plannedSheet(documentOfRecipe(defaultRecipe('beams')).patches, { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' });
  const papers = sheet.bag.papers.map((paper) => ({ ...paper, name: `${paper.name} (marked: stripe and dot and ring), cut from the heavier of the two cards that are in the shop` }));
  const { pages } = bagCards('C', [{ name: 'L', bag: { ...sheet.bag, papers }, sheet, saved: '' }], 'inch', 'Letter');
  for (const { text, sizeMm, widthMm, heightMm } of pages.flatMap(({ ink }) => paragraphs(ink)))
    expect(linesOf(text, sizeMm, widthMm).length * lineHeightMm(sizeMm)).toBeLessThanOrEqual(heightMm);
}); // prettier-ignore

test('what goes on below the drawing or on another page says again what it is, and no heading stands alone at the foot', () => {
  const sheet = plannedSheet(documentOfRecipe(defaultRecipe('star')).patches, { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' });
  const headings = (cloths: number) => {
    const fabrics = Array.from({ length: cloths }, (_, i) => ({ ...sheet.bag.fabrics[0]!, fabric: `Cloth ${i}` }));
    const { pages } = bagCards('C', [{ name: 'L', bag: { ...sheet.bag, fabrics }, sheet, saved: '' }], 'inch', 'A4');
    return pages.map(({ ink }) => ink.flatMap((one) => (one.kind === 'text' && one.sizeMm === 4 ? [one] : [])));
  };
  const said = (cloths: number) => headings(cloths).map((page) => page.map(({ text }) => text));
  expect(said(2)).toEqual([['In the bag', 'Cloth', 'First']]);
  expect(said(12)).toEqual([['In the bag', 'Cloth', 'Cloth, more', 'First']]);
  expect(said(50)).toEqual([['In the bag', 'Cloth', 'Cloth, more'], ['L, more', 'Cloth, more', 'First']]);
  for (let cloths = 1; cloths < 60; cloths++)
    for (const page of headings(cloths)) for (const { at } of page) expect(at.y).toBeLessThan(PAGE_MM.A4[1] - 10 - 10.6);
}); // prettier-ignore

const paragraphs = (ink: readonly Ink[]) =>
  ink.flatMap((one) => (one.kind === 'paragraph' ? [one] : [])).sort((a, b) => a.at.y - b.at.y);

test('lines of a label lie below each other within it, as many as there is room for, and what is left out is counted', () => {
  const of = (lines: number, sheet: Partial<LabelSheet> = {}) => {
    const own = { ...USUAL_LABELS, topMm: 0, ...sheet };
    const [page] = labelSheets('L', [{ ...label(0), lines: label(0).lines.slice(0, lines) }], own).pages;
    const words = paragraphs(page!.ink);
    for (const { at, widthMm, heightMm } of words) expect([at.x >= 0, at.x + widthMm <= own.labelWidthMm, at.y >= 0, at.y + heightMm <= own.labelHeightMm]).toEqual([true, true, true, true]);
    words.slice(1).forEach(({ at }, i) => expect(at.y - words[i]!.at.y).toBeGreaterThan(3));
    return words.map(({ text }) => text).slice(2);
  };
  expect(of(3)).toEqual(['0 × hexagon', '1 × hexagon', '2 × hexagon']);
  const many = of(30);
  expect(many.length).toBeGreaterThanOrEqual(4);
  expect(many.at(-1)).toBe(`and ${30 - (many.length - 1)} more`);
  expect(of(30, { labelHeightMm: 72, pitchYMm: 72, rows: 4 }).length).toBeGreaterThan(2 * many.length);
  expect(of(30, { labelHeightMm: 15, pitchYMm: 15 })).toEqual([]);
}); // prettier-ignore

test('a line of a label that is too long for it goes on below, so that no hand and no cloth is lost', () => {
  const long = Array.from({ length: 9 }, (_, i) => `${i} × 2 1/16″ × 2 3/16″ × 3″ triangle (marked: stripe), wrap 6 L and 6 R`);
  for (const labelHeightMm of [34, 50, 72, 140]) {
    const own = { ...USUAL_LABELS, topMm: 0, labelHeightMm, pitchYMm: labelHeightMm, rows: 2 };
    const [page] = labelSheets('L', [{ ...label(0), lines: long }], own).pages;
    const words = paragraphs(page!.ink).slice(2);
    words.forEach(({ at, text, sizeMm, widthMm, heightMm }, i) => {
      expect(linesOf(text, sizeMm, widthMm).length * lineHeightMm(sizeMm)).toBeLessThanOrEqual(heightMm);
      expect(at.y + heightMm).toBeLessThanOrEqual((words[i + 1]?.at.y ?? labelHeightMm) + 0.1);
    });
    const shown = words.filter(({ text }) => long.includes(text)).length;
    if (shown < 9) expect(words.at(-1)?.text).toBe(`and ${9 - shown} more`);
    expect(shown === 9).toBe(labelHeightMm === 140);
  }
}); // prettier-ignore

test('what a card says never lies on what it says before; a usual block stands on one page, its papers beside the drawing', () => {
  const sheet = plannedSheet(documentOfRecipe(defaultRecipe('beams')).patches, { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' });
  const { pages } = bagCards('C', [{ name: 'Lighthouse', bag: sheet.bag, sheet, saved: 'two hexagons' }], 'inch', 'A4');
  expect(pages).toHaveLength(1);
  const words = paragraphs(pages[0]!.ink);
  words.slice(1).forEach(({ at }, i) => {
    const before = words[i]!;
    const isBeside = at.x + 50 < before.at.x || before.at.x + 50 < at.x;
    if (!isBeside) expect(at.y).toBeGreaterThanOrEqual(before.at.y + before.heightMm - 1.5);
  });
  const papers = words.filter(({ text }) => text.includes('of them spare)'));
  expect(papers.length).toBe(sheet.bag.papers.length);
  for (const { at } of papers) expect([at.x > 100, at.y < 113]).toEqual([true, true]);
}); // prettier-ignore
