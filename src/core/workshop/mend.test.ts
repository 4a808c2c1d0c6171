import fc from 'fast-check';
import { expect, test } from 'vitest';
import { BLOCK_FORMAT, analyseBlock, buildSeamGraph, type BlockDocument, type Problem } from '../block';
import { middleOfCorners, shiftBy } from '../geometry';
import { cutGrid, hexagonMosaic, mixedMosaic, partition } from '../testing';
import { movePatches, proposeMend, setLocked } from '.';

const doc = (patches: BlockDocument['patches']): BlockDocument => ({ format: BLOCK_FORMAT, patches });
const problemsOf = ({ patches }: BlockDocument): readonly Problem[] => analyseBlock(patches).problems;
const WHOLE = [hexagonMosaic(12), mixedMosaic(15), partition(120, 90, [{ which: 0, share: 0.5 }, { which: 1, share: 0.4 }, { which: 0, share: 0.6 }])].map(doc); // prettier-ignore
const away = fc.record({ angle: fc.integer({ min: 0, max: 359 }), far: fc.double({ min: 0.3, max: 1.8, noNaN: true }) }); // prettier-ignore

test('a patch that slipped by up to 2 mm fits again after one press, whichever of its problems is pressed', () => {
  fc.assert(
    fc.property(fc.constantFrom(...WHOLE), fc.nat(11), away, (whole, which, { angle, far }) => {
      const index = which % whole.patches.length;
      const slip = shiftBy(far * Math.cos((angle * Math.PI) / 180), far * Math.sin((angle * Math.PI) / 180));
      const slipped = movePatches(whole, [index], slip);
      for (const problem of problemsOf(slipped)) {
        const mend = proposeMend(slipped, problem);
        expect(mend?.label).toMatch(/^Move /);
        expect(problemsOf(mend!.document).length).toBeLessThan(problemsOf(slipped).length);
      }
      const first = problemsOf(slipped)
        .map((problem) => proposeMend(slipped, problem))
        .find(Boolean);
      const now = first?.document ?? slipped;
      expect(problemsOf(now).map(({ message }) => message)).toEqual([]);
      // The patch has gone home, or its neighbours have come to it: all meet as they did.
      expect(buildSeamGraph(now.patches).seams.length).toBe(buildSeamGraph(whole.patches).seams.length);
    }),
    { numRuns: 20 },
  );
});

test('a part of the block that slipped as a whole comes back as a whole', () => {
  fc.assert(
    fc.property(fc.constantFrom(hexagonMosaic(16), cutGrid(4, 4, [0, 1])), fc.constantFrom<'x' | 'y'>('x', 'y'), away, (patches, axis, { angle, far }) => {
      const whole = doc(patches);
      const middle = (index: number) => middleOfCorners(patches[index]!.outline)[axis];
      const all = patches.map((_, index) => middle(index)).sort((a, b) => a - b);
      const half = patches.flatMap((_, index) => (middle(index) > all[Math.floor(all.length / 2)]! - 1 ? [index] : []));
      const slip = shiftBy(far * Math.cos((angle * Math.PI) / 180), far * Math.sin((angle * Math.PI) / 180));
      const slipped = movePatches(whole, half, slip);
      const mends = problemsOf(slipped).slice(0, 8).flatMap((problem) => proposeMend(slipped, problem) ?? []);
      const best = Math.min(...mends.map(({ document }) => problemsOf(document).length));
      expect(best).toBe(0);
      const mended = mends.find(({ document }) => problemsOf(document).length === 0)!;
      expect(mended.label).toMatch(/^Move paper \d+ and the \d+ joined to it/);
      expect(buildSeamGraph(mended.document.patches).seams.length).toBe(buildSeamGraph(patches).seams.length);
      // The smaller part comes to the larger.
      const changed = mended.document.patches.filter((patch, i) => patch !== slipped.patches[i]).length;
      expect(changed).toBeLessThanOrEqual(patches.length / 2);
    }),
    { numRuns: 12 },
  );
}); // prettier-ignore

test('whatever is wrong, a mend never makes anything worse, and what is locked stays where it is', () => {
  const spoil = fc.record({ which: fc.nat(30), corner: fc.nat(5), by: away, isWhole: fc.boolean() });
  fc.assert(
    fc.property(fc.constantFrom(...WHOLE), fc.array(spoil, { minLength: 1, maxLength: 3 }), fc.nat(30), (whole, list, lock) => {
      const locked = lock % whole.patches.length;
      const spoilt = list.reduce((now, { which, corner, by, isWhole }) => {
        const index = which % now.patches.length;
        const { x, y } = shiftBy(8 * by.far * Math.cos(by.angle), 8 * by.far * Math.sin(by.angle));
        return doc(now.patches.map((patch, i) => i !== index ? patch : {
          ...patch,
          outline: { ...patch.outline, corners: patch.outline.corners.map((at, k) => isWhole || k === corner ? { x: at.x + x, y: at.y + y } : at) },
        }));
      }, whole);
      const now = setLocked(spoilt, [locked], true);
      for (const problem of problemsOf(now)) {
        const mend = proposeMend(now, problem);
        if (!mend) continue;
        expect(mend.label).toMatch(/^(Move|Pull|Delete|Appliqué) /);
        expect(problemsOf(mend.document).length).toBeLessThan(problemsOf(now).length);
        const own = mend.document.patches.find(({ id }) => id === now.patches[locked]!.id);
        if (own) expect(own).toEqual(now.patches[locked]);
      }
    }),
    { numRuns: 20 },
  ); // prettier-ignore
});
