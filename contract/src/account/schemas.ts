import Joi from 'joi';
import { email, name, password, role } from '../shop/schemas.ts';
import type { InvitationInput } from './index.ts';

/* What may come in, by field. */
export const passwordChangeSchema = Joi.object<{ current: string; password: string }>({
  current: Joi.string().max(200).required(),
  password,
});
export const invitationSchema = Joi.object<InvitationInput>({ name, role });
export const joinSchema = Joi.object<{ name: string; email: string; password: string }>({ name, email, password });
export const guestsSchema = Joi.object<{ personIds: string[] }>({
  personIds: Joi.array().items(Joi.string().guid()).max(50).unique().required(),
});
