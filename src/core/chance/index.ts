/** Numbers from 0 up to 1, the same for the same seed. */
export type Chance = () => number;

/** A small generator of even numbers (Mulberry32): good enough to try places with, and repeatable. */
export function chanceFrom(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
