import Joi from 'joi';
import { invalid } from './errors';

/** Reads input by a Joi schema; the first fault becomes one refusal that names the field. */
export function parse<T>(schema: Joi.Schema<T>, input: unknown): T {
  const { value, error } = schema.validate(input, { abortEarly: true, stripUnknown: false, convert: true });
  if (!error) return value as T;
  const detail = error.details[0];
  const field = detail?.path.join('.') ?? '';
  throw invalid(`${sentence(detail?.message ?? error.message)}.`, 'Correct it and send it again.', field);
}

function sentence(text: string): string {
  const plain = text
    .replace(/"/g, '')
    .replace(/\b[a-z]+[A-Z]\w*/g, (name) => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`));
  return plain.charAt(0).toUpperCase() + plain.slice(1);
}

/** Whether a text is an id as the database makes them. */
export function isId(text: string): boolean {
  return /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text);
}

export const id = () => Joi.string().guid({ version: 'uuidv4' }).required();
export const name = () => Joi.string().trim().min(1).max(120).required();
export const email = () =>
  Joi.string()
    .trim()
    .lowercase()
    .email({ tlds: { allow: false } })
    .max(254)
    .required()
    .label('e-mail address');
export const password = () => Joi.string().min(10).max(200).required();
