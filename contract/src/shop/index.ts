import Joi from 'joi';

export type Role = 'owner' | 'worker' | 'viewer';
export type Unit = 'mm' | 'in';

export interface Person {
  id: string;
  name: string;
  email: string;
  role: Role;
}

/** House rules of a shop; money in minor units of its currency. */
export interface Shop {
  id: string;
  name: string;
  /** ISO 4217. */
  currency: string;
  unit: Unit;
  /** 0.2 = 20 %. */
  taxRate: number;
  rates: { hour: number; sheetDm2: number; weldMetre: number; coatDm2: number };
  version: number;
}

export interface SessionView {
  person: Person;
  shop: Shop;
  /** To be sent as header x-aspecta-csrf with every change. */
  csrf: string;
}

/** What the sign-in page needs to know before anybody has signed in. */
export interface DoorView {
  session: SessionView | null;
  demo: boolean;
  needsSetup: boolean;
}

const email = Joi.string().trim().email({ tlds: false }).max(200).required();
const password = Joi.string().min(10).max(200).required();
const name = Joi.string().trim().min(1).max(120).required();

export const signInSchema = Joi.object<{ email: string; password: string }>({ email, password: Joi.string().max(200).required() });
export const setupSchema = Joi.object<{ shop: string; name: string; email: string; password: string }>({ shop: name, name, email, password });
export const personSchema = Joi.object<{ name: string; email: string; password: string; role: Role }>({ name, email, password, role: Joi.valid('owner', 'worker', 'viewer').required() });
export const roleSchema = Joi.object<{ role: Role }>({ role: Joi.valid('owner', 'worker', 'viewer').required() });

const money = Joi.number().integer().min(0).max(100_000_000);
export const shopSchema = Joi.object<Omit<Shop, 'id'>>({
  name,
  currency: Joi.string().uppercase().length(3).required(),
  unit: Joi.valid('mm', 'in').required(),
  taxRate: Joi.number().min(0).max(1).required(),
  rates: Joi.object({ hour: money.required(), sheetDm2: money.required(), weldMetre: money.required(), coatDm2: money.required() }).required(),
  version: Joi.number().integer().required(),
});
