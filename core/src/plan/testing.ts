import fc from 'fast-check';
import { expect } from 'vitest';
import type { Calendar, CalendarInput, CalendarTask, Window } from './calendarTypes.ts';

/* What tests of plans share: evenings, rules that every plan keeps, jobs at random. */

/** Evenings of two hours from 18 o'clock, day by day. */
export const evenings = (days: number, hours = 2): Window[] =>
  Array.from({ length: days }, (_, day): Window => [day * 24 + 18, day * 24 + 18 + hours]);
const lengthOf = (pieces: readonly Window[]) => pieces.reduce((sum, [from, to]) => sum + to - from, 0);
const near = 1e-6;

/** Every rule that a plan has to keep, checked from its answer alone. */
export function expectKept({ tasks, people, resources = {}, dry, cash }: CalendarInput, answer: Calendar): void {
  const of = (id: string) => answer.tasks[id]!;
  const span = (id: string): Window => [of(id).pieces[0]![0], of(id).pieces.at(-1)![1]];
  const inside = ([from, to]: Window, windows: readonly Window[]) =>
    windows.some(([a, b]) => a <= from + near && b >= to - near);
  for (const task of tasks) {
    const { pieces, by } = of(task.id);
    expect(lengthOf(pieces)).toBeCloseTo(task.hours, 6);
    expect(pieces[0]![0]).toBeGreaterThanOrEqual((task.release ?? 0) - near);
    if (task.unbroken) expect(pieces).toHaveLength(1);
    if (task.by?.length === 0) expect(by).toBeNull();
    else {
      expect(task.by ?? Object.keys(people)).toContain(by);
      for (const piece of pieces) expect(inside(piece, people[by!]!)).toBe(true);
    }
    if (task.dry && dry) for (const piece of pieces) expect(inside(piece, dry)).toBe(true);
    for (const { id, lag = 0, within } of task.after ?? []) {
      expect(span(task.id)[0]).toBeGreaterThanOrEqual(span(id)[1] + lag - near);
      const late = within === undefined ? 0 : span(task.id)[0] - span(id)[1] - within;
      const told = answer.broken.find((one) => one.task === task.id && one.after === id);
      if (late > near) expect(told?.late).toBeCloseTo(late, 6);
      else expect(told).toBeUndefined();
    }
  }
  for (const name of Object.keys(people)) {
    const own = tasks.filter(({ id, hours }) => of(id).by === name && hours > 0).map(({ id }) => span(id));
    own.sort((a, b) => a[0] - b[0]);
    own.slice(1).forEach(([from], i) => expect(from).toBeGreaterThanOrEqual(own[i]![1] - near));
  }
  for (const [name, units] of Object.entries(resources))
    for (const task of tasks) {
      const at = span(task.id)[0] + near;
      const held = tasks
        .filter(({ id }) => span(id)[0] <= at && span(id)[1] > at)
        .reduce((sum, { needs }) => sum + (needs?.[name] ?? 0), 0);
      expect(held).toBeLessThanOrEqual(units + near);
    }
  if (cash)
    for (const task of tasks) {
      const at = span(task.id)[0] + near;
      const paid = tasks.filter(({ id }) => span(id)[0] <= at).reduce((sum, { outlay = 0 }) => sum + outlay, 0);
      const come = cash.filter((entry) => entry.at <= at).reduce((sum, { amount }) => sum + amount, 0);
      expect(paid).toBeLessThanOrEqual(come + near);
    }
  const ends = tasks.map(({ id }) => span(id)[1]);
  expect(answer.finish).toBeCloseTo(Math.max(...ends), 6);
  expect(answer.finish).toBeGreaterThanOrEqual(answer.lowerBound - near);
}

/** Jobs at random, some in the dry, some short of money. */
export const instances = fc
  .record({
    hours: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 9 }),
    seed: fc.array(fc.nat(999), { minLength: 40, maxLength: 40 }),
    people: fc.integer({ min: 1, max: 3 }),
    dry: fc.boolean(),
    cash: fc.boolean(),
  })
  .map(({ hours, seed, people, dry, cash }): CalendarInput => {
    const pick = (k: number) => seed[k % seed.length]!;
    const names = ['Ada', 'Ben', 'Cem'].slice(0, people);
    const tasks = hours.map((own, i): CalendarTask => {
      const nobody = pick(i) % 5 === 0;
      return {
        id: `t${i}`,
        hours: own,
        ...(nobody ? { by: [] } : pick(i + 7) % 3 === 0 ? { by: [names[pick(i) % names.length]!] } : {}),
        unbroken: own <= 2 && pick(i + 3) % 3 === 0,
        dry: !nobody && pick(i + 5) % 4 === 0,
        needs: pick(i + 11) % 3 === 0 ? { welder: 1 } : {},
        outlay: pick(i + 13) % 3 === 0 ? pick(i) : 0,
        release: pick(i + 17) % 4 === 0 ? pick(i + 17) % 60 : 0,
        after:
          i > 0 && pick(i + 19) % 2 === 0
            ? [
                {
                  id: `t${pick(i + 23) % i}`,
                  lag: pick(i + 29) % 30,
                  ...(pick(i + 31) % 3 === 0 ? { within: 40 } : {}),
                },
              ]
            : [],
      };
    });
    return {
      tasks,
      people: Object.fromEntries(names.map((name, k) => [name, evenings(60, 2 + (pick(k) % 3))])),
      resources: { welder: 1 },
      seconds: 0.01,
      ...(dry
        ? { dry: Array.from({ length: 60 }, (_, day): Window => [day * 24, day * 24 + 12 + (pick(day) % 12)]) }
        : {}),
      ...(cash ? { cash: [0, 100, 200, 300].map((at) => ({ at, amount: 3000 })) } : {}),
    };
  });
