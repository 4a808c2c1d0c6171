import Joi from 'joi';
import { database } from '@/server/database';
import { byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { readJson, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { recordEvents, type RecordedEvent } from '@/server/progress';

const BODY = Joi.object<{ events: RecordedEvent[] }>({
  events: Joi.array()
    .items(
      Joi.object({
        clientId: id(),
        blockId: id(),
        stepId: Joi.string().max(80).required(),
        kind: Joi.string().valid('done', 'undone', 'stuck').required(),
        at: Joi.string().isoDate().required(),
        minutes: Joi.number().min(0).max(10_000),
        made: Joi.string().max(40),
        device: Joi.string().allow('').max(80),
        units: Joi.array()
          .items(Joi.array().items(Joi.string().max(200)).max(20_000))
          .max(2),
      }),
    )
    .min(1)
    .max(500)
    .required(),
});

export const POST = route(async (request, { token = '' }) => {
  const { events } = parse(BODY, await readJson(request));
  const record = () => recordEvents(database(), token, events);
  return byLink(database(), addressOf(request.headers), record);
});
