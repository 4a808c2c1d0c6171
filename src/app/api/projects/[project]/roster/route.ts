import Joi from 'joi';
import type { RosterRow } from '@/core/formats';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { makerAddress, takeRoster } from '@/server/makers';
import { email, name, parse } from '@/server/parse';

const BODY = Joi.object<{ rows: RosterRow[] }>({
  rows: Joi.array()
    .items(
      Joi.object({
        name: name(),
        group: Joi.string().trim().allow('').max(120),
        email: email().optional().allow(''),
        timeZone: Joi.string().trim().allow('').max(60),
        isUnderAge: Joi.boolean(),
        travels: Joi.boolean(),
      }),
    )
    .min(1)
    .max(2000)
    .required(),
});

/** A roster of two thousand makers with their addresses. */
const MOST_BYTES = 1_000_000;

export const POST = projectRoute('edit', async (request, access) => {
  const { rows } = parse(BODY, await readJson(request, MOST_BYTES));
  const { added, before } = await takeRoster(database(), access, rows);
  return {
    added: added.map(({ id, name: own, token }) => ({ id, name: own, link: makerAddress(request, token) })),
    before,
  };
});
