import Joi from 'joi';
import type { OutlineInput } from './index.ts';

const coordinate = Joi.number().min(-20_000).max(20_000).required();
export const outlineSchema = Joi.object<OutlineInput>({
  outline: Joi.array().items(Joi.array().ordered(coordinate, coordinate).length(2)).min(3).max(4000).required(),
  name: Joi.string().trim().min(1).max(80).required(),
  version: Joi.number().integer().required(),
});
