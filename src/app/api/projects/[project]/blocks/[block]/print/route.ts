import Joi from 'joi';
import type { PageSize, Printed } from '@/core/printing';
import { database } from '@/server/database';
import { fileResponse, projectRoute, queryOf } from '@/server/http';
import { parse } from '@/server/parse';
import { blockPdf, stepsPdf, type StepsPrinted } from '@/server/printing';

interface Query {
  readonly what: Printed | StepsPrinted;
  readonly size?: PageSize;
  readonly gap: number;
  readonly hole: boolean;
  readonly kind: number;
}

const QUERY = Joi.object<Query>({
  what: Joi.valid('papers', 'window', 'centring', 'plate', 'clamshell', 'steps', 'stickers').required(),
  size: Joi.valid('A4', 'Letter'),
  gap: Joi.number().min(0).max(20).default(0),
  hole: Joi.boolean().default(true),
  kind: Joi.number().integer().min(0).default(0),
});

/** Papers and guides of a block at true size, as a PDF. */
export const GET = projectRoute('read', async (request, { project }, { block = '' }) => {
  const { what, size = project.pageSize, gap, hole, kind } = parse(QUERY, queryOf(request));
  const wish = { size, gapMm: gap, hasHole: hole, kind };
  const { name, pdf } =
    what === 'steps' || what === 'stickers'
      ? await stepsPdf(database(), project, block, { what, size }, request.signal)
      : await blockPdf(database(), project, block, { ...wish, what }, request.signal);
  return fileResponse(pdf, 'application/pdf', `${name}.pdf`, 'inline');
});
