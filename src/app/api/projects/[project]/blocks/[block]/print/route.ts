import Joi from 'joi';
import { stepCards, type PageSize } from '@/core/printing';
import { openBlock, readRevision, projectMarks } from '@/server/blocks';
import { database } from '@/server/database';
import { fileResponse, projectRoute } from '@/server/http';
import { parse } from '@/server/parse';
import { writePdf, printJob, type Printed } from '@/server/printing';

interface Query {
  readonly what: Printed | 'steps';
  readonly size?: PageSize;
  readonly gap: number;
  readonly hole: boolean;
  readonly kind: number;
}

const QUERY = Joi.object<Query>({
  what: Joi.valid('papers', 'window', 'centring', 'plate', 'clamshell', 'steps').required(),
  size: Joi.valid('A4', 'Letter'),
  gap: Joi.number().min(0).max(20).default(0),
  hole: Joi.boolean().default(true),
  kind: Joi.number().integer().min(0).default(0),
});

/** Papers and guides of a block at true size, as a PDF. */
export const GET = projectRoute('read', async (request, access, { block: blockId = '' }) => {
  const sql = database();
  const { project } = access;
  const { what, size, gap, hole, kind } = parse(QUERY, Object.fromEntries(new URL(request.url).searchParams));
  if (what === 'steps') {
    const { name, sheet } = await openBlock(sql, project, blockId);
    const cards = stepCards(name, sheet, size ?? project.pageSize);
    return fileResponse(await writePdf(cards), 'application/pdf', `${name} step cards.pdf`, 'inline');
  }
  const { name, document } = await readRevision(sql, project, blockId);
  const job = printJob(name, document, await projectMarks(sql, project), {
    what,
    size: size ?? project.pageSize,
    system: project.unitSystem,
    allowanceMm: project.allowanceMm,
    gapMm: gap,
    hasHole: hole,
    kind,
  });
  return fileResponse(await writePdf(job), 'application/pdf', `${name} ${what}.pdf`, 'inline');
});
