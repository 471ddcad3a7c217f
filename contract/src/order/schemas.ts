import Joi from 'joi';
import { ARRIVAL_OUTCOMES, ARRIVAL_POINTS, ORDER_STATES } from '@aspecta/core/order';
import type { ArrivalInput, OrderMove, ParcelInput, TrackInput } from './index.ts';

/* What may come in, by field. */
/** A day of the calendar: 2026-02-30 is none. */
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((text: string, helpers) => {
    const at = new Date(`${text}T00:00:00Z`);
    const there = !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
    return there ? text : helpers.error('string.pattern.base');
  });
const money = Joi.number().integer().min(0).max(10_000_000).required();
const fields = {
  maker: Joi.string().trim().min(1).max(80).required(),
  price: money,
  quantity: Joi.number().integer().min(1).max(100).required(),
  carriage: money,
  due: day.allow(null).default(null),
  note: Joi.string().trim().allow('').max(500).default(''),
};
export const orderSchema = Joi.object<{
  /** Made by whoever sends it, so that it is stored once. */
  id?: string;
  vehicleId: string;
  /** Empty where it is no panel: `item` says what it is. */
  panel: string;
  item: string | null;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  due: string | null;
  note: string;
}>({
  id: Joi.string().guid(),
  vehicleId: Joi.string().guid().required(),
  panel: Joi.string().max(60).allow('').required(),
  item: Joi.string()
    .trim()
    .min(2)
    .max(80)
    .when('panel', { is: '', then: Joi.required(), otherwise: Joi.valid(null) })
    .default(null),
  ...fields,
});
export const orderChangeSchema = Joi.object<{
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  due: string | null;
  note: string;
  version: number;
}>({ ...fields, version: Joi.number().integer().required() });
export const trackSchema = Joi.object<TrackInput>({
  number: Joi.string().trim().allow('').max(60).required().label('Number of the parcel'),
  version: Joi.number().integer().required(),
});
export const orderMoveSchema = Joi.object<OrderMove>({
  state: Joi.valid(...ORDER_STATES).required(),
  on: day.required(),
  due: day.allow(null).default(null),
  note: Joi.string().trim().allow('').max(500).default(''),
  part: Joi.object({
    pieces: Joi.number().integer().min(1).max(100).required(),
    rest: Joi.string().guid().required(),
  })
    .allow(null)
    .when('state', { is: 'arrived', otherwise: Joi.valid(null) })
    .default(null),
  version: Joi.number().integer().required(),
});
export const orderBackSchema = Joi.object<{ version: number }>({ version: Joi.number().integer().required() });
const note = Joi.string().trim().allow('').max(500).default('');
export const parcelSchema = Joi.object<ParcelInput>({
  id: Joi.string().guid().required(),
  maker: Joi.string().trim().min(1).max(80).required(),
  lines: Joi.array()
    .items(Joi.object({ id: Joi.string().guid().required(), version: Joi.number().integer().required(), price: money }))
    .min(1)
    .max(50)
    .unique('id')
    .required(),
  carriage: money,
  on: day.required(),
  due: day.allow(null).default(null),
  note,
});
export const arrivalSchema = Joi.object<ArrivalInput>({
  points: Joi.object(Object.fromEntries(ARRIVAL_POINTS.map((point) => [point, Joi.boolean()]))).required(),
  thickness: Joi.number().greater(0).max(20).allow(null).required(),
  short: Joi.number().min(0).max(2000).required(),
  outcome: Joi.valid(...ARRIVAL_OUTCOMES).required(),
  hours: Joi.number().min(0).max(100).required(),
  on: day.required(),
  note,
  credit: Joi.number().integer().min(0).max(10_000_000).allow(null).default(null),
  again: Joi.object({
    maker: Joi.string().trim().min(1).max(80).required(),
    price: money,
    carriage: money,
  })
    .allow(null)
    .default(null),
  version: Joi.number().integer().required(),
});
