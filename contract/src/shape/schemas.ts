import Joi from 'joi';
import type { OutlineFileInput } from './index.ts';

const place = Joi.array().items(Joi.number().min(-1e5).max(1e5)).length(2);
export const outlineFileSchema = Joi.object<OutlineFileInput>({
  as: Joi.valid('dxf', 'dxf-r12', 'pdf-a4', 'pdf-letter').required(),
  title: Joi.string().trim().min(1).max(120).required(),
  cut: Joi.array().items(Joi.array().items(place).min(3).max(20_000)).min(1).max(500).required(),
  mark: Joi.array().items(Joi.array().items(place).min(2).max(20_000)).max(2000).default([]),
});
