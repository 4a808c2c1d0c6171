import { alikeBags, innerBags, ownInner, sayChoice, sewersOf } from '@/core/bags';
import { dropsOf } from '@/core/calendar';
import { USUAL_BAGGING, extraLines, outerBags, packingLines, placeOfBag } from '@/core/packing';
import { handedOutOrder, readKeptExtras } from '@/server/bags';
import type { TableBag } from '@/features/bags/tableBag';
import { readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { loadBlocks, loadPeople } from '../load';

/** All bags of a project with their lines: in the order of the drops, those of no drop last. */
export async function loadTableBags(projectId: string): Promise<TableBag[]> {
  const { project, blocks } = await loadBlocks(projectId);
  const { makers } = await loadPeople(projectId);
  const { calendar } = await readKeptCalendar(database(), project);
  const drops = dropsOf(calendar);
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  const { extras } = await readKeptExtras(database(), project);
  const order = handedOutOrder(calendar, blocks);
  const bagging = extras.bagging ?? USUAL_BAGGING;
  const isInner = new Set(outerBags(order, drops, bagging).flatMap((bag) => (bag.isInner ? bag.blocks : [])));
  const outerOf = (skips: readonly string[], blockId: string): Pick<TableBag, 'outer'> => {
    const bag = outerBags(order, drops, bagging, skips).find((one) => one.blocks.includes(blockId));
    return bag?.drop === undefined ? {} : { outer: { drop: bag.drop, blocks: bag.blocks } };
  };
  const dropOf = (blockId: string) => {
    const at = drops.findIndex((drop) => drop.blocks.includes(blockId));
    return at < 0 ? drops.length : at;
  };
  return [...blocks]
    .sort((a, b) => dropOf(a.id) - dropOf(b.id))
    .flatMap(({ id, name, sheet }) => {
      // Worked out once for all bags that hold the same.
      const linesOf = new Map(
        alikeBags(sheet.bag, sewersOf(id, makers), settings).flatMap(({ bag, makers: alike }) => {
          const lines = packingLines(bag, project.unitSystem);
          return alike.map((maker) => [maker.id, lines] as const);
        }),
      );
      const own = (skips: readonly string[]) => extraLines(extras, placeOfBag(order, skips, id));
      // Worked out once for a block, not for each who sews it.
      const inner = isInner.has(id) ? innerBags(sheet) : undefined;
      return sewersOf(id, makers).map((maker) => ({
        blockId: id,
        makerId: maker.id,
        block: name,
        maker: maker.name,
        choice: sayChoice(maker, settings, sheet.bag),
        drop: drops[dropOf(id)]?.title ?? '',
        lines: [...(linesOf.get(maker.id) ?? []), ...own(maker.skips)],
        ...outerOf(maker.skips, id),
        ...(inner ? { inner: ownInner(inner, maker) } : {}),
      }));
    });
}
