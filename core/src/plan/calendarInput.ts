import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import type { CalendarInput, CalendarTask, Window } from './calendarTypes.ts';
import { networkOf, type Network } from './tasks.ts';
import { both, windowsOf } from './windows.ts';

/** A task as the search needs it. */
export interface Work {
  id: string;
  hours: number;
  unbroken: boolean;
  /** Who may work on it; empty where nobody does. */
  people: readonly number[];
  dry: boolean;
  needs: readonly number[];
  outlay: number;
  release: number;
  after: readonly { from: number; lag: number; within: number | null }[];
}

/** Everything that is known before the first task is placed. */
export interface Problemset {
  work: readonly Work[];
  network: Network;
  names: readonly string[];
  /** Windows of each person, and those of them that are dry. */
  windows: readonly (readonly Window[])[];
  dryWindows: readonly (readonly Window[])[];
  /** When it is dry, for what nobody works on; null for always. */
  dry: readonly Window[] | null;
  capacity: readonly number[];
  resources: readonly string[];
  cash: readonly { at: number; amount: number }[] | null;
}

const MOST_TASKS = 1000;
const MOST_PEOPLE = 20;

/** Reads what a plan rests on. @throws Problem naming the field */
export function problemOf({ tasks, people, resources = {}, dry, cash }: CalendarInput): Problemset {
  list<CalendarTask>('tasks', tasks, 1, MOST_TASKS);
  const network = networkOf(
    tasks.map((task, i) => ({
      id: task?.id,
      duration: finite(`tasks[${i}].hours`, task?.hours, { min: 0, max: 1e5, unit: 'h' }),
      after: list<{ id: string }>(`tasks[${i}].after`, task.after ?? [], 0, MOST_TASKS).map(({ id }) => ({ id })),
    })),
  );
  const names = Object.keys(people ?? {});
  if (names.length > MOST_PEOPLE) refuse('too-many', 'people', `At most ${MOST_PEOPLE} people can be planned at once.`);
  const windows = names.map((name) => windowsOf(`people.${name}`, people[name]));
  const dryHours = dry === undefined ? null : windowsOf('dry', dry);
  const kinds = Object.keys(resources);
  const capacity = kinds.map((name) => finite(`resources.${name}`, resources[name], { min: 0, max: 1e6 }));
  const at = new Map(network.ids.map((id, i) => [id, i]));
  const work = tasks.map((task, i): Work => {
    const needs = task.needs ?? {};
    for (const [name, amount] of Object.entries(needs)) {
      const k = kinds.indexOf(name);
      if (k < 0)
        refuse('unknown-resource', `tasks[${i}].needs.${name}`, `${task.id} needs ${name}, which is not there.`);
      if (finite(`tasks[${i}].needs.${name}`, amount, { min: 0, max: 1e6 }) > capacity[k]!)
        refuse(
          'too-much',
          `tasks[${i}].needs.${name}`,
          `${task.id} needs ${amount} of ${name}, but there are ${capacity[k]}: it can never be done.`,
        );
    }
    const by = task.by ?? names;
    const workers = by.map((name, k) => {
      const person = names.indexOf(name);
      if (person < 0)
        refuse('unknown-person', `tasks[${i}].by[${k}]`, `${task.id} is for ${name}, who is not among the people.`);
      return person;
    });
    if (task.by === undefined && names.length === 0)
      refuse('nobody', 'people', `Nobody is there to do ${task.id}; say who works when.`);
    return {
      id: task.id,
      hours: task.hours,
      unbroken: task.unbroken === true,
      people: workers,
      dry: task.dry === true,
      needs: kinds.map((name) => needs[name] ?? 0),
      outlay: finite(`tasks[${i}].outlay`, task.outlay ?? 0, { min: 0, max: 1e12 }),
      release: finite(`tasks[${i}].release`, task.release ?? 0, { min: 0, max: 1e6, unit: 'h' }),
      after: (task.after ?? []).map(({ id, lag = 0, within }, k) => ({
        from: at.get(id)!,
        lag: finite(`tasks[${i}].after[${k}].lag`, lag, { min: 0, max: 1e6, unit: 'h' }),
        within:
          within === undefined
            ? null
            : finite(`tasks[${i}].after[${k}].within`, within, { min: 0, max: 1e6, unit: 'h' }),
      })),
    };
  });
  return {
    work,
    network,
    names,
    windows,
    dryWindows: windows.map((own) => (dryHours ? both(own, dryHours) : own)),
    dry: dryHours,
    capacity,
    resources: kinds,
    cash: cash === undefined ? null : cashOf(cash),
  };
}

const cashOf = (cash: NonNullable<CalendarInput['cash']>) =>
  list<{ at: number; amount: number }>('cash', cash, 0, 5000)
    .map((entry, i) => ({
      at: finite(`cash[${i}].at`, entry?.at, { min: 0, max: 1e6, unit: 'h' }),
      amount: finite(`cash[${i}].amount`, entry.amount, { min: 0, max: 1e12 }),
    }))
    .sort((a, b) => a.at - b.at);
