import Joi from 'joi';
import { isDay } from '@/core/calendar';
import { invalid } from '@/server/errors';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { offThread, unlessRefused } from '@/server/pool';

const MOST_LETTERS = 2_000_000;

const BODY = Joi.object<{ text: string; from: string; to: string }>({
  text: Joi.string().max(MOST_LETTERS).required().label('file'),
  from: Joi.string().required(),
  to: Joi.string().required(),
});

/** Reads holidays out of a file; nothing is saved by it. */
export const POST = projectRoute('edit', async (request) => {
  const { text, from, to } = parse(BODY, await readJson(request, 2 * MOST_LETTERS));
  if (!isDay(from) || !isDay(to))
    throw invalid('There is no such day.', 'Choose two days of the calendar.', 'from');
  return { holidays: unlessRefused(await offThread('holidays', { text, from, to }, request.signal)) };
});
