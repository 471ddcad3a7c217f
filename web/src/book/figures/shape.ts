/** The part of JSON Schema that the catalogue writes. */
export interface Schema {
  description?: string;
  type?: string | string[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  anyOf?: Schema[];
  patternProperties?: Record<string, Schema>;
}

/** In what a figure is told and typed; null: as it is. */
export type FigureUnit = 'mm' | 'money' | 'celsius' | null;

/** How a field of a calculation is typed by hand. */
export type FigureShape =
  | { kind: 'number'; unit: FigureUnit }
  /** `orNumber`: what is written in digits is a number. */
  | { kind: 'text'; orNumber?: boolean }
  | { kind: 'flag' }
  /** Numbers, several on a line. */
  | { kind: 'numbers' }
  /** Words, one on a line. `nobody`: that word stands for none, where left out means all. */
  | { kind: 'words'; nobody?: boolean }
  /** Places, one on a line, coordinates with commas in between. */
  | { kind: 'points'; unit: FigureUnit }
  /** Outlines: places as above, an empty line between two of them. */
  | { kind: 'rings'; unit: FigureUnit }
  /** Outlines with holes: as above, a line of three dashes between two of them. */
  | { kind: 'polygons'; unit: FigureUnit }
  /** Numbers by name, one on a line. */
  | { kind: 'named' }
  /** Spans of hours by name, one name on a line: Ines 18-20, 42-44. */
  | { kind: 'spans' }
  /** Several of the same kind, as rows; `keyed`: the first column is the name under which it stands. */
  | { kind: 'rows'; columns: readonly Figure[]; keyed: boolean }
  | { kind: 'group'; fields: readonly Figure[] }
  /** What has no form of its own. */
  | { kind: 'any' };

export interface Figure {
  key: string;
  /** What it means, without its unit. */
  label: string;
  /** The unit as the catalogue says it, where the person's own does not take its place. */
  unitWord: string;
  optional: boolean;
  /** Empty means that there is none. */
  nullable: boolean;
  shape: FigureShape;
}

const UNITS: Readonly<Record<string, FigureUnit>> = { mm: 'mm', 'minor units': 'money', '°C': 'celsius' };
const is = (schema: Schema | undefined, type: string) =>
  schema?.type === type || (Array.isArray(schema?.type) && schema.type.includes(type));

/** The fields of an input or output, in the order of the catalogue, those that must be there first. */
export function figuresOf(schema: Schema | undefined): Figure[] {
  const { properties = {}, required = [] } = schema ?? {};
  return Object.entries(properties)
    .map(([key, field]) => figureOf(key, field, !required.includes(key)))
    .sort((a, b) => Number(a.optional) - Number(b.optional));
}

function figureOf(key: string, schema: Schema, optional: boolean): Figure {
  // How it is written as JSON is for those who write JSON.
  const text = (schema.description ?? key).replace(/:? (corners )?\[.*\](?=,|$| without)/, '');
  const [, label, unit] =
    /^(.*?), ((?:mm|minor units|°C|h|s|degrees|kJ\/mm|W|A|V|MPa|days|0 to 1|%)\S*)$/.exec(text) ?? [];
  const own = unit ? (UNITS[unit] ?? null) : null;
  return {
    key,
    label: label ?? text,
    unitWord: own || !unit ? '' : unit,
    optional,
    nullable: is(schema, 'null'),
    shape: aware(shapeOf(schema, own), text),
  };
}

/** Lists in which none is something else than left out say so by the word for it. */
const aware = (shape: FigureShape, text: string): FigureShape =>
  shape.kind === 'words' && /\bnobody\b/.test(text) ? { ...shape, nobody: true } : shape;

function shapeOf(schema: Schema, unit: FigureUnit): FigureShape {
  if (is(schema, 'number') || is(schema, 'integer')) return { kind: 'number', unit };
  if (is(schema, 'boolean')) return { kind: 'flag' };
  if (is(schema, 'string')) return { kind: 'text' };
  if (is(schema, 'object')) return objectShape(schema);
  if (is(schema, 'array')) return listShape(schema.items, unit);
  // Of several ways to say it the plainest that can say all: a number alone, or outlines of which there may be one.
  const ways = (schema.anyOf ?? []).map((way) => shapeOf(way, unit));
  const number = ways.find(({ kind }) => kind === 'number');
  if (number && ways.some(({ kind }) => kind === 'text')) return { kind: 'text', orNumber: true };
  return number ?? ways.find(({ kind }) => kind === 'rings') ?? ways[0] ?? { kind: 'any' };
}

function objectShape(schema: Schema): FigureShape {
  if (schema.properties) return { kind: 'group', fields: figuresOf(schema) };
  const each = Object.values(schema.patternProperties ?? {})[0];
  if (is(each, 'number')) return { kind: 'named' };
  if (is(each, 'array') && is(each?.items, 'array')) return { kind: 'spans' };
  if (each?.properties) return { kind: 'rows', columns: figuresOf(each), keyed: true };
  return { kind: 'any' };
}

function listShape(items: Schema | undefined, unit: FigureUnit): FigureShape {
  if (is(items, 'number')) return { kind: 'numbers' };
  if (
    is(items, 'string') ||
    (items?.anyOf?.some((one) => is(one, 'string')) && !items.anyOf.some((one) => one.properties))
  )
    return { kind: 'words' };
  if (items?.properties) return { kind: 'rows', columns: figuresOf(items), keyed: false };
  // What may be a name alone or a name with more: rows whose first column is the name.
  const full = items?.anyOf?.find((one) => one.properties);
  if (full && items?.anyOf?.some((one) => is(one, 'string')))
    return { kind: 'rows', columns: figuresOf(full), keyed: false };
  if (is(items, 'array')) {
    if (is(items?.items, 'number')) return { kind: 'points', unit };
    if (is(items?.items, 'array') && is(items?.items?.items, 'number')) return { kind: 'rings', unit };
    if (is(items?.items?.items, 'array')) return { kind: 'polygons', unit };
  }
  return { kind: 'any' };
}
