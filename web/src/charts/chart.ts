/** One axis: what it counts, in which unit, and how a value of it is written. */
export interface Axis {
  name: string;
  /** In the person's unit; left out where the values are names. */
  unit?: string;
  /** Names along it; values are then their places, 0, 1, 2 … */
  names?: readonly string[];
  min?: number;
  max?: number;
  /** Between two lines across; of itself where it is left out. */
  every?: number;
  write?: (value: number) => string;
}

export type At = readonly [x: number, y: number];

/** Something that is drawn: values in the units of the axes. */
export type Series =
  | { kind: 'line'; name: string; points: readonly At[]; colour?: ChartColour; dashed?: boolean; stepped?: boolean }
  | { kind: 'points'; name: string; points: readonly At[]; colour?: ChartColour }
  /** Doubt: from low to high at each x. */
  | { kind: 'band'; name: string; points: readonly (readonly [x: number, low: number, high: number])[] }
  /** A range with its middle, lying along x at a place of y. */
  | {
      kind: 'range';
      name: string;
      points: readonly (readonly [low: number, middle: number, high: number, y: number])[];
      chosen?: number | undefined;
    }
  /** From low to high along x at a place of y, and what each of them is. */
  | {
      kind: 'bars';
      name: string;
      points: readonly (readonly [low: number, high: number, y: number])[];
      labels: readonly string[];
      colour?: ChartColour;
    }
  /** Columns that stand beside each other. */
  | { kind: 'columns'; name: string; points: readonly At[]; width: number; colour?: ChartColour };

/** A limit or a moment: a line across. */
export interface Mark {
  name: string;
  x?: number;
  y?: number;
}

/** What a chart shows, as plain data; `optionOf` makes a drawing of it, `rowsOf` a table. */
export interface Chart {
  /** What one sees in it, as a sentence or a question. */
  title: string;
  x: Axis;
  y: Axis;
  series: readonly Series[];
  marks?: readonly Mark[];
}

/** Colours by what they mean, as the look names them. */
export type ChartColour = 'mark' | 'alarm' | 'good' | 'ink-soft' | 'thin' | 'failing' | 'through' | 'worn' | 'sound';

export const writeOn = (axis: Axis, value: number): string =>
  axis.write?.(value) ?? axis.names?.[value] ?? String(Number(value.toPrecision(4)));
/** With its unit, unless it is written with one. */
export const withUnit = (axis: Axis, value: number): string =>
  axis.write || axis.names || !axis.unit ? writeOn(axis, value) : `${writeOn(axis, value)} ${axis.unit}`;
export const titleOf = ({ name, unit }: Axis): string => (unit ? `${name}, ${unit}` : name);

/** The same as a table: for who cannot see it, and for who wants the figures. */
export function rowsOf({ x, y, series }: Chart): { head: string[]; rows: string[][] } {
  const rows = series.flatMap((one) =>
    one.points.map((point, i): string[] => {
      if (one.kind === 'range') {
        const [low, middle, high, at] = point as readonly [number, number, number, number];
        return [one.name, withUnit(y, at), `${withUnit(x, middle)} (${withUnit(x, low)} to ${withUnit(x, high)})`];
      }
      if (one.kind === 'bars') {
        const [low, high, row] = point as readonly [number, number, number];
        return [one.labels[i]!, withUnit(y, row), `${withUnit(x, low)} to ${withUnit(x, high)}`];
      }
      const [at, value, high] = point as readonly [number, number, number?];
      const text = high === undefined ? withUnit(y, value) : `${withUnit(y, value)} to ${withUnit(y, high)}`;
      return [one.name, withUnit(x, at), text];
    }),
  );
  const isRanges = series.every(({ kind }) => kind === 'range' || kind === 'bars');
  return { head: ['What', isRanges ? y.name : titleOf(x), isRanges ? titleOf(x) : titleOf(y)], rows };
}
