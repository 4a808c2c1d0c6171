import Joi from 'joi';
import { LIMITS, readSewing } from '@/core/formats';
import { database, inTransaction } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { refused } from '@/server/refused';
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
  // The core reads the figures of sewing itself and says where they are wrong.
  sewing: Joi.object().unknown(),
});

export const PATCH = projectRoute('edit', async (request, access) => {
  const { sewing, ...settings } = parse(BODY, await readJson(request));
  const body = { ...settings, ...(sewing ? { sewing: refused(() => readSewing(sewing)) } : {}) };
  return inTransaction(database(), async (sql) => {
    const changed = await changeProject(sql, access, body);
    await notify(sql, access.project.id, 'settings');
    return changed;
  });
});
