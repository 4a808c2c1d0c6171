import Joi from 'joi';
import { isPaper, makePaper, type Paper } from '@/core/catalogue';
import type { PageSize } from '@/core/printing';
import { nameShape, signatureOf } from '@/core/shapes';
import type { UnitSystem } from '@/core/length';
import { invalid } from '@/server/errors';
import { fileResponse, queryOf, requireAccount, route } from '@/server/http';
import { parse } from '@/server/parse';
import { paperPdf } from '@/server/printing';
import { refused } from '@/server/refused';

interface Query {
  readonly paper: string;
  readonly count: number;
  readonly size: PageSize;
  readonly gap: number;
  readonly hole: boolean;
  readonly system: UnitSystem;
}

const QUERY = Joi.object<Query>({
  paper: Joi.string().max(4000).required(),
  count: Joi.number().integer().min(1).max(2000).required(),
  size: Joi.valid('A4', 'Letter').required(),
  gap: Joi.number().min(0).max(20).default(0),
  hole: Joi.boolean().default(true),
  system: Joi.valid('inch', 'metric').default('inch'),
});

/** One paper of the catalogue at true size, as a PDF. */
export const GET = route(async (request) => {
  await requireAccount();
  const { paper, count, size, gap, hole, system } = parse(QUERY, queryOf(request));
  const outline = refused(() => makePaper(readPaper(paper)));
  const name = nameShape(signatureOf(outline), system);
  const options = { title: name, size, gapMm: gap, hasHole: hole };
  const { pdf } = await paperPdf({ name, outline, count }, options, request.signal);
  return fileResponse(pdf, 'application/pdf', `${name}.pdf`, 'inline');
});

function readPaper(text: string): Paper {
  const wrong = () => invalid('This is no paper.', 'Choose one from the catalogue.', 'paper');
  try {
    const paper: unknown = JSON.parse(text);
    if (!isPaper(paper)) throw wrong();
    return paper.family === 'regular' ? { ...paper, sides: Number(paper.sides) } : paper;
  } catch (error) {
    if (error instanceof SyntaxError) throw wrong();
    throw error;
  }
}
