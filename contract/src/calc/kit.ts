import Joi, { type ObjectSchema, type Schema } from 'joi';
import type { Watch } from '@aspecta/core';

/** A calculation that can be reached by its id: JSON in, JSON out. */
export interface Calculation {
  id: string;
  title: string;
  /** The question it answers. */
  question: string;
  sources: readonly string[];
  /** What must be borne in mind when its answer is used. */
  cautions: readonly string[];
  /** Schemas; units stand in the descriptions. */
  input: ObjectSchema;
  output: ObjectSchema;
  /** A worked example: its input. */
  example: Record<string, unknown>;
  /** Past half a second: it is offered with progress and can be stopped. */
  heavy: boolean;
  run(input: never, watch?: Watch): unknown;
}

type Fields = Record<string, Schema>;
interface Entry<I> {
  id: string;
  title: string;
  question: string;
  sources: readonly string[];
  cautions?: readonly string[];
  /** Fields that must be given. */
  needs: Fields;
  /** Fields that may be left out. */
  may?: Fields;
  gives: Fields;
  /** Given in some cases only. */
  mayGive?: Fields;
  example: Record<string, unknown>;
  heavy?: boolean;
  run: (input: I, watch?: Watch) => unknown;
}

/** One entry of the catalogue. */
export function calculation<I>(entry: Entry<I>): Calculation {
  const { needs, may = {}, gives, mayGive = {}, run, cautions = [], heavy = false, ...told } = entry;
  return {
    ...told,
    cautions,
    heavy,
    input: Joi.object({ ...required(needs), ...may }),
    output: Joi.object({ ...required(gives), ...mayGive }),
    run: run as Calculation['run'],
  };
}

const required = (fields: Fields): Fields =>
  Object.fromEntries(Object.entries(fields).map(([name, schema]) => [name, schema.required()]));

/** A number with what it means and its unit; bounds and NaN are decided in core, by field and in words. */
export const number = (what: string, unit?: string) =>
  Joi.number()
    .unsafe()
    .description(unit ? `${what}, ${unit}` : what);
export const mm = (what: string) => number(what, 'mm');
export const degrees = (what: string) => number(what, 'degrees');
export const celsius = (what: string) => number(what, '°C');
export const seconds = (what: string) => number(what, 's');
export const share = (what: string) => number(what, '0 to 1');
export const money = (what: string) => number(what, 'minor units');
export const word = (what: string) => Joi.string().allow('').description(what);
export const flag = (what: string) => Joi.boolean().description(what);
export const maybe = (schema: Schema) => schema.allow(null);
export const many = (schema: Schema, what: string) => Joi.array().items(schema).description(what);
export const numbers = (what: string, unit?: string) => many(Joi.number().unsafe(), unit ? `${what}, ${unit}` : what);
/** An object all of whose fields must be there, but for those in `may`. */
export const object = (needs: Fields, what = '', may: Fields = {}) => {
  const schema = Joi.object({ ...required(needs), ...may });
  return what === '' ? schema : schema.description(what);
};
/** Checked in depth by core; here only that it is an object. */
export const table = (what: string) => Joi.object().description(what);

/** Numbers by name, as resources with how many there are. */
export const named = (what: string) => Joi.object().pattern(Joi.string(), Joi.number().unsafe()).description(what);
/** The like by name. */
export const byName = (schema: Schema, what: string) => Joi.object().pattern(Joi.string(), schema).description(what);

const pair = Joi.array().items(Joi.number().unsafe()).length(2);
export const point = (what: string) => pair.description(`${what}: [u, v], mm`);
export const points = (what: string) => many(pair, `${what}: [[u, v], …], mm`);
export const ring = (what: string) => many(pair, `${what}: corners [[u, v], …] without a closing point, mm`);
const anyPolygon = Joi.array().items(Joi.array().items(pair));
export const polygon = (what: string) => anyPolygon.description(`${what}: outer ring, then holes, mm`);
/** One outline alone, or an outline with holes. */
export const sheet = (what: string) =>
  Joi.alternatives(many(pair, 'outline'), many(Joi.array().items(pair), 'outline and holes')).description(
    `${what}: a ring, or outer ring and holes, mm`,
  );
export const rings = (what: string) => many(Joi.array().items(pair), `${what}, mm`);
export const polygons = (what: string) => many(anyPolygon, `${what}, each outer ring, then holes; mm`);
export const spread = (what: string, unit: string) =>
  object(
    { mean: number('mean', unit), p10: number('P10', unit), p50: number('P50', unit), p90: number('P90', unit) },
    what,
  );

/** The name of a source for a rule of the trade. */
export const PRACTICE = 'common practice, no published source';
export const MEMORY = 'figures from memory';
export const TEST_PIECE = 'Weld a test piece of the same sheet first and look at its back.';
export const QUALIFIED =
  'Structure: follow your local code and the maker’s manual, and ask a qualified person. This figure does not say that anything is safe.';
