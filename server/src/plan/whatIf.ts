import type { WhatIf, Worker } from '@aspecta/contract/plan';
import type { CalendarInput, Window } from '@aspecta/core/plan';

const DAY = 24;
/** h of one more evening. */
const EVENING = 2;
/** Somebody who is not there yet; nobody of the shop is called so. */
const HELPER = '+';

/** Changes that somebody could make, by name: a helper, an evening more, deliveries by the next day, the welder twice. */
export function variants(
  input: CalendarInput,
  {
    deliveries,
    workers,
    windows,
  }: { deliveries: readonly string[]; workers: readonly Worker[]; windows: (worker: Worker) => Window[] },
): { name: string; input: CalendarInput }[] {
  const inWeek = ({ week }: Worker) => week.flat().reduce((sum, [from, to]) => sum + to - from, 0);
  const [first] = [...workers].sort((a, b) => inWeek(b) - inWeek(a));
  const awaited = input.tasks.filter(({ id, hours }) => deliveries.includes(id) && hours > DAY);
  return [
    ...(first
      ? [
          {
            name: `A helper with the hours of ${first.name}`,
            input: { ...input, people: { ...input.people, [HELPER]: windows(first) } },
          },
          {
            name: `${EVENING} hours more a week from ${first.name}`,
            input: { ...input, people: { ...input.people, [first.name]: windows(withEvening(first)) } },
          },
        ]
      : []),
    ...(awaited.length > 0
      ? [
          {
            name:
              awaited.length === 1
                ? 'What is awaited is here tomorrow'
                : `All ${awaited.length} that are awaited are here tomorrow`,
            input: {
              ...input,
              tasks: input.tasks.map((task) => (awaited.includes(task) ? { ...task, hours: DAY } : task)),
            },
          },
        ]
      : []),
    ...(input.cash && input.tasks.some(({ outlay = 0 }) => outlay > 0)
      ? [{ name: 'Money is there for all of it now', input: withoutMoney(input) }]
      : []),
    ...(input.dry ? [{ name: 'The car stands in the dry', input: withoutRain(input) }] : []),
  ];
}

function withoutMoney({ cash: _cash, ...input }: CalendarInput): CalendarInput {
  return input;
}

function withoutRain({ dry: _dry, ...input }: CalendarInput): CalendarInput {
  return { ...input, tasks: input.tasks.map(({ dry: _wet, ...task }) => task) };
}

/** Two hours more in the week: on a free day at the hour of the others, else after the shortest day. */
function withEvening({ week, ...worker }: Worker): Worker {
  const hours = week.map((day) => day.reduce((sum, [from, to]) => sum + to - from, 0));
  const begins = week.flat()[0]?.[0] ?? 18;
  const free = hours.indexOf(0);
  const day = free >= 0 ? free : hours.indexOf(Math.min(...hours));
  const from = free >= 0 ? begins : Math.max(...week[day]!.map(([, to]) => to));
  const more: [number, number] = [Math.min(from, 24 - EVENING), Math.min(24, from + EVENING)];
  return { ...worker, week: week.map((spans, i) => (i === day ? [...spans, more] : spans)) };
}

/** How much sooner it is ready, in days, by each change. */
export const compared = (
  now: Date,
  asItIs: number | null,
  ends: readonly { name: string; end: number | null }[],
): WhatIf[] =>
  ends.map(({ name, end }) => ({
    name,
    p50: end === null ? null : new Date(now.getTime() + end * 3_600_000).toISOString(),
    sooner: end === null || asItIs === null ? null : (asItIs - end) / DAY,
  }));
