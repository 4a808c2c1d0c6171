import { itemAt } from '@/core/lists';
import type postgres from 'postgres';
import type { BlockDocument } from '@/core/block';
import { readBlockDocument } from '@/core/formats';
import { wholeRecipe, type Recipe } from '@/core/generate';
import type { BlockSheet, BlockSummary } from '@/core/sheet';
import type { UnitSystem } from '@/core/length';
import { type Access, audit, type Project } from '../projects';
import { clothColours, keepLooks } from '../cloth';
import { contentHash, inTransaction, type Sql, json } from '../database';
import { ServerError, conflict, notFound } from '../errors';
import { notify } from '../live';
import { settingsOf } from './marks';
import { fewAtOnce, offThread, unlessRefused } from '../pool';
import { refused } from '../refused';
import { readBlock, readDocument } from './readBlock';
import { sheetFor, sheetsFor, summariesFor, type SheetSettings, type ToBeSheeted } from './sheets';

/** A block in its place, without its document: that is large, and seldom wanted. */
export interface BlockLine {
  readonly id: string;
  readonly name: string;
  readonly place: number;
  readonly revision: number;
  readonly contentHash: string;
}

export interface BlockWithSheet extends BlockLine {
  readonly sheet: BlockSheet;
}

export interface BlockWithSummary extends BlockLine {
  readonly summary: BlockSummary;
}

/** The blocks of a project in their places, each with its sheet. */
export async function listBlocks(sql: Sql, project: Project): Promise<BlockWithSheet[]> {
  const lines = await linesOf(sql, project);
  const settings = await settingsOf(sql, project, lines);
  const sheets = await sheetsFor(sql, lines.map((line) => toBeSheeted(sql, project, line)), settings); // prettier-ignore
  return lines.map((line, i) => ({ ...line, sheet: itemAt(sheets, i) }));
}

/** The blocks of a project in their places, each with what lists, walls and ticks need of it. */
export async function listSummaries(
  sql: Sql,
  project: Project,
): Promise<{ readonly blocks: BlockWithSummary[]; readonly settings: SheetSettings }> {
  const lines = await linesOf(sql, project);
  const settings = await settingsOf(sql, project, lines);
  const summaries = await summariesFor(sql, lines.map((line) => toBeSheeted(sql, project, line)), settings); // prettier-ignore
  return { blocks: lines.map((line, i) => ({ ...line, summary: itemAt(summaries, i) })), settings };
}

async function linesOf(sql: Sql, project: Project): Promise<BlockLine[]> {
  return sql<BlockLine[]>`
    select id, name, place, revision, content_hash as "contentHash"
    from block where project_id = ${project.id} and removed_at is null order by place, name`;
}

function toBeSheeted(sql: Sql, project: Project, { id, contentHash: hash }: BlockLine): ToBeSheeted {
  return { id, contentHash: hash, document: () => readDocument(sql, project, id) };
}

/** A block with what it was made from. */
export interface OpenBlock extends BlockWithSheet {
  /** What the block was generated from, if it was. */
  readonly recipe?: Recipe;
  /** Generators that made parts of it. */
  readonly made: readonly string[];
}

/** One block of a project with its sheet. */
export async function openBlock(sql: Sql, project: Project, blockId: string): Promise<OpenBlock> {
  const { document, ...line } = await readBlock(sql, project, blockId);
  const block = { id: line.id, contentHash: line.contentHash, document: () => document };
  const sheet = await sheetFor(sql, block, await settingsOf(sql, project));
  const recipe = wholeRecipe(document);
  const made = (document.parts ?? []).map((part) => (part.recipe as Recipe).kind);
  return { ...line, sheet, made, ...(recipe ? { recipe } : {}) };
}

/** A drawing as it is sent, with what the host chose in its preview. */
export interface DrawingInput {
  readonly name: string;
  readonly svg: string;
  readonly widthMm?: number;
  readonly weldMm?: number;
  readonly isSnapped?: boolean;
}

/** Brings a drawing into a project as a new block. Faulty drawings are refused whole. */
export function importBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  input: DrawingInput,
  signal?: AbortSignal,
): Promise<{ id: string }> {
  return fewAtOnce(access.account.id, () =>
    addBlock(
      sql,
      access,
      input.name,
      async (project) => readDrawing(input, project.unitSystem, await clothColours(sql, project), signal),
      signal,
    ),
  );
}

