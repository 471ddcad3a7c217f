import Joi from 'joi';
import { FASTENER_STATES, type FastenerMark } from './index.ts';

/* What may come in, by field. */
export const fastenerMarkSchema = Joi.object<FastenerMark>({
  ids: Joi.array()
    .items(Joi.string().pattern(/^-?\d{1,5}:-?\d{1,5}$/, 'place'))
    .min(1)
    .max(2000)
    .unique()
    .required(),
  state: Joi.valid(...FASTENER_STATES).required(),
});
