import type { PlannedStep } from '@aspecta/contract/plan';
import { hours, percent } from '../shell/units.ts';

/** What is done in one stretch of somebody's time. */
export interface Slot<S extends PlannedStep = PlannedStep> {
  day: string;
  by: string;
  from: string;
  to: string;
  steps: S[];
}

/** ms. Pieces that follow each other this closely are one evening. */
const TOGETHER = 4 * 3_600_000;

/** The plan as evenings: what who does from when to when, in order. */
export function slotsOf<S extends PlannedStep>(steps: readonly S[], dayOf: (iso: string) => string): Slot<S>[] {
  const pieces = steps
    .filter(({ by }) => by !== null)
    .flatMap((step) => step.pieces.map(([from, to]) => ({ step, by: step.by!, from, to })))
    .sort((a, b) => a.from.localeCompare(b.from));
  const slots: Slot<S>[] = [];
  for (const { step, by, from, to } of pieces) {
    const day = dayOf(from);
    const open = slots.find(
      (slot) => slot.by === by && slot.day === day && Date.parse(from) - Date.parse(slot.to) < TOGETHER,
    );
    if (!open) slots.push({ day, by, from, to, steps: [step] });
    else {
      open.to = to;
      if (!open.steps.includes(step)) open.steps.push(step);
    }
  }
  return slots;
}

/** The next stretch of work of each person. */
export const tonightOf = <S extends PlannedStep>(slots: readonly Slot<S>[]): Slot<S>[] =>
  slots.filter((slot, i) => slots.findIndex(({ by }) => by === slot.by) === i);

const HOUR = 3_600_000;
const MINUTE_OF_HOUR = 1 / 60;

/** How long a step takes in such a stretch: “1.0 h of the 2.0 h that are left”, where it goes on another time. */
export function takesIn({ from, to }: Pick<Slot, 'from' | 'to'>, { hours: all, share, pieces }: PlannedStep): string {
  const left = all * (1 - share);
  const there = pieces
    .filter(([start, end]) => start >= from && end <= to)
    .reduce((sum, [start, end]) => sum + (Date.parse(end) - Date.parse(start)) / HOUR, 0);
  const told = there < left - MINUTE_OF_HOUR ? `${hours(there)} of ${hours(left)}` : hours(left);
  return share > 0 ? `${told} left, ${percent(share)} done` : told;
}
