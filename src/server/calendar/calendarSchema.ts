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
const dropOf = (group: Joi.Schema) =>
  Joi.object({
    ...common,
    kind: Joi.valid('drop').required(),
    // By their ids, in a file by their names.
    blocks: Joi.array().items(Joi.string().max(120)).max(400).required(),
    isFixed: Joi.boolean().required(),
    group,
  });

const meetingOf = (group: Joi.Schema) =>
  Joi.object({
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

const schemaOf = (group: Joi.Schema) => Joi.object<Calendar>({
  entries: Joi.array()
    .items(Joi.alternatives().conditional('.kind', { switch: [{ is: 'drop', then: dropOf(group) }, { is: 'meeting', then: meetingOf(group) }], otherwise: holiday }))
    .max(LIMITS.entries)
    .required(),
  endsOn: day.label('end'),
  timeZone: Joi.string().max(60).required(),
  hoursPerWeek: figure(LIMITS.hoursPerWeek).label('hours a week'),
  leadDays: whole(LIMITS.leadDays).label('days until cloth comes'),
  eveningMinutes: whole(LIMITS.eveningMinutes).label('evening'),
  suppliers: Joi.array()
    .items(Joi.object({ name: Joi.string().trim().min(1).max(LIMITS.title).required().label('supplier'), leadDays: whole(LIMITS.leadDays).label('days') }))
    .max(LIMITS.suppliers),
  together: Joi.array().items(Joi.array().items(Joi.string().max(120)).max(400)).max(200),
  isAnyWeekday: Joi.boolean(),
  standards: Joi.object().pattern(Joi.string().max(60), figure(LIMITS.standard).label('standard')).max(40),
}); // prettier-ignore

/** The form of a calendar as it is sent; what its days mean is checked by the core. */
export const calendarSchema = schemaOf(Joi.string().guid().label('group'));

/** The same in a file, where groups go by their names. */
export const calendarFileSchema = schemaOf(Joi.string().trim().min(1).max(LIMITS.title).label('group'));
