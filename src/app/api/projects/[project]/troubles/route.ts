import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';
import { actOnTrouble, listTroubles, noteForAll, type TroubleAct } from '@/server/troubles';

const text = (most: number) => Joi.string().trim().min(1).max(most).required();
const kind = (...kinds: string[]) =>
  Joi.string()
    .valid(...kinds)
    .required();
type Act = TroubleAct & { readonly id: string };
const ACT = Joi.alternatives<Act>().try(
  Joi.object({ id: id(), kind: kind('answer'), wordId: id(), text: text(2000) }),
  Joi.object({ id: id(), kind: kind('assign'), accountId: id().allow(null) }),
  Joi.object({ id: id(), kind: kind('settle', 'reopen') }),
  Joi.object({ id: id(), kind: kind('teach'), isToTeach: Joi.boolean().required() }),
);
const NOTE = Joi.object<{ id: string; text: string }>({ id: id(), text: text(1000) });

export const GET = projectRoute('read', async (_request, { project }) => listTroubles(database(), project));

export const PATCH = projectRoute('pack', async (request, access) => {
  const { id: trouble, ...act } = parse<Act>(ACT, await readJson(request));
  return actOnTrouble(database(), access, trouble, act);
});

export const POST = projectRoute('edit', async (request, access) => {
  const { id: trouble, text: note } = parse(NOTE, await readJson(request));
  return noteForAll(database(), access, trouble, note);
});
