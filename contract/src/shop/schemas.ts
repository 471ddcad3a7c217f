import Joi from 'joi';
import type { Role, Shop } from './index.ts';

/* What may come in, by field. */
const email = Joi.string().trim().email({ tlds: false }).max(200).required();
const password = Joi.string().min(10).max(200).required();
const name = Joi.string().trim().min(1).max(120).required();

export const signInSchema = Joi.object<{ email: string; password: string }>({
  email,
  password: Joi.string().max(200).required(),
});
export const setupSchema = Joi.object<{ shop: string; name: string; email: string; password: string }>({
  shop: name,
  name,
  email,
  password,
});
export const personSchema = Joi.object<{ name: string; email: string; password: string; role: Role }>({
  name,
  email,
  password,
  role: Joi.valid('owner', 'worker', 'viewer').required(),
});
export const roleSchema = Joi.object<{ role: Role }>({ role: Joi.valid('owner', 'worker', 'viewer').required() });

const money = Joi.number().integer().min(0).max(100_000_000);
export const shopSchema = Joi.object<Omit<Shop, 'id'>>({
  name,
  currency: Joi.string().uppercase().length(3).required(),
  unit: Joi.valid('mm', 'in').required(),
  taxRate: Joi.number().min(0).max(1).required(),
  rates: Joi.object({
    hour: money.required(),
    sheetDm2: money.required(),
    weldMetre: money.required(),
    coatDm2: money.required(),
  }).required(),
  overlay: Joi.boolean().required(),
  version: Joi.number().integer().required(),
});
