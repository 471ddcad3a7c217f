import Joi from 'joi';
import type { WeldSettingsInput } from './index.ts';

/* What may come in, by field. */
export const weldSchema = Joi.object<WeldSettingsInput & { version: number; reason: string }>({
  process: Joi.valid('mig', 'tig').required(),
  position: Joi.valid('flat', 'vertical', 'overhead').required(),
  handWarm: Joi.number().min(30).max(150).required(),
  strategy: Joi.valid('coolest', 'skip', 'backstep', 'continuous').required(),
  /** Why it is laid out anew although welds are done; nobody asks for it before. */
  reason: Joi.string().trim().allow('').max(300).default(''),
  version: Joi.number().integer().min(0).required(),
});
export const stepSchema = Joi.object<{ done: boolean; version: number }>({
  done: Joi.boolean().required(),
  version: Joi.number().integer().required(),
});
