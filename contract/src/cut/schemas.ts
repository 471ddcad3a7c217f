import Joi from 'joi';
import type { CutSettings } from './index.ts';

/* What may come in, by field. */
export const cutSchema = Joi.object<CutSettings & { version: number }>({
  margin: Joi.number().min(5).max(200).required(),
  maxCorners: Joi.number().integer().min(3).max(12).required(),
  cornerRadius: Joi.number().min(12).max(100).required(),
  kerf: Joi.number().min(0).max(5).required(),
  version: Joi.number().integer().min(0).required(),
});
