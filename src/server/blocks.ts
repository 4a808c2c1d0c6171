import type postgres from 'postgres';
import { InvalidInputError } from '@/core/errors';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { importDrawing, readBlockDocument } from '@/core/formats';
import { documentOfRecipe, wholeRecipe, type Recipe } from '@/core/generate';
import type { BlockSheet } from '@/core/sheet';
import { guessPapers, snapToPapers } from '@/core/workshop';
import type { Account } from './accounts';
import { audit } from './audit';
import type { BagSettings } from '@/core/bags';
import { inTransaction, type Sql } from './database';
import { ServerError, conflict, notFound } from './errors';
import { notify } from './notify';
import { settingsOf } from './marks';
import { openProject, type Project } from './projects';
import { refused } from './refused';
import { contentHash, sheetFor } from './sheets';

export interface BlockRow {
  readonly id: string;
  readonly name: string;
  readonly place: number;
  readonly revision: number;
  readonly contentHash: string;
  readonly document: BlockDocument;
}

export interface BlockWithSheet extends Omit<BlockRow, 'document'> {
  readonly sheet: BlockSheet;
  /** What the block was generated from, if it was. */
  readonly recipe?: Recipe;
  /** Generators that made parts of it. */
  readonly made: readonly string[];
}

/** The blocks of a project in their places, each with its sheet. */
export async function listBlocks(sql: Sql, project: Project): Promise<BlockWithSheet[]> {
  const rows = await sql<BlockRow[]>`
    select id, name, place, revision, content_hash as "contentHash", document
    from block where project_id = ${project.id} and removed_at is null order by place, name`;
  const settings = await settingsOf(sql, project);
  const sheets: BlockWithSheet[] = [];
  // One after another: each may start a worker thread, and the machine may have few cores.
  for (const row of rows) sheets.push(await withSheet(sql, settings, row));
  return sheets;
}

/** One block of a project with its sheet. */
export async function openBlock(sql: Sql, project: Project, blockId: string): Promise<BlockWithSheet> {
  if (!/^[0-9a-f-]{36}$/.test(blockId)) throw notFound('This block');
  const [row] = await sql<BlockRow[]>`
    select id, name, place, revision, content_hash as "contentHash", document
    from block where id = ${blockId} and project_id = ${project.id} and removed_at is null`;
  if (!row) throw notFound('This block');
  return withSheet(sql, await settingsOf(sql, project), row);
}

async function withSheet(sql: Sql, settings: BagSettings, row: BlockRow): Promise<BlockWithSheet> {
  const sheet = await sheetFor(sql, row, settings);
  const { id, name, place, revision, contentHash: hash, document } = row;
  const recipe = wholeRecipe(document);
  const made = (document.parts ?? []).map((part) => (part.recipe as Recipe).kind);
  return { id, name, place, revision, contentHash: hash, sheet, made, ...(recipe ? { recipe } : {}) };
}

/** Brings a drawing into a project as a new block. Faulty drawings are refused whole. */
export function importBlock(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  input: { name: string; svg: string; widthMm?: number; isSnapped?: boolean },
): Promise<{ id: string }> {
  return addBlock(sql, account, projectId, input.name, () => {
    const document = readDrawing(input.svg, input.widthMm);
    if (!input.isSnapped) return document;
    const { patches } = document;
    return { ...document, patches: snapToPapers(patches, guessPapers(patches, 'inch')) };
  });
}

/** Adds a block made in the workshop. */
export function addDocument(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  input: { name: string; document: unknown },
): Promise<{ id: string }> {
  return addBlock(sql, account, projectId, input.name, () =>
    refused(() => readBlockDocument(input.document)),
  );
}

/** Adds a block made by a generator; the recipe is kept with it, so that it can be made again. */
export function makeBlock(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  input: { name: string; recipe: Recipe },
): Promise<{ id: string }> {
  return addBlock(sql, account, projectId, input.name, () => makeDocument(input.recipe));
}

