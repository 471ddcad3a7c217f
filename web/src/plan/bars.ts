import type { PlannedStep } from '@aspecta/contract/plan';
import type { Chart } from '../charts/chart.ts';

/* Steps of a plan as bars over its days, weeks or months. */

const DAY = 86_400_000;
const MOST_ROWS = 40;

/** How far the bars look ahead, by how they are told apart: days in all (null: to the end), and days from line to line. */
export const SPANS = {
  days: { label: 'Days', ahead: 14, every: 1 },
  weeks: { label: 'Weeks', ahead: 84, every: 7 },
  months: { label: 'Months', ahead: null, every: 30 },
} as const;
export type Span = keyof typeof SPANS;

/** The least span that shows all of it; the longest for what takes longer. */
export function spanFor(from: string, until: string | null): Span {
  const days = until ? (Date.parse(until) - Date.parse(from)) / DAY : 0;
  return days <= SPANS.days.ahead ? 'days' : days <= SPANS.weeks.ahead ? 'weeks' : 'months';
}

/** The moment (ms) at a place of the bars. */
export const momentOn = (from: string, x: number): number => Date.parse(from) + x * DAY;

/** One bar: which step it belongs to, and whether that begins with it. */
export interface Bar<S extends PlannedStep = PlannedStep> {
  step: S;
  first: boolean;
}
export interface Bars<S extends PlannedStep = PlannedStep> {
  chart: Chart;
  /** As they lie in the chart. */
  bars: Bar<S>[];
  /** Steps that begin in this span and are too many to be shown. */
  more: number;
}

interface Shown<S> {
  from: string;
  span: Span;
  /** How a row is called, by what lies in it; its steps one by one where it is left out. */
  row?: (step: S) => string;
  title: string;
  dayText: (iso: string) => string;
  /** Days from the beginning at which the drawing ends, whatever lies beyond; of itself where it is left out. */
  end?: number | undefined;
}

/** Every step as a bar in a row of its own, or its pieces in the rows of who works on them, or of their cars. */
export function barsOf<S extends PlannedStep>(
  steps: readonly S[],
  { from, span, row, title, dayText, end: until }: Shown<S>,
): Bars<S> {
  const { every } = SPANS[span];
  const days = (iso: string) => (Date.parse(iso) - Date.parse(from)) / DAY;
  const end = until ?? endOf(span, Math.max(0, ...steps.map(({ pieces }) => days(pieces.at(-1)![1]))));
  const within = until === undefined ? steps.filter(({ pieces }) => days(pieces[0]![0]) < end) : steps;
  const shown = row ? within : within.slice(0, MOST_ROWS);
  const names = row ? [...new Set(shown.map(row))] : shown.map((step) => short(step.title));
  const lain = shown.flatMap((step, i) => {
    const spans = row ? step.pieces : [[step.pieces[0]![0], step.pieces.at(-1)![1]] as const];
    return spans.map(([a, b], k) => ({
      bar: { step, first: k === 0 },
      at: [days(a), days(b), row ? names.indexOf(row(step)) : i] as const,
    }));
  });
  const kinds = [
    { name: 'Work', colour: 'mark', own: lain.filter(({ bar }) => bar.step.by !== null) },
    { name: WAITS, colour: 'worn', own: lain.filter(({ bar }) => bar.step.by === null) },
  ] as const;
  return {
    bars: kinds.flatMap(({ own }) => own.map(({ bar }) => bar)),
    more: within.length - shown.length,
    chart: {
      title,
      x: {
        ...{ name: 'Day', min: 0, max: end, every },
        write: (value) => dayText(new Date(momentOn(from, value)).toISOString()),
      },
      y: { name: row ? 'Whose' : 'Step', names },
      series: kinds
        .filter(({ own }) => own.length > 0)
        .map(({ name, colour, own }) => ({
          ...{ kind: 'bars', name, colour, points: own.map(({ at }) => at) },
          labels: own.map(({ bar: { step } }) => step.title),
        })),
    },
  };
}

/** What nobody works on. */
export const WAITS = 'Dries, or is on its way';
/** Room behind the last step, in lines: so that something can be put off. */
const BEHIND = 2;
function endOf(span: Span, last: number): number {
  const { ahead, every } = SPANS[span];
  const room = (Math.ceil(last / every) + BEHIND) * every;
  return span === 'days' || (ahead !== null && room > ahead) ? ahead! : room;
}
const short = (title: string) => (title.length > 34 ? `${title.slice(0, 33)}…` : title);
