import { create } from 'qrcode';
import { innerBags, ownBag, ownInner, sayChoice, sewersOf } from '@/core/bags';
import { dropsOf } from '@/core/calendar';
import {
  USUAL_BAGGING,
  bagCode,
  extraLines,
  outerBags,
  packingLines,
  placeOfBag,
  sayCode,
} from '@/core/packing';
import type { BagCardBlock, BagLabel, CodeCells, LabelSheet } from '@/core/printing';
import { saySaved } from '@/core/sheet';
import { clothLooks } from '../cloth';
import { listBlocks, listSummaries, papersOfProject } from '../blocks';
import { readKeptCalendar } from '../calendar';
import type { Sql } from '../database';
import { handedOutOrder, projectBags, readKeptExtras } from './keptExtras';
import { listMakers, type Maker } from '../makers';
import { offThread, unlessRefused } from '../pool';
import type { Project } from '../projects';
import { times } from '@/core/words';

/** Which bags are printed: those of some blocks, or all. */
interface Which {
  readonly blocks?: readonly string[] | undefined;
}

/**
 * A card for each block’s bag as a PDF; with addresses of makers’ pages one for every bag of theirs, with the code of its maker’s page.
 * @param pages addresses by maker; makers without one have a card without a code
 * @param signal ends the work when whoever asked for it leaves
 */
export async function cardsPdf(sql: Sql, project: Project, { blocks: wanted, pages }: Which & { readonly pages?: ReadonlyMap<string, string> }, signal: AbortSignal): Promise<Buffer> {
  const all = await listBlocks(sql, project);
  const papers = await papersOfProject(sql, project, all);
  const looks = await clothLooks(sql, project, [...new Set(all.flatMap(({ sheet }) => sheet.bag.fabrics.map(({ fabric }) => fabric)))]);
  const isInner = new Set((await projectBags(sql, project, all)).flatMap((bag) => (bag.isInner ? bag.blocks : [])));
  const blocks = all
    .filter(({ id }) => wanted?.includes(id) ?? true)
    .map(({ id, name, sheet }): CardOf => ({ id, name, bag: sheet.bag, sheet: { patches: sheet.patches, steps: sheet.steps }, saved: saySaved(papers, id), looks, ...(isInner.has(id) ? { inner: innerBags(sheet) } : {}) }));
  const cards = pages === undefined ? blocks : cardsOf(blocks, await listMakers(sql, project), pages, project);
  const task = { title: `${project.name}: bag cards`, blocks: cards, system: project.unitSystem, size: project.pageSize };
  return Buffer.from(await offThread('printCards', task, signal));
} // prettier-ignore

type CardOf = BagCardBlock & { readonly id: string };

/** One card for every bag, maker by maker. */
function cardsOf(blocks: readonly CardOf[], makers: readonly Maker[], pages: ReadonlyMap<string, string>, { allowanceMm, unitSystem: system }: Project): BagCardBlock[] {
  return makers.flatMap((maker) => {
    const address = pages.get(maker.id);
    const page = address === undefined ? {} : { page: squareOf(address) };
    return blocks
      .filter(({ id }) => !maker.skips.includes(id))
      .map(({ inner, ...block }) => ({ ...block, bag: ownBag(block.bag, maker, { allowanceMm, system }), ...(inner ? { inner: ownInner(inner, maker) } : {}), maker: { name: maker.name, choice: sayChoice(maker, { allowanceMm, system }, block.bag), ...page } }));
  });
} // prettier-ignore

/** Labels of all bags on bought sheets as a PDF, block by block. @throws ServerError 422 for labels that lie over each other or leave the page */
export async function labelsPdf(
  sql: Sql,
  project: Project,
  { blocks, sheet, used }: Which & { readonly sheet: LabelSheet; readonly used: number },
  signal: AbortSignal,
): Promise<Buffer> {
  const outer = blocks === undefined ? await outerLabels(sql, project) : [];
  const labels = [
    ...(await bagLabels(sql, project, { blocks })),
    ...outer.map((label) => ({ ...label, square: squareOf(bare(label.code)) })),
  ];
  const task = { title: `${project.name}: labels`, labels, sheet, used };
  return Buffer.from(unlessRefused(await offThread('printLabels', task, signal)));
}

/** What stands on the labels of bags that hold a whole drop, maker by maker: the bags within, by name. Scanned, it opens the first of them. */
export async function outerLabels(sql: Sql, project: Project): Promise<Omit<BagLabel, 'square'>[]> {
  const [blocks, makers, { extras }, { calendar }] = await Promise.all([listSummaries(sql, project), listMakers(sql, project), readKeptExtras(sql, project), readKeptCalendar(sql, project)]);
  const order = handedOutOrder(calendar, blocks.blocks);
  const nameOf = new Map(blocks.blocks.map(({ id, name }) => [id, name]));
  return makers.flatMap((maker) =>
    outerBags(order, dropsOf(calendar), extras.bagging ?? USUAL_BAGGING, maker.skips).flatMap(({ drop, blocks: own }) =>
      drop === undefined ? [] : [{ block: drop, maker: maker.name, code: sayCode(bagCode(own[0] ?? '', maker.id)), lines: own.map((id) => nameOf.get(id) ?? '') }],
    ),
  );
} // prettier-ignore

/** What stands on the label of each bag. */
export async function bagLabels(sql: Sql, project: Project, { blocks: wanted }: Which): Promise<BagLabel[]> {
  const [blocks, makers, { extras }, { calendar }] = await Promise.all([listBlocks(sql, project), listMakers(sql, project), readKeptExtras(sql, project), readKeptCalendar(sql, project)]);
  const order = handedOutOrder(calendar, blocks);
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  return blocks
    .filter(({ id }) => wanted?.includes(id) ?? true)
    .flatMap(({ id, name, sheet }) => {
      return sewersOf(id, makers).map((maker): BagLabel => {
        const lines = packingLines(ownBag(sheet.bag, maker, settings), project.unitSystem);
        const choice = sayChoice(maker, settings, sheet.bag);
        const code = bagCode(id, maker.id);
        const square = squareOf(bare(code));
        const own = [...lines, ...extraLines(extras, placeOfBag(order, maker.skips, id))];
        return { block: name, maker: choice === '' ? maker.name : `${maker.name}: ${choice}`, code: sayCode(code), square, lines: own.map(({ count, what }) => times(count, what)) };
      });
    });
} // prettier-ignore

/** Dashes are for the eye alone. */
const bare = (code: string) => code.replaceAll('-', '');

/** Words as a square that scanners and cameras read. */
function squareOf(words: string): CodeCells {
  const { modules } = create(words, { errorCorrectionLevel: 'M' });
  return { cells: modules.size, dark: Array.from(modules.data, Boolean) };
}
