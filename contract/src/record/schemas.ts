import Joi from 'joi';
import type { ShareInput } from './index.ts';

export const shareSchema = Joi.object<ShareInput>({
  label: Joi.string().trim().min(2).max(120).required(),
  days: Joi.number().integer().min(1).max(365).required(),
});
