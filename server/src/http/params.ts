import type { Request } from 'express';
import { notFound } from './problems.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** An id of the address; one that cannot be an id does not exist. */
export function idOf(request: Request, name = 'id'): string {
  const value = request.params[name];
  if (typeof value !== 'string' || !UUID.test(value)) throw notFound('record');
  return value;
}

/** A word of the address, such as a panel. */
export function wordOf(request: Request, name: string): string {
  const value = request.params[name];
  return typeof value === 'string' ? value.slice(0, 80) : '';
}
