import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import { database, inTransaction } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { notify } from '@/server/live';
import { name, parse } from '@/server/parse';
import { changeProject, type ProjectSettings } from '@/server/projects';

const BODY = Joi.object<Partial<ProjectSettings>>({
  name: name().optional(),
  shop: Joi.string().trim().allow('').max(120),
  unitSystem: Joi.string().valid('inch', 'metric'),
  pageSize: Joi.string().valid('A4', 'Letter'),
  allowanceMm: Joi.number().min(LIMITS.allowanceMm.least).max(LIMITS.allowanceMm.most).label('allowance'),
  sparesPercent: Joi.number().min(0).max(100).label('spares'),
  gridColumns: Joi.number()
    .integer()
    .min(LIMITS.gridColumns.least)
    .max(LIMITS.gridColumns.most)
    .label('blocks across'),
});

export const PATCH = projectRoute('edit', async (request, access) => {
  const body = parse(BODY, await readJson(request));
  return inTransaction(database(), async (sql) => {
    const changed = await changeProject(sql, access, body);
    await notify(sql, access.project.id, 'settings');
    return changed;
  });
});