async function addBlock(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  name: string,
  make: () => BlockDocument,
): Promise<{ id: string }> {
  const project = await openProject(sql, account, projectId, 'edit');
  const document = make();
  const hash = contentHash(document);
  // The sheet is computed before anything is stored: a block that cannot be planned is never half there.
  await sheetFor(sql, { document, contentHash: hash }, await settingsOf(sql, project));
  return inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${projectId} for update`;
    const [row] = await step<{ id: string }[]>`
      insert into block (project_id, name, place, document, content_hash, patch_count)
      select ${projectId}, ${name}, coalesce(max(place) + 1, 0),
        ${step.json(document as unknown as postgres.JSONValue)}, ${hash}, ${document.patches.length}
      from block where project_id = ${projectId} and removed_at is null
      on conflict (project_id, lower(name)) where removed_at is null do nothing
      returning id`;
    if (!row) throw nameTaken(name);
    await audit(step, projectId, account.id, 'block-added', { block: row.id, name });
    await notify(step, projectId, 'blocks');
    return row;
  });
}

function makeDocument(recipe: Recipe): BlockDocument {
  return refused(() => documentOfRecipe(recipe));
}

function nameTaken(name: string): ServerError {
  return new ServerError(409, {
    code: 'name-taken',
    what: `This project already has a block named ${name}.`,
    mend: 'Give it another name.',
    where: 'name',
  });
}

/** Reads a drawing into a block document. @throws ServerError 422 with what, where and how to mend */
export function readDrawing(svg: string, widthMm?: number): BlockDocument {
  return refused(() => {
    const { patches, faults, parts, rules, order, basting, notes } = importDrawing(
      svg,
      widthMm === undefined ? {} : { widthMm },
    );
    const [fault] = faults;
    if (fault) {
      throw new InvalidInputError(fault.code, fault.message, fault.mend, {
        name: fault.shape,
        line: fault.line,
      });
    }
    return {
      format: BLOCK_FORMAT,
      patches,
      ...(parts ? { parts } : {}),
      ...(rules ? { rules } : {}),
      ...(order ? { order } : {}),
      ...(basting ? { basting } : {}),
      ...(notes ? { notes } : {}),
    };
  });
}

/** Renames a block; refused when someone else changed it meanwhile. */
export async function renameBlock(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  blockId: string,
  change: { name: string; revision: number },
): Promise<void> {
  await openProject(sql, account, projectId, 'edit');
  await inTransaction(sql, async (step) => {
    const [before] = await step<{ name: string; revision: number }[]>`
      select name, revision from block
      where id = ${blockId} and project_id = ${projectId} and removed_at is null for update`;
    if (!before) throw notFound('This block');
    if (before.revision !== change.revision) {
      throw conflict(
        `Someone renamed this block to “${before.name}” meanwhile.`,
        'Look at it and send yours again if it still holds.',
        before,
      );
    }
    const [taken] = await step`
      select 1 from block where project_id = ${projectId} and lower(name) = lower(${change.name})
        and id <> ${blockId} and removed_at is null`;
    if (taken) throw nameTaken(change.name);
    await step`update block set name = ${change.name}, revision = revision + 1 where id = ${blockId}`;
    await audit(step, projectId, account.id, 'block-renamed', {
      block: blockId,
      from: before.name,
      to: change.name,
    });
    await notify(step, projectId, 'blocks');
  });
}

/** Takes a block out of the project, or puts it back; nothing is erased. */
export async function setBlockRemoved(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  blockId: string,
  isRemoved: boolean,
): Promise<void> {
  await openProject(sql, account, projectId, 'edit');
  await inTransaction(sql, async (step) => {
    const [block] = await step<{ name: string }[]>`
      select name from block where id = ${blockId} and project_id = ${projectId} for update`;
    if (!block) throw notFound('This block');
    const [taken] = await step`
      select 1 from block where project_id = ${projectId} and lower(name) = lower(${block.name})
        and id <> ${blockId} and removed_at is null`;
    if (!isRemoved && taken) throw nameTaken(block.name);
    await step`update block set removed_at = ${isRemoved ? step`now()` : null} where id = ${blockId}`;
    await audit(step, projectId, account.id, isRemoved ? 'block-removed' : 'block-restored', {
      block: blockId,
    });
    await notify(step, projectId, 'blocks');
  });
}
