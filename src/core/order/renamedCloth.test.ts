import fc from 'fast-check';
import { expect, test } from 'vitest';
import { USUAL_ORDER, lineKey, orderWithCloth, type OrderPlan } from '.';

const cut = (blockId: string, fabric: string) => ({
  blockId,
  fabric,
  name: 'square',
  widthMm: 100,
  lengthMm: 100,
});
const PLAN: OrderPlan = {
  ...USUAL_ORDER,
  topCloths: { border: 'Tar', strips: 'Fog' },
  givenCuts: [cut('a', 'Tar'), cut('a', 'Fog'), cut('b', 'Tar')],
  suppliers: { 'cloth:Tar': 'Mill', 'cloth:Fog': 'Loom', 'papers:Tar': 'Press' },
};

test('what is bought follows a cloth under its new name, and nothing else that is called so', () => {
  const plan = orderWithCloth(PLAN, 'Tar', 'Pitch');
  expect(plan.topCloths).toEqual({ border: 'Pitch', strips: 'Fog' });
  expect(plan.givenCuts).toEqual([cut('a', 'Pitch'), cut('a', 'Fog'), cut('b', 'Pitch')]);
  expect(plan.suppliers).toEqual({ 'cloth:Pitch': 'Mill', 'cloth:Fog': 'Loom', 'papers:Tar': 'Press' });
  expect(plan.figures).toBe(PLAN.figures);
});

test('put together with another cloth, what was said of that one stays; a block is given one cut of it', () => {
  const plan = orderWithCloth(PLAN, 'Tar', 'Fog');
  expect(plan.topCloths).toEqual({ border: 'Fog', strips: 'Fog' });
  expect(plan.givenCuts).toEqual([cut('a', 'Fog'), cut('b', 'Fog')]);
  expect(plan.suppliers).toEqual({ 'cloth:Fog': 'Loom', 'papers:Tar': 'Press' });
});

test('renamed to a free name and back it is the same; a name that nothing has changes nothing', () => {
  const names = fc.constantFrom('Tar', 'Fog', 'Rope');
  const records = fc.dictionary(names.map((name) => lineKey('cloth', name)), fc.nat(9)); // prettier-ignore
  fc.assert(
    fc.property(names, names, records, (border, from, stock) => {
      const plan: OrderPlan = { ...PLAN, topCloths: { border }, stock, stockAt: stock };
      expect(orderWithCloth(orderWithCloth(plan, from, 'New'), 'New', from)).toEqual(plan);
      expect(orderWithCloth(plan, 'Nothing', 'New')).toEqual(plan);
    }),
  );
});