/** Adds a block made in the workshop. */
export function addDocument(
  sql: postgres.Sql,
  access: Access<'edit'>,
  input: { name: string; document: unknown },
): Promise<{ id: string }> {
  return addBlock(sql, access, input.name, () =>
    refused(() => ({ document: readBlockDocument(input.document) })),
  );
}

/** Adds a block made by a generator; the recipe is kept with it, so that it can be made again. */
export function makeBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  input: { name: string; recipe: Recipe },
): Promise<{ id: string }> {
  return addBlock(sql, access, input.name, async () => ({
    document: unlessRefused(await offThread('recipe', input.recipe)),
  }));
}

/** A block that is about to be added, and the colours that its drawing gives its cloths. */
interface MadeBlock {
  readonly document: BlockDocument;
  readonly colours?: Readonly<Record<string, string>>;
}

async function addBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  name: string,
  make: (project: Project) => MadeBlock | Promise<MadeBlock>,
  signal?: AbortSignal,
): Promise<{ id: string }> {
  const { project } = access;
  const { document, colours = {} } = await make(project);
  const hash = contentHash(document);
  // The sheet is computed before anything is stored: a block that cannot be planned is never half there.
  await sheetFor(
    sql,
    { document: () => document, contentHash: hash },
    await settingsOf(sql, project),
    signal,
  );
  return inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const [row] = await step<{ id: string }[]>`
      insert into block (project_id, name, place, document, content_hash, patch_count)
      select ${project.id}, ${name}, coalesce(max(place) + 1, 0),
        ${json(step, document)}, ${hash}, ${document.patches.length}
      from block where project_id = ${project.id} and removed_at is null
      on conflict (project_id, lower(name)) where removed_at is null do nothing
      returning id`;
    if (!row) throw nameTaken(name);
    const fabrics = document.patches.map(({ fabric }) => fabric);
    await keepLooks(step, project, fabrics, colours);
    await audit(step, access, 'block-added', { block: row.id, name });
    await notify(step, project.id, 'blocks');
    return row;
  });
}

function nameTaken(name: string): ServerError {
  return new ServerError(409, {
    code: 'name-taken',
    what: `This project already has a block named ${name}.`,
    mend: 'Give it another name.',
    where: 'name',
  });
}

/** Reads a drawing into a block document, off the main thread. @throws ServerError 422 with what, where and how to mend */
async function readDrawing(
  { svg: text, widthMm, weldMm, isSnapped = false }: DrawingInput,
  system: UnitSystem,
  known: Readonly<Record<string, string>>,
  signal: AbortSignal | undefined,
): Promise<MadeBlock> {
  const options = {
    system,
    ...(widthMm === undefined ? {} : { widthMm }),
    ...(weldMm === undefined ? {} : { weldMm }),
  };
  return unlessRefused(await offThread('drawing', { text, options, isSnapped, known }, signal));
}

/** Renames a block; refused when someone else changed it meanwhile. */
export async function renameBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  change: { name: string; before: string },
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [before] = await step<{ name: string; revision: number }[]>`
      select name, revision from block
      where id = ${blockId} and project_id = ${project.id} and removed_at is null for update`;
    if (!before) throw notFound('This block');
    // What was painted or moved meanwhile is no matter: only another name is.
    if (before.name !== change.before) {
      throw conflict(
        `Someone renamed this block to “${before.name}” meanwhile.`,
        'Look at it and send yours again if it still holds.',
        before,
      );
    }
    const [taken] = await step`
      select 1 from block where project_id = ${project.id} and lower(name) = lower(${change.name})
        and id <> ${blockId} and removed_at is null`;
    if (taken) throw nameTaken(change.name);
    await step`update block set name = ${change.name} where id = ${blockId}`;
    await audit(step, access, 'block-renamed', {
      block: blockId,
      from: before.name,
      to: change.name,
    });
    await notify(step, project.id, 'blocks');
  });
}

/** Takes a block out of the project, or puts it back; nothing is erased. */
export async function setBlockRemoved(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  isRemoved: boolean,
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [block] = await step<{ name: string }[]>`
      select name from block where id = ${blockId} and project_id = ${project.id} for update`;
    if (!block) throw notFound('This block');
    const [taken] = await step`
      select 1 from block where project_id = ${project.id} and lower(name) = lower(${block.name})
        and id <> ${blockId} and removed_at is null`;
    if (!isRemoved && taken) throw nameTaken(block.name);
    await step`update block set removed_at = ${isRemoved ? step`now()` : null} where id = ${blockId}`;
    await audit(step, access, isRemoved ? 'block-removed' : 'block-restored', {
      block: blockId,
    });
    await notify(step, project.id, 'blocks');
  });
}
