import type postgres from 'postgres';
import { packingLines } from '@/core/packing';
import { actOnBag, listPacking } from './bags';
import { listBlocks } from './blocks';
import { clothLooks, clothShelf, setClothPicture, setShelf } from './cloth';
import { INCH } from './demoData';
import { beaconPicture } from './demoPicture';
import { listMakers } from './makers';
import { countPapersIn, placeOrder, readKeptOrder, saveOrder } from './orders';
import type { Access } from './projects';

/** Bolts of the made-up shop: priced by the yard, some in stock; the beacon print has one way up. One cloth nobody has said yet. */
export async function fillShelf(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const blocks = await listBlocks(sql, access.project);
  const used = new Set(blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric)));
  await clothLooks(sql, access.project, [...used]);
  const shelf = await clothShelf(sql, access.project);
  for (const [index, cloth] of shelf.slice(0, -1).entries()) {
    if (cloth.revision > 0) continue;
    const yards = index % 3;
    await setShelf(sql, access, {
      ...cloth,
      turns: cloth.name === 'Beacon' ? 'none' : 'any',
      // Two prints have motifs that are worth cutting round.
      ...(cloth.name === 'Beacon'
        ? { repeatWidthMm: 3 * INCH, repeatHeightMm: 4 * INCH, isHalfDrop: true }
        : {}),
      ...(cloth.name === 'Madder' ? { repeatWidthMm: 2.5 * INCH, repeatHeightMm: 2.5 * INCH } : {}),
      // Remnants of one, and one that comes apart at its edges.
      ...(cloth.name === 'Tar'
        ? {
            pieces: [
              { widthMm: 18 * INCH, lengthMm: 22 * INCH },
              { widthMm: 5 * INCH, lengthMm: 42 * INCH },
            ],
          }
        : {}),
      frays: cloth.name === 'Lichen',
      stockMm: yards * 36 * INCH,
      pricePerMetre: Math.round((11.5 + (index % 4)) * 100) / 100,
    });
  }
  if (shelf.some(({ name, pictureAt }) => name === 'Beacon' && pictureAt === undefined))
    await setClothPicture(sql, access, 'Beacon', { image: await beaconPicture() });
}

/** What the shop pays, and a first order that is on its way; a spare set more was wished for after it had gone. */
export async function fillOrders(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const { order: usual, revision } = await readKeptOrder(sql, access.project);
  if (revision > 0) return;
  const figures = { ...usual.figures, spareSets: 1, papersInPack: 100, packPrice: 4.5, spoolPrice: 6.8, taxPercent: 7 }; // prettier-ignore
  const notions = usual.notions.map((notion) => ({ ...notion, price: notion.per === 'maker' ? 3.2 : 5.5 }));
  const topCloths = { strips: 'Fog', cornerstones: 'Madder' };
  const order = { ...usual, currency: 'GBP', figures, notions, topCloths, suppliers: { 'thread:sewing thread': 'Cotton Yard' } }; // prettier-ignore
  await saveOrder(sql, access, { order, revision });
  await placeOrder(sql, access, { name: 'Spring order', revision: revision + 1 });
  await saveOrder(sql, access, { order: { ...order, figures: { ...figures, spareSets: 2 } }, revision: revision + 1 }); // prettier-ignore
}

/** One bag of the drop that is packed now lies half packed on the table. */
export async function beginBag(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  if ((await listPacking(sql, access.project)).some(({ ticks }) => Object.keys(ticks).length > 0)) return;
  const block = (await listBlocks(sql, access.project)).find(({ name }) => name === 'Rope Coil');
  const maker = (await listMakers(sql, access.project)).find(({ name }) => name === 'Suvi Arrowsmith');
  if (!block || !maker) return;
  const [paper] = packingLines(block.sheet.bag, access.project.unitSystem);
  const bag = { blockId: block.id, makerId: maker.id };
  await actOnBag(sql, access, { ...bag, kind: 'tick', ticks: paper ? { [paper.key]: { count: 10, at: Date.now() } } : {} }); // prettier-ignore
  await actOnBag(sql, access, { ...bag, kind: 'leave' });
  await packOtherwise(sql, access);
}

/** In one packed bag another cloth lies in place of its own; papers that came back were counted in. */
async function packOtherwise(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const [packed] = (await listPacking(sql, access.project)).filter(({ status }) => status === 'packed');
  const block = (await listBlocks(sql, access.project)).find(({ id }) => id === packed?.blockId);
  const line = packingLines(block?.sheet.bag ?? { papers: [], fabrics: [], extras: [] }, access.project.unitSystem).find(({ group }) => group === 'cloth'); // prettier-ignore
  if (!packed || !block || !line) return;
  const instead = { count: line.count, at: Date.now(), instead: 'Slate, of the same size' };
  await actOnBag(sql, access, { blockId: packed.blockId, makerId: packed.makerId, kind: 'tick', ticks: { [line.key]: instead } }); // prettier-ignore
  await actOnBag(sql, access, { blockId: packed.blockId, makerId: packed.makerId, kind: 'leave' });
  const paper = block.sheet.bag.papers[0]?.name;
  if (paper !== undefined) await countPapersIn(sql, access, { [paper]: 60 }, 1);
}
