import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface DrillSeam {
  /** mm */
  length: number;
  /** As-built spot pitch, mm. */
  pitch: number;
  /** Sheets in the seam; only the upper ones are drilled. */
  sheets: number;
  /** Under sealer or another flange: found late, drilled last. */
  hidden?: boolean;
  name?: string;
}
export interface DrillOut {
  /** mm along each seam. */
  positions: number[][];
  count: number;
  /** From the middle of each seam outwards, open seams first, so that the flange comes free to its ends. */
  order: { seam: number; at: number }[];
  /** s */
  time: number;
  minutes: number;
  notes: string[];
}

/** A third of the time more for each sheet beyond two, and half as much again under sealer; common practice, no published source. */
const EXTRA_SHEET = 1 / 3;
const HIDDEN = 1.5;

/** Where the spots of a seam are, mm along it: evenly at about the pitch, half a pitch from either end, one at least. */
export function spotsAlong(length: number, pitch: number): number[] {
  const count = Math.max(1, Math.round(length / pitch));
  return Array.from({ length: count }, (_, k) => ((k + 0.5) * length) / count);
}

/**
 * How many spot welds hold this seam, where are they, and how long does drilling them out take
 *? Evenly at the as-built pitch, half a pitch from either end; a seam that is shorter
 * than the pitch has one in its middle.
 *
 * @param seams 1 to 500; lengths mm; minutesEach usual time for one weld with access
 * @throws Problem naming the field
 * Source: common practice (T-10, T-22), no published source.
 */
export function drillOut({ seams, minutesEach }: { seams: readonly DrillSeam[]; minutesEach: number }): DrillOut {
  finite('minutesEach', minutesEach, { above: 0, max: 60, unit: 'min' });
  const positions = list<DrillSeam>('seams', seams, 1, 500).map((seam, i) => {
    finite(`seams[${i}].length`, seam?.length, { above: 0, max: 1e5, unit: 'mm' });
    finite(`seams[${i}].pitch`, seam.pitch, { min: 5, max: 1000, unit: 'mm' });
    finite(`seams[${i}].sheets`, seam.sheets, { min: 2, max: 6 });
    if (!Number.isInteger(seam.sheets))
      refuse('not-whole', `seams[${i}].sheets`, `seams[${i}].sheets must be a whole number.`);
    return spotsAlong(seam.length, seam.pitch);
  });
  const bySeam = seams
    .map((_, i) => i)
    .sort((a, b) => Number(Boolean(seams[a]!.hidden)) - Number(Boolean(seams[b]!.hidden)));
  const order = bySeam.flatMap((seam) => {
    const middle = seams[seam]!.length / 2;
    return [...positions[seam]!]
      .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)
      .map((at) => ({ seam, at }));
  });
  const minutes = seams.reduce(
    (sum, seam, i) =>
      sum + positions[i]!.length * minutesEach * (1 + EXTRA_SHEET * (seam.sheets - 2)) * (seam.hidden ? HIDDEN : 1),
    0,
  );
  return {
    positions,
    count: order.length,
    order,
    time: minutes * 60,
    minutes,
    notes: [
      'Drill through the upper sheet only; a pilot hole first keeps the cutter from wandering.',
      ...(seams.some((seam) => seam.hidden)
        ? ['Some are under sealer or another flange: scrape and look before counting on this number.']
        : []),
    ],
  };
}
