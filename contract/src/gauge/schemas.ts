import Joi from 'joi';

export const placeSchema = Joi.object<{ panel: string; layer: string; u: number; v: number }>({
  panel: Joi.string()
    .pattern(/^[\w-]{1,60}$/)
    .required(),
  layer: Joi.string()
    .pattern(/^[\w-]{1,40}$/)
    .required(),
  u: Joi.number().min(-20_000).max(20_000).required(),
  v: Joi.number().min(-20_000).max(20_000).required(),
});
