import type { Worker } from '@aspecta/contract/plan';
import type { CalendarInput, CalendarTask } from '@aspecta/core/plan';
import type { Cash } from '../purse/service.ts';
import { drySpells } from '../stand-ins/weather.ts';
import { windowsOf } from './hours.ts';
import { onCash } from './money.ts';

const YEAR_HOURS = 8784;

/** What is said where there is work, and nobody to do it. */
export const NOBODY = 'Say who works when: then every step gets its evening.';
export const isNobodyThere = (workers: readonly Worker[]): boolean =>
  workers.every(({ week }) => week.every((day) => day.length === 0));

/** Tasks with all that they share: people and their hours, the welder, the weather, money; hours from now. */
export const inputOf = (
  tasks: readonly CalendarTask[],
  {
    workers,
    now,
    timeZone,
    cash,
    outdoors,
  }: { workers: readonly Worker[]; now: Date; timeZone: string; cash: Cash | null; outdoors: boolean },
): CalendarInput => ({
  tasks,
  ...onCash(cash),
  people: Object.fromEntries(workers.map((worker) => [worker.name, windowsOf(worker, now, timeZone)])),
  resources: { welder: 1 },
  ...(outdoors ? { dry: drySpells(now, YEAR_HOURS) } : {}),
});
