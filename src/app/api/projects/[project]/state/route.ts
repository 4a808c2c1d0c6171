import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { parse } from '@/server/parse';
import { setProjectState, type ProjectState } from '@/server/people';

const BODY = Joi.object<{ state: ProjectState }>({
  state: Joi.string().valid('in-use', 'archived', 'binned', 'deleted').required(),
});

export const POST = route(async (request, { project = '' }) => {
  const { state } = parse(BODY, await readJson(request));
  await setProjectState(database(), await requireAccount(), project, state);
});
