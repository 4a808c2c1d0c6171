import Joi from 'joi';
import { CALENDAR_LIMITS as LIMITS, type Calendar } from '@/core/calendar';

type Limited = { readonly least: number; readonly most: number };
const figure = ({ least, most }: Limited) => Joi.number().min(least).max(most).required();
const whole = (limits: Limited) => figure(limits).integer();
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .messages({ 'string.pattern.base': 'A day is written like 2026-03-28.' });

const common = {
  id: Joi.string().min(1).max(60).required(),
  day: day.required().label('day'),
  title: Joi.string().trim().min(1).max(LIMITS.title).required().label('name'),
  note: Joi.string().allow('').max(LIMITS.note).label('note'),
};
const group = Joi.string().guid().label('group');

const drop = Joi.object({
  ...common,
  kind: Joi.valid('drop').required(),
  blocks: Joi.array().items(Joi.string().max(60)).max(400).required(),
  isFixed: Joi.boolean().required(),
  group,
});

const meeting = Joi.object({
  ...common,
  kind: Joi.valid('meeting').required(),
  at: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
    .required()
    .label('hour')
    .messages({ 'string.pattern.base': 'An hour is written like 18:30.' }),
  minutes: whole(LIMITS.minutes).label('length'),
  place: Joi.string().allow('').max(LIMITS.title).required(),
  everyWeeks: whole(LIMITS.everyWeeks).label('weeks apart'),
  times: whole(LIMITS.times).label('times'),
  group,
});

const holiday = Joi.object({
  ...common,
  kind: Joi.valid('holiday').required(),
  until: day.required().label('last day'),
});

/** The form of a calendar as it is sent; what its days mean is checked by the core. */
export const calendarSchema = Joi.object<Calendar>({
  entries: Joi.array()
    .items(Joi.alternatives().conditional('.kind', { switch: [{ is: 'drop', then: drop }, { is: 'meeting', then: meeting }], otherwise: holiday }))
    .max(LIMITS.entries)
    .required(),
  endsOn: day.label('end'),
  timeZone: Joi.string().max(60).required(),
  hoursPerWeek: figure(LIMITS.hoursPerWeek).label('hours a week'),
  leadDays: whole(LIMITS.leadDays).label('days until cloth comes'),
  eveningMinutes: whole(LIMITS.eveningMinutes).label('evening'),
}); // prettier-ignore
