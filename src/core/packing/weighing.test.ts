import fc from 'fast-check';
import { expect, test } from 'vitest';
import { chanceFrom } from '../chance';
import { USUAL_CARD, USUAL_SCALE, countOf, scaleReading, targetOf, weighBag, weighing } from './weighing';

const steady = { resolutionG: 0.1, repeatabilityG: 0.1, driftG: 0, mostG: 2000 };
const even = { gramsPerM2: 200, variesPercent: 0 };

test('by hand: a paper must weigh more than the display’s step and three times the spread of two readings', () => {
  // 0.1 g spread: two readings 0.141 g, three times that 0.424 g. At 200 g/m² that is 2121 mm².
  expect(weighing(2122, even, steady).canTell).toBe(true);
  expect(weighing(2121, even, steady)).toMatchObject({ canTell: false, most: 0 });
  // A display in whole grams cannot see half a gram, however steady it is.
  expect(weighing(2500, even, { ...steady, repeatabilityG: 0.01, resolutionG: 1 }).canTell).toBe(false);
  // 1 g papers that vary by 2 %: (1/6)² − 2·(0.1² + 0.1²/12) = 0.00611 over 0.02² = 0.0004: 15.
  expect(weighing(5000, { ...even, variesPercent: 2 }, steady)).toEqual({
    paperG: 1,
    canTell: true,
    most: 15,
  });
  // No further than the scale bears.
  expect(weighing(5000, even, { ...steady, mostG: 30 }).most).toBe(30);
  expect(targetOf(12, weighing(5000, even, steady))).toEqual({ grams: 12, offG: 0.5 });
});

test('a reading is a count where it lies near one and the count can be trusted', () => {
  const paper = weighing(5000, { ...even, variesPercent: 2 }, steady);
  expect(countOf(12.1, paper)).toMatchObject({ count: 12, isSure: true });
  expect(countOf(12.45, paper)).toMatchObject({ count: 12, isSure: false });
  expect([15, 16].map((grams) => countOf(grams, paper).isSure)).toEqual([true, false]);
  expect(countOf(-0.2, paper)).toMatchObject({ count: 0, isSure: true });
});

test('a whole bag: what is missing is told only where the scale can see it', () => {
  const papers = [{ count: 10, paperG: 2 }, { count: 20, paperG: 0.2 }]; // prettier-ignore
  const bag = (grams: number) => weighBag(grams, papers, even, steady);
  expect(bag(24)).toMatchObject({ targetG: 24, verdict: 'as it should be' });
  expect(bag(22).verdict).toBe('something is missing');
  expect(bag(26.1).verdict).toBe('something is too much');
  // One of the light papers cannot be seen, and that is what it says.
  expect(bag(23.8).verdict).toBe('as it should be');
  expect(bag(24).leastSeenG).toBeGreaterThan(0.2);
});

test('counts that are called trusted are right on a simulated scale, papers varying, in all but a few of a thousand', () => {
  const chance = chanceFrom(7);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const paper = weighing(6000, USUAL_CARD, USUAL_SCALE);
  expect(paper.most).toBeGreaterThan(40);
  let wrong = 0;
  for (let i = 0; i < 2000; i++) {
    const count = 1 + Math.floor(chance() * paper.most);
    let load = 0;
    for (let k = 0; k < count; k++) load += paper.paperG * (1 + (USUAL_CARD.variesPercent / 100) * gauss());
    const grams = scaleReading(load, 0, USUAL_SCALE, chance) - scaleReading(0, 0, USUAL_SCALE, chance);
    const told = countOf(grams, paper);
    if (told.isSure && told.count !== count) wrong += 1;
  }
  expect(wrong).toBeLessThanOrEqual(6);
});

test('a reading is in steps of the display and wanders with time', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 500, noNaN: true }), fc.integer(), (load, seed) => {
      const shown = scaleReading(load, 0, USUAL_SCALE, chanceFrom(seed));
      expect(Math.abs(shown / 0.1 - Math.round(shown / 0.1))).toBeLessThan(1e-6);
      expect(Math.abs(shown - load)).toBeLessThan(6 * 0.05 + 0.1);
    }),
  );
  const quiet = { ...USUAL_SCALE, repeatabilityG: 0 };
  expect(scaleReading(10, 30, quiet, chanceFrom(1))).toBeCloseTo(10.3, 9);
});
