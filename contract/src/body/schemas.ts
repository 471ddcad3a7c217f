import Joi from 'joi';
import { EDGE_KINDS } from '@aspecta/core/body';
import type { FactsInput, OutlineInput, PartInput, PieceInput } from './index.ts';

const coordinate = Joi.number().min(-20_000).max(20_000).required();
export const outlineSchema = Joi.object<OutlineInput>({
  outline: Joi.array().items(Joi.array().ordered(coordinate, coordinate).length(2)).min(3).max(4000).required(),
  name: Joi.string().trim().min(1).max(80).required(),
  version: Joi.number().integer().required(),
});

const edge = {
  kind: Joi.valid(...EDGE_KINDS)
    .required()
    .label('What it is'),
  pitch: Joi.number().min(5).max(1000).label('How far apart'),
  sheets: Joi.number().integer().min(1).max(5).label('Sheets'),
  height: Joi.number().min(1).max(200).label('How wide'),
  hidden: Joi.boolean(),
};
const material = Joi.valid('steel', 'aluminium').required().label('Metal');
const thickness = Joi.number().min(0.3).max(8).required().label('Thickness');
const facts = Joi.object({
  layers: Joi.object().pattern(Joi.string().max(40), Joi.object({ thickness, material })),
  curvature: Joi.valid('flat', 'single', 'double'),
  structural: Joi.boolean(),
  visible: Joi.boolean(),
  fixing: Joi.valid('welded', 'bolted'),
  without: Joi.array().items(Joi.string().max(60)).max(20).unique(),
  edges: Joi.array()
    .items(
      Joi.object({
        ...edge,
        name: Joi.string().trim().min(1).max(60).required().label('Name of the edge'),
        line: Joi.array().items(Joi.array().ordered(coordinate, coordinate).length(2)).min(2).max(4000).required(),
        layer: Joi.string().max(40),
      }),
    )
    .max(60),
});
export const factsSchema = Joi.object<FactsInput>({ facts: facts.required(), seen: facts.allow(null).required() });
export const partSchema = Joi.object<PartInput>({
  name: Joi.string().trim().min(2).max(60).required().label('Name'),
  side: Joi.valid('left', 'right', 'centre').required(),
  width: Joi.number().min(10).max(5000).required().label('Width'),
  height: Joi.number().min(10).max(5000).required().label('Height'),
  thickness,
  material,
  structural: Joi.boolean().required(),
  visible: Joi.boolean().required(),
  edge: Joi.object(edge).required(),
});
export const pieceSchema = Joi.object<PieceInput>({
  name: Joi.string().trim().min(2).max(60).required().label('Name'),
  panels: Joi.array().items(Joi.string().max(60)).min(2).max(20).unique().required().label('Panels'),
});
