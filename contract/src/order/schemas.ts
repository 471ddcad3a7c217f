import Joi from 'joi';
import { ORDER_STATES, type OrderState } from '@aspecta/core/order';

/* What may come in, by field. */
const day = Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/);
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
  vehicleId: string;
  panel: string;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  due: string | null;
  note: string;
}>({ vehicleId: Joi.string().guid().required(), panel: Joi.string().max(60).required(), ...fields });
export const orderChangeSchema = Joi.object<{
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  due: string | null;
  note: string;
  version: number;
}>({ ...fields, version: Joi.number().integer().required() });
export const orderMoveSchema = Joi.object<{ state: OrderState; on: string; due: string | null; version: number }>({
  state: Joi.valid(...ORDER_STATES).required(),
  on: day.required(),
  due: day.allow(null).default(null),
  version: Joi.number().integer().required(),
});
