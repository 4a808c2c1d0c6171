import Joi from 'joi';
import { database } from '@/server/database';
import { fileResponse, projectRoute, readJson } from '@/server/http';
import { orderPdf, orderState, placeOrder, turnOrder, type OrderTurn } from '@/server/orders';
import { parse } from '@/server/parse';

const PLACE = Joi.object<{ name: string; revision: number }>({
  name: Joi.string().trim().min(1).max(80).required().label('name'),
  revision: Joi.number().integer().required(),
});

/** Notes that what is still to buy was ordered. */
export const POST = projectRoute('edit', async (request, access) => {
  await placeOrder(database(), access, parse(PLACE, await readJson(request)));
  return orderState(database(), access.project);
});

const TURN = Joi.object<{ id: string; turn: OrderTurn }>({
  id: Joi.string().uuid().required(),
  turn: Joi.valid('arrived', 'not-arrived', 'taken-back', 'restored').required(),
});

/** Notes what became of an order. */
export const PATCH = projectRoute('edit', async (request, access) => {
  const { id, turn } = parse(TURN, await readJson(request));
  await turnOrder(database(), access, id, turn);
  return orderState(database(), access.project);
});

/** The order and the bolt plans as a PDF. */
export const GET = projectRoute('read', async (request, { project }) =>
  fileResponse(await orderPdf(database(), project, request.signal), 'application/pdf', `${project.name} order.pdf`, 'inline'),
); // prettier-ignore
