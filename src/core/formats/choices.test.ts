import { expect, test } from 'vitest';
import { BLOCK_FORMAT } from '../block';
import { PAPER_FAMILIES, defaultPaper, isPaper, makePaper, type PaperFamily } from '../catalogue';
import { measurePaper } from '../catalogue';
import { rosette } from '../testing';
import { readBlockDocument } from '.';

const block = { format: BLOCK_FORMAT, patches: rosette(1) };
const [a, b] = block.patches.map(({ id }) => id) as [string, string];
const outline = block.patches[0]!.outline;

test('every choice of order and basting is read back as it was written', () => {
  const whole = {
    ...block,
    order: {
      school: 'rows',
      pins: [{ patches: [a, b], school: 'rings' }],
      apart: [[[a], [b]]],
      before: [[[a], [b]]],
      isBatched: false,
      policy: 'just-in-time',
      applique: { papersOut: 'before', isCutAway: true },
      sewing: { stitchesPerMm: 0.55, usableNeedlefulMm: 300, threadWeight: 80 },
    },
    basting: {
      kinds: [{ outline, convention: 'long-first', method: 'glue' }],
      patches: { [a]: 'clockwise' },
    },
  };
  expect(readBlockDocument(JSON.parse(JSON.stringify(whole)))).toEqual(whole);
});

test.each<[string, object]>([
  ['order.isBatched', { order: { school: 'best', isBatched: 'yes' } }],
  ['order.policy', { order: { school: 'best', policy: 'whenever' } }],
  ['order.pins[0]', { order: { school: 'best', pins: [{ patches: [] }] } }],
  [
    'order.pins[1]',
    { order: { school: 'best', pins: [{ patches: [a] }, { patches: [b], school: 'zigzag' }] } },
  ],
  ['order.pins', { order: { school: 'best', pins: Array.from({ length: 1001 }, () => ({ patches: [a] })) } }],
  ['order.before[0][1]', { order: { school: 'best', before: [[[a], 'b']] } }],
  ['order.apart[0]', { order: { school: 'best', apart: [[[a], [b], [a]]] } }],
  ['order.applique', { order: { school: 'best', applique: { isCutAway: 1 } } }],
  ['order.sewing.threadWeight', { order: { school: 'best', sewing: { threadWeight: 900 } } }],
  ['order.sewing.bendMinutes', { order: { school: 'best', sewing: { bendMinutes: 2 } } }],
  ['order.sewing', { order: { school: 'best', sewing: 10 } }],
  ['order', { order: 'rows' }],
  ['basting', { basting: { kinds: 'all' } }],
  ['basting', { basting: { kinds: [{ outline, convention: 'sideways' }] } }],
  ['basting', { basting: { kinds: [{ outline, method: 'tape' }] } }],
  ['basting', { basting: { patches: { nobody: 'clockwise' } } }],
  ['basting.kinds[0].outline', { basting: { kinds: [{ outline: { corners: [] }, method: 'glue' }] } }],
  ['basting', { basting: [] }],
])('a choice that cannot be read is refused at %s, with how to mend it', (place, wrong) => {
  expect(() => readBlockDocument({ ...block, ...wrong })).toThrow(
    expect.objectContaining({
      code: 'block-file',
      place: { name: place },
      mend: expect.stringMatching(/\.$/),
    }),
  );
});

test('every family begins with a paper that can be made, in inches and in centimetres, and is known again', () => {
  for (const family of Object.keys(PAPER_FAMILIES) as PaperFamily[]) {
    for (const step of [25.4, 25]) {
      const paper = defaultPaper(family, step);
      expect(isPaper(JSON.parse(JSON.stringify(paper)))).toBe(true);
      expect(measurePaper(makePaper(paper)).areaMm2, family).toBeGreaterThan(100);
      for (const { name } of PAPER_FAMILIES[family].fields) {
        const { [name as keyof typeof paper]: _, ...rest } = paper;
        expect(isPaper(rest), `${family} without ${name}`).toBe(false);
        expect(isPaper({ ...paper, [name]: 'wide' })).toBe(false);
      }
    }
  }
  for (const nothing of [null, 7, 'regular', {}, { family: 'toString' }])
    expect(isPaper(nothing)).toBe(false);
});
