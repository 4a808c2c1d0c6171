import type postgres from 'postgres';
import type { BlockDocument } from '@/core/block';
import { readBlockDocument } from '@/core/formats';
import { remakePart, wholeRecipe, type Recipe } from '@/core/generate';
import { summarise, type BlockSummary } from '@/core/sheet';
import { audit, type Access, type Project } from '../projects';
import { contentHash, inTransaction, json, type Sql } from '../database';
import { conflict, notFound } from '../errors';
import { settingsOf } from './marks';
import { notify } from '../live';
import { refused } from '../refused';
import { readDocument } from './readBlock';
import { sheetFor } from './sheets';

/** Makes a generated block again with other figures; refused when someone else changed it meanwhile. */
export async function remakeBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  change: { recipe: Recipe; revision: number },
): Promise<void> {
  const document = await remadeDocument(sql, access.project, blockId, change.recipe);
  await writeDocument(sql, access, blockId, { document, revision: change.revision }, 'block-remade');
}

/** A generated block as it would be by other figures. @throws ServerError 409 where it is no longer made of figures alone, 422 */
export async function remadeDocument(
  sql: Sql,
  project: Project,
  blockId: string,
  recipe: Recipe,
): Promise<BlockDocument> {
  const before = await readDocument(sql, project, blockId);
  const [part] = before.parts ?? [];
  if (!part || !wholeRecipe(before))
    throw conflict('This block is no longer made of figures alone.', 'Open it in the workshop.', {});
  return refused(() => remakePart(before, part.id, recipe)).document;
}

/** What lists and ticks would know of a block as it would be. @throws ServerError 422 for what is no block */
export async function summaryOfDocument(
  sql: Sql,
  project: Project,
  blockId: string,
  input: unknown,
): Promise<BlockSummary> {
  const document = refused(() => readBlockDocument(input));
  const asked = { id: blockId, document: () => document, contentHash: contentHash(document) };
  return summarise(await sheetFor(sql, asked, await settingsOf(sql, project)));
}

/** What someone else saved meanwhile, to be merged with. */
export interface NewerBlock {
  readonly revision: number;
  readonly document: BlockDocument;
}

/**
 * Saves a block as the workshop holds it.
 * @returns its new revision
 * @throws ServerError 409 with a {@link NewerBlock} when someone else saved meanwhile; 422 for what is no block
 */
export async function saveBlock(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  change: { document: unknown; revision: number },
): Promise<{ revision: number }> {
  const document = refused(() => readBlockDocument(change.document));
  return writeDocument(sql, access, blockId, { document, revision: change.revision }, 'block-changed');
}

async function writeDocument(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  { document, revision }: { document: BlockDocument; revision: number },
  what: string,
): Promise<{ revision: number }> {
  const { project } = access;
  const hash = contentHash(document);
  await sheetFor(
    sql,
    { id: blockId, document: () => document, contentHash: hash },
    await settingsOf(sql, project),
  );
  return inTransaction(sql, async (step) => {
    const [before] = await step<(NewerBlock & { contentHash: string })[]>`
      select revision, document, content_hash as "contentHash" from block
      where id = ${blockId} and project_id = ${project.id} and removed_at is null for update`;
    if (!before) throw notFound('This block');
    if (before.contentHash === hash) return { revision: before.revision };
    if (before.revision !== revision) {
      throw conflict(
        'Someone changed this block meanwhile.',
        'Yours is still here; look at theirs, then send yours again if it still holds.',
        { revision: before.revision, document: before.document, recipe: wholeRecipe(before.document) },
      );
    }
    await step`
      update block set document = ${json(step, document)}, content_hash = ${hash},
        patch_count = ${document.patches.length}, revision = revision + 1
      where id = ${blockId}`;
    await audit(step, access, what, {
      block: blockId,
      before: before.contentHash,
      after: hash,
    });
    await notify(step, project.id, 'blocks');
    return { revision: revision + 1 };
  });
}
