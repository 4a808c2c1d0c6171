import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { orderSchema, saveOrder, type KeptOrder } from '@/server/orders';
import { parse } from '@/server/parse';

const BODY = Joi.object<KeptOrder>({
  order: orderSchema.required(),
  revision: Joi.number().integer().required(),
});

export const PUT = projectRoute('edit', async (request, access) =>
  saveOrder(database(), access, parse(BODY, await readJson(request))),
);
