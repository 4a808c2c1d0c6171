import Joi from 'joi';
import { stepCards, type PageSize } from '@/core/printing';
import { openBlock } from '@/server/blocks';
import { readRevision } from '@/server/blockDocuments';
import { database } from '@/server/database';
import { fileResponse, requireAccount, route } from '@/server/http';
import { projectMarks } from '@/server/marks';
import { id, parse } from '@/server/parse';
import { writePdf } from '@/server/pdf';
import { printJob, type Printed } from '@/server/printing';
import { openProject } from '@/server/projects';

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
export const GET = route(async (request, { project: projectId = '', block: blockId = '' }) => {
  const sql = database();
  const project = await openProject(sql, await requireAccount(), projectId, 'read');
  parse(id(), blockId);
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
