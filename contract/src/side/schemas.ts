import Joi from 'joi';
import type { SideInput } from './index.ts';

export const sideSchema = Joi.object<SideInput>({
  into: Joi.string().guid().allow(null).required(),
  id: Joi.string().guid().required(),
  zoneIds: Joi.array().items(Joi.string().guid()).max(50).unique().required(),
});
