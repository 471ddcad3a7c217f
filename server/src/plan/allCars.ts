import type { DataSource } from 'typeorm';
import type { StepView } from '@aspecta/contract/job';
import type { PlannedStep, TonightStep, TonightView, WeeksView, Worker } from '@aspecta/contract/plan';
import { Problem } from '@aspecta/core';
import { jobSteps } from '@aspecta/core/job';
import type { Calendar, CalendarInput, CalendarTask } from '@aspecta/core/plan';
import type { OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { jobView } from '../job/view.ts';
import { inputOf, isNobodyThere, NOBODY } from './input.ts';
import { plannedStep } from './plannedStep.ts';
import type { PlanServices } from './service.ts';
import { plannable, tasksOf } from './tasks.ts';
import { wishesOf } from './wishes.ts';

const HOUR = 3_600_000;
const WEEK_HOURS = 168;
/** Steps of all cars that are planned at once while somebody waits. */
const MOST_TASKS = 300;

const NOT_ENOUGH = 'A year of these hours is not enough for the work of all cars: add hours or people.';

/** A car with what is left of it. */
interface OpenCar {
  vehicle: OwnVehicle;
  steps: readonly StepView[];
  tasks: readonly CalendarTask[];
}

/** What is left of all cars, as it is planned at once; hours of the plan count from `now`. */
interface Together {
  now: Date;
  open: readonly OpenCar[];
  /** Cars whose steps are too many to be planned with these. */
  later: readonly OwnVehicle[];
  timeZone: string;
  workers: readonly Worker[];
  /** Null where there is nothing to plan, or nobody to do it. */
  input: CalendarInput | null;
  problem: string | null;
}

/** Steps of two cars may bear the same name. */
export const nameIn = ({ id }: Pick<OwnVehicle, 'id'>, step: string) => `${id} ${step}`;

const latest = (steps: readonly PlannedStep[]): string =>
  steps
    .map(({ pieces }) => pieces.at(-1)![1])
    .sort()
    .at(-1)!;

/** The plan of all cars at once: people, the welder and money are there once. */
export class AllCarsService {
  private readonly db: DataSource;
  private readonly services: PlanServices;

  constructor(db: DataSource, services: PlanServices) {
    this.db = db;
    this.services = services;
  }

  /** What comes next over all cars of the shop: who works on one of them does not work on another. */
  async tonight(caller: Caller): Promise<TonightView> {
    const { from, timeZone, workers, steps, problem } = await this.weeks(caller);
    const until = new Date(Date.parse(from) + WEEK_HOURS * HOUR).toISOString();
    return {
      ...{ timeZone, workers: workers.length, problem },
      steps: steps.filter(({ by, pieces }) => by !== null && pieces[0]![0] < until),
    };
  }

  /** All that is left of all cars, when it is done and by whom, and when each car is ready. */
  async weeks(caller: Caller): Promise<WeeksView> {
    const { now, open, later, input, timeZone, workers, problem } = await this.together(caller);
    const empty: WeeksView = {
      ...{ from: now.toISOString(), timeZone, workers, steps: [], cars: [], problem },
      later: later.map(({ id, nickname }) => ({ id, nickname })),
    };
    const plan = input && (await this.planned(caller, input));
    if (!plan) return { ...empty, problem: input ? NOT_ENOUGH : problem };
    const steps = open.flatMap(({ vehicle, steps: own }) =>
      own.map((step): TonightStep => ({
        ...plannedStep(step, plan.tasks[nameIn(vehicle, step.id)]!, now),
        ...{ vehicle: vehicle.id, nickname: vehicle.nickname, critical: 0, outside: {} },
      })),
    );
    return {
      ...empty,
      steps: steps.sort((a, b) => a.pieces[0]![0].localeCompare(b.pieces[0]![0])),
      cars: open.map(({ vehicle: { id, nickname } }) => ({
        ...{ id, nickname },
        ready: latest(steps.filter(({ vehicle }) => vehicle === id)),
      })),
    };
  }

  /** All that is left of all cars as one plan's tasks, with who is there for them; nothing where there is nothing to plan. */
  async together(caller: Caller): Promise<Together> {
    const now = new Date();
    const [vehicles, workers, timeZone, cash] = await Promise.all([
      this.services.garage.all(caller),
      this.services.workers.list(caller),
      this.services.workers.timeZone(caller),
      this.services.purses.cash(caller, now),
    ]);
    const wishes = await wishesOf(
      this.db,
      vehicles.map(({ id }) => id),
    );
    const outdoors = (id: string) => wishes.get(id)?.outdoors ?? false;
    const { open, later } = await this.openOf(vehicles, { now, timeZone, outdoors, costs: cash?.costs });
    const none = { now, open, later, timeZone, workers, input: null };
    if (open.length === 0) return { ...none, problem: null };
    if (isNobodyThere(workers)) return { ...none, problem: NOBODY };
    const input = inputOf(
      open.flatMap(({ tasks }) => tasks),
      { workers, now, timeZone, cash, outdoors: open.some(({ vehicle }) => outdoors(vehicle.id)) },
    );
    return { ...none, input, problem: null };
  }

  /** The plan of all cars at once; null where a year is not enough for it. */
  async planned(caller: Caller, input: CalendarInput): Promise<Calendar | null> {
    try {
      return await this.services.bench.run('planAll', input, caller.personId);
    } catch (error) {
      if (error instanceof Problem) return null;
      throw error;
    }
  }

  /** What is left of each car's job as tasks under names of their own; the first cars until as many as are planned at once. */
  private async openOf(
    vehicles: readonly OwnVehicle[],
    {
      now,
      timeZone,
      outdoors,
      costs,
    }: {
      now: Date;
      timeZone: string;
      outdoors: (vehicleId: string) => boolean;
      costs: ReadonlyMap<string, number> | undefined;
    },
  ) {
    const gathered = await this.services.jobs.gatheredAll(vehicles, now);
    const all = vehicles.flatMap((vehicle) => {
      const own = gathered.get(vehicle.id)!;
      const steps = jobSteps(own.input);
      const { open } = plannable(jobView(own, now), steps);
      const tasks = tasksOf(open, steps, { now, timeZone, outdoors: outdoors(vehicle.id), costs }).map((task) => ({
        ...task,
        id: nameIn(vehicle, task.id),
        after: (task.after ?? []).map((link) => ({ ...link, id: nameIn(vehicle, link.id) })),
      }));
      return open.length > 0 ? [{ vehicle, steps: open, tasks }] : [];
    });
    let count = 0;
    // A car that is too much by itself is planned all the same, alone.
    const fits = (one: OpenCar, i: number) => (count += one.tasks.length) <= MOST_TASKS || i === 0;
    const open = all.filter(fits);
    return { open, later: all.filter((one) => !open.includes(one)).map(({ vehicle }) => vehicle) };
  }
}
