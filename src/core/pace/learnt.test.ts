import { expect, test } from 'vitest';
import { chanceFrom } from '../chance';
import { learntStandards, type TimedWork } from '.';

const timed = (maker: string, times: number, work = 'join'): TimedWork => ({ maker, work, standard: 10, minutes: 10 * times }); // prettier-ignore

test('few timings change a standard little, many makers much; one who times everything is one maker', () => {
  const [one] = learntStandards([timed('a', 0.5)]);
  // ln 0.5 weighed 1 ÷ 0.25 against 1 ÷ 0.0625 of what is believed before: a fifth of it.
  expect(one).toMatchObject({ work: 'join', timed: 1, makers: 1 });
  expect(one!.times).toBeCloseTo(0.5 ** 0.2, 9);
  expect(Math.log(one!.most / one!.times)).toBeCloseTo(1.2816 / Math.sqrt(20), 9);
  const often = learntStandards(Array.from({ length: 200 }, () => timed('a', 0.5)))[0]!;
  const many = learntStandards(Array.from({ length: 200 }, (_, maker) => timed(`${maker}`, 0.5)))[0]!;
  expect(often.times).toBeGreaterThan(0.7);
  expect(many.times).toBeCloseTo(0.5, 1);
  expect(many.most - many.least).toBeLessThan(often.most - often.least);
});

test('works are told apart; a clock that ran all night and a press by mistake teach nothing', () => {
  const found = learntStandards([timed('a', 2), timed('a', 60), timed('b', 0.01), timed('b', 0.5, 'glue')]);
  expect(found.map(({ work, timed: count }) => [work, count])).toEqual([
    ['glue', 1],
    ['join', 1],
  ]);
  expect(learntStandards([timed('a', 60)])).toEqual([]);
  // A clock that ran for eight standards was forgotten, and so was one for an eighth.
  expect(learntStandards([timed('a', 8), timed('a', 1 / 8)])).toEqual([]);
  expect(learntStandards([timed('a', 7.9), timed('a', 1 / 7.9)])).toMatchObject([{ timed: 2 }]);
});

test('of many groups the truth lies between the two figures in about eight of ten', () => {
  const chance = chanceFrom(7);
  const normal = () => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  let held = 0;
  for (let group = 0; group < 400; group++) {
    const truth = 0.25 * normal();
    const makers = Array.from({ length: 2 + (group % 6) }, (_, maker) => ({ maker, own: truth + 0.3 * normal() })); // prettier-ignore
    const all = makers.flatMap(({ maker, own }) => [1, 2, 3].map(() => timed(`${maker}`, Math.exp(own + 0.4 * normal())))); // prettier-ignore
    const [found] = learntStandards(all);
    if (found!.least <= Math.exp(truth) && Math.exp(truth) <= found!.most) held++;
  }
  expect(held / 400).toBeGreaterThan(0.73);
  expect(held / 400).toBeLessThan(0.87);
});
