import type { LengthUnit } from '@aspecta/core/units';

export interface TapeMark {
  /** mm on the sheet. */
  at: number;
  /** Empty for the fine marks. */
  label: string;
}

const MM_STEPS = [1, 5, 10, 50, 100, 500, 1000, 5000];
const INCH_STEPS = [1 / 16, 1 / 4, 1, 6, 12, 60, 120, 600];
/** px. Fine marks come no closer than this… */
const CLOSEST = 6;
/** …and labelled ones no closer than this. */
const LABEL_ROOM = 54;

/** The marks of a tape over a stretch of the sheet, in the person's unit. */
export function tapeMarks(from: number, to: number, scale: number, unit: LengthUnit): TapeMark[] {
  const inch = unit === 'in' ? 25.4 : 1;
  const steps = unit === 'in' ? INCH_STEPS : MM_STEPS;
  const fine = steps.find((step) => step * inch * scale >= CLOSEST) ?? steps.at(-1)!;
  const coarse = steps.find((step) => step * inch * scale >= LABEL_ROOM && step >= fine) ?? steps.at(-1)!;
  const every = Math.max(1, Math.round(coarse / fine));
  const marks: TapeMark[] = [];
  const first = Math.ceil(from / inch / fine);
  const last = Math.floor(to / inch / fine);
  for (let i = first; i <= last && marks.length < 2000; i++) {
    const value = i * fine;
    marks.push({ at: value * inch, label: i % every === 0 ? String(Math.round(value * 100) / 100) : '' });
  }
  return marks;
}
