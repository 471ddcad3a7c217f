import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { criticalPath, schedule, type Link, type LinkKind, type ScheduleInput } from './index.ts';

/* Problems and their best known lengths by OR-Tools CP-SAT: core/fixtures/rcpsp.py writes them. */
const known = JSON.parse(
  readFileSync(new URL('../../fixtures/rcpsp.json', import.meta.url), 'utf8'),
) as (ScheduleInput & { best: number; bound: number })[];

/** Everything that a schedule breaks, in words. */
function broken({ tasks, resources }: ScheduleInput, starts: Record<string, number>): string[] {
  const duration = new Map(tasks.map((task) => [task.id, task.duration]));
  const links = tasks.flatMap((task) =>
    (task.after ?? []).flatMap((entry) => {
      const { id, kind = 'FS', lag = 0 } = (typeof entry === 'string' ? { id: entry } : entry) as Link;
      const [s1, s2] = [starts[id]!, starts[task.id]!];
      const [f1, f2] = [s1 + duration.get(id)!, s2 + task.duration];
      const [from, to] = { FS: [f1, s2], SS: [s1, s2], FF: [f1, f2], SF: [s1, f2] }[kind] as [number, number];
      return to + 1e-6 < from + lag ? [`${id} ${kind} ${task.id}`] : [];
    }),
  );
  const early = tasks.flatMap((task) =>
    starts[task.id]! < (task.release ?? 0) - 1e-9 ? [`${task.id} before its release`] : [],
  );
  const times = [...new Set(Object.values(starts))];
  const over = Object.entries(resources).flatMap(([name, units]) =>
    times.flatMap((time) => {
      const used = tasks.reduce(
        (sum, task) =>
          sum +
          (starts[task.id]! <= time + 1e-9 && starts[task.id]! + task.duration > time + 1e-9
            ? (task.needs?.[name] ?? 0)
            : 0),
        0,
      );
      return used > units + 1e-6 ? [`${name} at ${time}`] : [];
    }),
  );
  return [...links, ...early, ...over];
}

describe('plan.criticalPath', () => {
  // Worked by hand: A 3, B 4, C 2 after A, D 5 after A and B, E 1 after C, F 2 after D and E; length 11 over B, D, F.
  it('agrees with a network worked by hand', () => {
    const { length, tasks, critical } = criticalPath({
      tasks: [
        { id: 'A', duration: 3 },
        { id: 'B', duration: 4 },
        { id: 'C', duration: 2, after: ['A'] },
        { id: 'D', duration: 5, after: ['A', 'B'] },
        { id: 'E', duration: 1, after: ['C'] },
        { id: 'F', duration: 2, after: ['D', 'E'] },
      ],
    });
    expect(length).toBe(11);
    expect(critical).toEqual(['B', 'D', 'F']);
    expect(tasks.map((task) => task.totalFloat)).toEqual([1, 0, 3, 0, 3, 0]);
    expect(tasks.map((task) => task.freeFloat)).toEqual([0, 0, 0, 0, 3, 0]);
  });

  it.each<[LinkKind, number, number]>([
    ['FS', 2, 6],
    ['SS', 2, 2],
    ['FF', 2, 3],
    ['SF', 5, 2],
  ])('takes %s with a lag of %d h', (kind, lag, start) => {
    const { tasks } = criticalPath({
      tasks: [
        { id: 'a', duration: 4 },
        { id: 'b', duration: 3, after: [{ id: 'a', kind, lag }] },
      ],
    });
    expect(tasks[1]!.earlyStart).toBe(start);
  });

  it('names the circle, the unknown and the doubled task', () => {
    const circle = [
      { id: 'weld', duration: 1, after: ['fit'] },
      { id: 'fit', duration: 1, after: ['weld'] },
    ];
    expect(() => criticalPath({ tasks: circle })).toThrow(/circle: .*weld/);
    expect(() => criticalPath({ tasks: [{ id: 'a', duration: 1, after: ['b'] }] })).toThrow(
      expect.objectContaining({ field: 'tasks[0].after[0].id' }),
    );
    expect(() =>
      criticalPath({
        tasks: [
          { id: 'a', duration: 1 },
          { id: 'a', duration: 2 },
        ],
      }),
    ).toThrow(expect.objectContaining({ field: 'tasks[1].id' }));
    expect(() => criticalPath({ tasks: [{ id: 'a', duration: -1 }] })).toThrow(
      expect.objectContaining({ field: 'tasks[0].duration' }),
    );
  });

  it('a task that slips by its total float lengthens nothing, and by more it does', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ duration: fc.integer({ min: 1, max: 9 }), links: fc.array(fc.nat(), { maxLength: 3 }) }), {
          minLength: 3,
          maxLength: 12,
        }),
        fc.nat(),
        (given, pick) => {
          const tasks = given.map(({ duration, links }, i) => ({
            id: `t${i}`,
            duration,
            after: i === 0 ? [] : [...new Set(links.map((k) => `t${k % i}`))],
          }));
          const { length, tasks: times } = criticalPath({ tasks });
          const k = pick % tasks.length;
          const longer = (by: number) =>
            criticalPath({
              tasks: tasks.map((task, i) => (i === k ? { ...task, duration: task.duration + by } : task)),
            }).length;
          expect(longer(times[k]!.totalFloat)).toBeCloseTo(length, 6);
          expect(longer(times[k]!.totalFloat + 1)).toBeCloseTo(length + 1, 6);
        },
      ),
    );
  });
});

