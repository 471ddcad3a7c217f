import Joi from 'joi';
import type { CutRequest, LayOutRequest, SheetInput } from './index.ts';

const sheet = {
  name: Joi.string().trim().min(1).max(80).required().label('Name'),
  width: Joi.number().min(20).max(5000).required().label('Width'),
  height: Joi.number().min(20).max(5000).required().label('Length'),
  thickness: Joi.number().min(0.3).max(6).required().label('Thickness'),
  material: Joi.valid('steel', 'aluminium').required().label('Metal'),
};
export const sheetSchema = Joi.object<SheetInput>({ id: Joi.string().uuid().required(), ...sheet });
export const sheetChangeSchema = Joi.object<SheetInput & { version: number }>({
  id: Joi.string().uuid().required(),
  ...sheet,
  version: Joi.number().integer().min(1).required(),
});
const laid = {
  blanks: Joi.array()
    .items(Joi.string().pattern(/^[0-9a-f-]{36}(\.\d{1,2})?$/, 'blank'))
    .min(1)
    .max(60)
    .unique()
    .required(),
  gap: Joi.number().min(0).max(50).required().label('Between two pieces'),
  turn: Joi.boolean().required(),
};
export const layOutSchema = Joi.object<LayOutRequest>(laid);
export const cutSheetSchema = Joi.object<CutRequest>({
  ...laid,
  sheet: Joi.string().uuid().required(),
  version: Joi.number().integer().min(1).required(),
});
