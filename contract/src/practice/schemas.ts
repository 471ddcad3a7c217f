import Joi from 'joi';
import type { PracticeSeed } from '@aspecta/core/practice';
import type { PracticeEnd, PracticeRead } from './index.ts';

const at = {
  plan: Joi.string().max(40).required().label('Body'),
  level: Joi.number().valid(1, 2, 3).required().label('Level'),
  seed: Joi.number().integer().min(0).max(1e9).required().label('Number of the car'),
};
const place = Joi.array().ordered(Joi.number().required(), Joi.number().required()).length(2);
export const practiceSchema = Joi.object<PracticeSeed>(at);
export const practiceReadSchema = Joi.object<PracticeRead>({
  ...at,
  panel: Joi.string().max(60).required(),
  at: place.required(),
  gauge: Joi.valid('metal', 'coating').required(),
  n: Joi.number().integer().min(0).max(10_000).required(),
});
export const practiceEndSchema = Joi.object<PracticeEnd>({
  ...at,
  answers: Joi.array()
    .items(
      Joi.object({
        panel: Joi.string().max(60).required(),
        choice: Joi.valid('sound', 'patch', 'whole').required(),
        zones: Joi.array().items(Joi.array().items(place).min(3).max(200)).max(20).required(),
      }),
    )
    .max(30)
    .unique('panel')
    .required(),
  readings: Joi.number().integer().min(0).max(10_000).required(),
});
