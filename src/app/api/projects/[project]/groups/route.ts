import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { addGroup, changeGroup } from '@/server/makers';
import { id, name, parse } from '@/server/parse';

const NEW = Joi.object<{ name: string }>({ name: name() });
type Change = { id: string } & ({ name: string } | { isRemoved: boolean });
const CHANGE = Joi.alternatives<Change>().try(
  Joi.object({ id: id(), name: name() }),
  Joi.object({ id: id(), isRemoved: Joi.boolean().required() }),
);

export const POST = projectRoute('edit', async (request, access) =>
  addGroup(database(), access, parse(NEW, await readJson(request)).name),
);

export const PATCH = projectRoute('edit', async (request, access) => {
  const { id: group, ...change } = parse<Change>(CHANGE, await readJson(request));
  return changeGroup(database(), access, group, change);
});
