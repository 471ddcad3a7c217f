import type { ObjectSchema, ValidationErrorItem } from 'joi';
import { ServerProblem } from './problems.ts';

/** The body in the shape of its schema, or a refusal that names every field that is wrong. */
export function parse<T>(schema: ObjectSchema<T>, body: unknown): T {
  const { error, value } = schema.validate(body ?? {}, { abortEarly: false, stripUnknown: false });
  if (!error) return value as T;
  const errors = error.details.map((item) => ({ field: pathOf(item), detail: sentence(item) }));
  throw new ServerProblem('invalid', errors[0]!.detail, errors[0]!.field, { errors });
}

const pathOf = (item: ValidationErrorItem) =>
  item.path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text === '' ? String(part) : `${text}.${part}`),
    '',
  );

/** What is wrong and how to mend it, in plain words. */
function sentence(item: ValidationErrorItem): string {
  const name = item.path.at(-1) ?? 'input';
  const context = (item.context ?? {}) as { limit?: number; value?: unknown; valids?: unknown[] };
  switch (item.type) {
    case 'any.required':
    case 'string.empty':
      return `${name} is missing; fill it in.`;
    case 'string.max':
      return `${name} has ${String(context.value).length} characters; shorten it to ${context.limit}.`;
    case 'string.min':
      return `${name} is too short; use at least ${context.limit} characters.`;
    case 'string.email':
      return `${name} is not an e-mail address; write it like name@place.example.`;
    case 'string.guid':
      return `${name} is not a valid id.`;
    case 'number.base':
      return `${name} must be a number; enter digits only.`;
    case 'number.integer':
      return `${name} must be a whole number.`;
    case 'number.min':
      return `${name} must be at least ${context.limit}.`;
    case 'number.max':
      return `${name} must be at most ${context.limit}.`;
    case 'any.only':
      return `${name} must be one of: ${(context.valids ?? []).filter((value) => value !== null).join(', ')}.`;
    case 'object.unknown':
      return `${name} is not known here; leave it out.`;
    case 'array.min':
      return `${name} needs at least ${context.limit} entries.`;
    case 'array.max':
      return `${name} can take at most ${context.limit} entries.`;
    case 'string.pattern.base':
      return `${name} must be a day of the calendar, written like 2026-05-31.`;
    default:
      return `${item.message.replaceAll('"', '')}.`;
  }
}