describe('plan.schedule', () => {
  it.each(known.map((problem) => [problem.tasks.length, problem.best, problem] as const))(
    'of %d tasks is within a twentieth of the best known length %d',
    (_n, best, problem) => {
      const { makespan, starts, lowerBound } = schedule({ ...problem, seconds: 1.5 });
      expect(broken(problem, starts)).toEqual([]);
      expect(makespan).toBeLessThanOrEqual(best * 1.05);
      expect(makespan).toBeGreaterThanOrEqual(problem.bound);
      expect(lowerBound).toBeLessThanOrEqual(best);
    },
    60_000,
  );

  it('never breaks a link, a release or a resource, and is never under its bound', () => {
    const task = fc.record({
      duration: fc.double({ min: 0, max: 9, noNaN: true }),
      release: fc.integer({ min: 0, max: 15 }),
      links: fc.array(
        fc.record({
          to: fc.nat(),
          kind: fc.constantFrom<LinkKind>('FS', 'SS', 'FF', 'SF'),
          lag: fc.integer({ min: -3, max: 6 }),
        }),
        { maxLength: 2 },
      ),
      needs: fc.record({ hand: fc.integer({ min: 0, max: 2 }), bay: fc.integer({ min: 0, max: 1 }) }),
    });
    fc.assert(
      fc.property(fc.array(task, { minLength: 1, maxLength: 14 }), (given) => {
        const input: ScheduleInput = {
          tasks: given.map(({ duration, release, links, needs }, i) => ({
            id: `t${i}`,
            duration,
            release,
            needs,
            after: i === 0 ? [] : links.map(({ to, kind, lag }) => ({ id: `t${to % i}`, kind, lag })),
          })),
          resources: { hand: 2, bay: 1 },
          seconds: 0.02,
        };
        const { makespan, starts, lowerBound } = schedule(input);
        expect(broken(input, starts)).toEqual([]);
        expect(makespan).toBeGreaterThanOrEqual(lowerBound - 1e-9);
        expect(Math.max(...input.tasks.map((t) => starts[t.id]! + t.duration))).toBeCloseTo(makespan, 9);
      }),
      { numRuns: 60 },
    );
  });

  it('names what can never be done', () => {
    expect(() =>
      schedule({ tasks: [{ id: 'lift', duration: 1, needs: { hand: 3 } }], resources: { hand: 2 } }),
    ).toThrow(expect.objectContaining({ field: 'tasks[0].needs.hand', code: 'too-much' }));
    expect(() =>
      schedule({ tasks: [{ id: 'lift', duration: 1, needs: { crane: 1 } }], resources: { hand: 2 } }),
    ).toThrow(expect.objectContaining({ code: 'unknown-resource' }));
  });
});
