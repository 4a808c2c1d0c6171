import Joi from 'joi';
import { withKindChoice } from '@/core/basting';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { changeProjectBasting } from '@/server/projects';

type Body =
  | { outline: Parameters<typeof withKindChoice>[1]; convention?: string | null; method?: string | null }
  | { fabric: string; isPale: boolean };

/** A paper’s folds and method for the whole project (null: as proposed), or whether a cloth is very pale. */
const BODY = Joi.alternatives<Body>(
  Joi.object({
    // The core reads outlines, conventions and methods itself and says where they are wrong.
    outline: Joi.object().unknown().required(),
    convention: Joi.string().max(40).allow(null),
    method: Joi.string().max(40).allow(null),
  }),
  Joi.object({ fabric: Joi.string().min(1).max(200).required(), isPale: Joi.boolean().required() }),
);

export const PATCH = projectRoute('edit', async (request, access) => {
  const body = parse(BODY, await readJson(request));
  return changeProjectBasting(database(), access, ({ kinds = [], pale = [] }) => {
    if ('fabric' in body) {
      const others = pale.filter((one) => one !== body.fabric);
      return { kinds, pale: body.isPale ? [...others, body.fabric] : others };
    }
    const { outline, ...choice } = body;
    return { kinds: withKindChoice(kinds, outline, choice), pale };
  });
});
