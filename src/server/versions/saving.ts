import type postgres from 'postgres';
import type { Recipe } from '@/core/generate';
import { counted } from '@/core/words';
import { remadeDocument, remakeBlock, saveBlock, summaryOfDocument } from '../blocks';
import { ServerError } from '../errors';
import type { Access } from '../projects';
import { workTouched, type Touched } from './touched';

/** Makers of whom the host was told that their work or bag is touched, and said that it may be. */
export interface Told {
  readonly mayTouch?: readonly string[] | undefined;
}

/**
 * Saves a block as {@link saveBlock} does; where that touches work or bags of makers of whom the host was not told, nothing is saved.
 * @throws ServerError 409 `touches-work` with {@link Touched}
 */
export async function saveBlockTold(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  { mayTouch, ...change }: { document: unknown; revision: number } & Told,
): Promise<{ revision: number }> {
  await refuseUntold(sql, access, blockId, change.document, mayTouch);
  return saveBlock(sql, access, blockId, change);
}

/** Makes a block again from other figures as {@link remakeBlock} does, on the same terms. @throws ServerError 409 */
export async function remakeBlockTold(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  { mayTouch, ...change }: { recipe: Recipe; revision: number } & Told,
): Promise<void> {
  const document = await remadeDocument(sql, access.project, blockId, change.recipe);
  await refuseUntold(sql, access, blockId, document, mayTouch);
  await remakeBlock(sql, access, blockId, change);
}

async function refuseUntold(sql: postgres.Sql, { project }: Access<'edit'>, blockId: string, document: unknown, mayTouch: readonly string[] = []): Promise<void> {
  const touched = await workTouched(sql, project, blockId, await summaryOfDocument(sql, project, blockId, document));
  const known = new Set(mayTouch);
  const isNew = [...touched.makers, ...touched.bags].some(({ id }) => !known.has(id));
  if (!isNew) return;
  throw new ServerError(409, {
    code: 'touches-work',
    what: sayTouched(touched),
    mend: 'Change it for all, or keep it as a new version for those who have not begun.',
    current: touched,
  });
} // prettier-ignore

function sayTouched({ makers, bags }: Touched): string {
  const steps = makers.reduce((sum, one) => sum + one.steps, 0);
  const parts = [
    ...(makers.length > 0 ? [`undoes ${counted(steps, 'step')} of ${counted(makers.length, 'maker')}`] : []),
    ...(bags.length > 0 ? [`makes ${counted(bags.length, 'packed bag')} wrong`] : []),
  ];
  return `This change ${parts.join(' and ')}.`;
}
