import Joi from 'joi';
import { LABEL_LIMITS, type LabelSheet } from '@/core/printing';
import { cardsPdf, labelsPdf } from '@/server/bags';
import { database } from '@/server/database';
import { fileResponse, projectRoute, queryOf, readJson } from '@/server/http';
import { cardLinks, makerAddress } from '@/server/makers';
import { id, parse } from '@/server/parse';

type Query = LabelSheet & { what: 'cards' | 'labels'; blocks?: string; used?: number };

const figures = Object.fromEntries(
  Object.entries(LABEL_LIMITS).map(([name, { least, most }]) => {
    const figure = name === 'rows' || name === 'columns' ? Joi.number().integer() : Joi.number();
    const within = figure.min(least).max(most);
    return [name, Joi.when('what', { is: 'labels', then: within.required(), otherwise: within })];
  }),
);

const QUERY = Joi.object<Query>({
  what: Joi.valid('cards', 'labels').required(),
  /** Ids, with commas between. */
  blocks: Joi.string().max(20_000),
  used: Joi.number().integer().min(0).max(799),
  ...figures,
});

/** Bag cards, or labels on bought sheets, as a PDF. */
export const GET = projectRoute('read', async (request, { project }) => {
  const { what, blocks, used = 0, ...sheet } = parse(QUERY, queryOf(request));
  const which = { blocks: blocks?.split(',').filter(Boolean) };
  const pdf =
    what === 'cards'
      ? await cardsPdf(database(), project, which, request.signal)
      : await labelsPdf(database(), project, { ...which, sheet, used }, request.signal);
  const name = what === 'cards' ? 'bag cards' : 'labels';
  return fileResponse(pdf, 'application/pdf', `${project.name} ${name}.pdf`, 'inline');
});

const CARDS = Joi.object<{ blocks?: string[] }>({ blocks: Joi.array().items(id()).max(400) });

/** A card for every bag with the code of its maker’s page, as a PDF: it gives makers a further link, so it is no reading. */
export const POST = projectRoute('edit', async (request, access) => {
  const { blocks } = parse(CARDS, await readJson(request));
  const tokens = await cardLinks(database(), access);
  const pages = new Map([...tokens].map(([maker, token]) => [maker, makerAddress(request, token)]));
  const pdf = await cardsPdf(database(), access.project, { blocks, pages }, request.signal);
  return fileResponse(pdf, 'application/pdf', `${access.project.name} bag cards.pdf`, 'inline');
});
