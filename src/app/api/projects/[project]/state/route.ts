import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { setProjectState, type ProjectState } from '@/server/projects';

const BODY = Joi.object<{ state: ProjectState }>({
  state: Joi.string().valid('in-use', 'archived', 'binned', 'deleted').required(),
});

export const POST = projectRoute(
  'own',
  async (request, access) => setProjectState(database(), access, parse(BODY, await readJson(request)).state),
  'binned too',
);
