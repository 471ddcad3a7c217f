import type { DataSource } from 'typeorm';
import type { PlannedStep, PlanView, PlanWishInput, TonightStep, TonightView, WhatIf } from '@aspecta/contract/plan';
import { Problem } from '@aspecta/core';
import { jobSteps } from '@aspecta/core/job';
import type { Calendar, CalendarInput, CalendarTask } from '@aspecta/core/plan';
import type { StepView } from '@aspecta/contract/job';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import type { JobService } from '../job/service.ts';
import { jobView } from '../job/view.ts';
import type { Workbench } from '../work/bench.ts';
import { calendarFile } from './calendarFile.ts';
import { endOfDay, windowsOf } from './hours.ts';
import { drySpells, wetSpells } from '../stand-ins/weather.ts';
import { stagesView } from './stagesView.ts';
import { plannable, tasksOf } from './tasks.ts';
import { compared, variants } from './whatIf.ts';
import { NO_WISH, wish, wishesOf } from './wishes.ts';
import type { WorkerService } from './workers.ts';
import { moneyOf, onCash, tooLittle } from './money.ts';
import type { PurseService } from '../purse/service.ts';

interface Services {
  garage: GarageService;
  jobs: JobService;
  workers: WorkerService;
  purses: PurseService;
  bench: Workbench;
}

const HOUR = 3_600_000;
const WEEK_HOURS = 168;
const YEAR_HOURS = 8784;
/** Steps of all cars that are planned at once while somebody waits. */
const MOST_TASKS = 300;

const NOT_ENOUGH = 'A year of these hours is not enough for the work of all cars: add hours or people.';

/** What is left of all cars, as it is planned at once; hours of the plan count from `now`. */
export interface Together {
  now: Date;
  open: readonly { vehicle: OwnVehicle; steps: readonly StepView[]; tasks: readonly CalendarTask[] }[];
  timeZone: string;
  workers: number;
  /** Null where there is nothing to plan, or nobody to do it. */
  input: CalendarInput | null;
  problem: string | null;
}

/** Steps of two cars may bear the same name. */
export const nameIn = ({ id }: Pick<OwnVehicle, 'id'>, step: string) => `${id} ${step}`;

const stepOf = ({
  needs: tools,
  waitsFor,
  ...step
}: StepView): Omit<PlannedStep, 'by' | 'pieces' | 'critical' | 'outside'> => {
  const { id, kind, title, repair, panel, path, waits, state, hours, share, said } = step;
  return {
    ...{ id, kind, title, repair, panel, path, waits, state, hours, share, said },
    needs: tools,
    why: waitsFor.map(({ why }) => why),
  };
};

/** The plan of a car: what is left of its job → when people are there → when each step is done, and how sure the end is. */
export class PlanService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async plan(caller: Caller, vehicleId: string): Promise<PlanView> {
    const { now, vehicle, view, open, blocked, workers, timeZone, wish, wet, cash, input, problem } = await this.before(
      caller,
      vehicleId,
    );
    const at = (hour: number) => new Date(now.getTime() + hour * HOUR).toISOString();
    const empty: PlanView = {
      ...{ workers, timeZone, wish, problem },
      from: now.toISOString(),
      inTime: null,
      wet: wet.map(([a, b]): [string, string] => [at(a), at(b)]),
      steps: [],
      finish: null,
      p50: null,
      p90: null,
      left: view.left,
      broken: [],
      money: null,
      stages: stagesView(view, vehicle.plan),
      blocked: blocked.map(({ title, said }) => ({ title, reason: said?.reason ?? '' })),
    };
    if (!input) return empty;
    const by = wish.promised === null ? undefined : (endOfDay(wish.promised, timeZone) - now.getTime()) / HOUR;
    try {
      const { plan, sure } = await this.services.bench.run('planJob', { ...input, by }, caller.personId);
      const titles = new Map(view.steps.map(({ id, title }) => [id, title]));
      return {
        ...empty,
        finish: at(plan.finish),
        p50: at(sure.p50),
        p90: at(sure.p90),
        inTime: sure.inTime,
        money: cash && moneyOf(cash, input, plan, { now, titles }),
        stages: stagesView(view, vehicle.plan, (step) => {
          const pieces = plan.tasks[step]?.pieces;
          return pieces ? now.getTime() + pieces.at(-1)![1] * HOUR : null;
        }),
        broken: plan.broken.map(({ task, after, late }) => ({
          title: titles.get(task)!,
          after: titles.get(after)!,
          late,
        })),
        steps: open
          .map((step): PlannedStep => ({
            ...stepOf(step),
            by: plan.tasks[step.id]!.by,
            pieces: plan.tasks[step.id]!.pieces.map(([from, to]): [string, string] => [at(from), at(to)]),
            critical: sure.critical[step.id]!,
            outside: sure.outside[step.id] ?? {},
          }))
          .sort((a, b) => a.pieces[0]![0].localeCompare(b.pieces[0]![0])),
      };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return {
        ...empty,
        problem:
          tooLittle(error) ?? 'A year of these hours is not enough for the work that is left: add hours or people.',
      };
    }
  }

  /** What would bring the end of a car nearer, most first. */
  async whatIf(caller: Caller, vehicleId: string): Promise<WhatIf[]> {
    const { now, open, input, workers, timeZone } = await this.before(caller, vehicleId);
    if (!input) return [];
    const deliveries = open.filter(({ kind }) => kind === 'delivery').map(({ id }) => id);
    const changes = variants(input, {
      ...{ deliveries, workers },
      windows: (worker) => windowsOf(worker, now, timeZone),
    });
    const [asItIs, ...ends] = await this.services.bench.run(
      'ends',
      { inputs: [input, ...changes.map((change) => change.input)] },
      caller.personId,
    );
    return compared(
      now,
      asItIs ?? null,
      changes.map(({ name }, i) => ({ name, end: ends[i] ?? null })),
    ).sort((a, b) => (b.sooner ?? -Infinity) - (a.sooner ?? -Infinity));
  }

  /** Says what is wanted of the plan of a car. */
  async wish(caller: Caller, vehicleId: string, input: PlanWishInput): Promise<PlanView> {
    await this.services.garage.own(caller, vehicleId);
    await wish(this.db, caller, vehicleId, input);
    return this.plan(caller, vehicleId);
  }

  /** All that the plan of one car rests on; without input where there is nothing to plan or nobody to do it. */
  private async before(caller: Caller, vehicleId: string) {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const now = new Date();
    const [gathered, workers, timeZone, wishes, cash] = await Promise.all([
      this.services.jobs.gathered(vehicle),
      this.services.workers.list(caller),
      this.services.workers.timeZone(caller),
      wishesOf(this.db, [vehicleId]),
      this.services.purses.cash(caller, now),
    ]);
    const wish = wishes.get(vehicleId) ?? NO_WISH;
    const view = jobView(gathered, now);
    const steps = jobSteps(gathered.input);
    const { open, blocked } = plannable(view, steps);
    const wet = wish.outdoors ? wetSpells(now) : [];
    const known = { now, vehicle, view, open, blocked, workers, timeZone, wish, wet, cash };
    if (open.length === 0) return { ...known, input: null, problem: null };
    if (workers.every(({ week }) => week.every((day) => day.length === 0)))
      return { ...known, input: null, problem: 'Say who works when: then every step gets its evening.' };
    const input: CalendarInput = {
      tasks: tasksOf(open, steps, { now, timeZone, outdoors: wish.outdoors, costs: cash?.costs }),
      ...onCash(cash),
      people: Object.fromEntries(workers.map((worker) => [worker.name, windowsOf(worker, now, timeZone)])),
      resources: { welder: 1 },
      ...(wish.outdoors ? { dry: drySpells(now, YEAR_HOURS) } : {}),
    };
    return { ...known, input, problem: null };
  }

  /** The plan of a car as a file for a calendar. */
  async calendar(caller: Caller, vehicleId: string): Promise<string> {
    const { nickname } = await this.services.garage.own(caller, vehicleId);
    const plan = await this.plan(caller, vehicleId);
    if (plan.steps.length === 0)
      throw new ServerProblem('invalid', plan.problem ?? 'Nothing is left to plan here.', 'steps');
    return calendarFile(nickname, plan);
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
    const open = await this.openOf(vehicles, { now, timeZone, outdoors, costs: cash?.costs });
    const none = { now, open, timeZone, workers: workers.length, input: null };
    if (open.length === 0) return { ...none, problem: null };
    if (workers.every(({ week }) => week.every((day) => day.length === 0)))
      return { ...none, problem: 'Say who works when: then every step gets its evening.' };
    const input: CalendarInput = {
      tasks: open.flatMap(({ tasks }) => tasks),
      ...onCash(cash),
      people: Object.fromEntries(workers.map((worker) => [worker.name, windowsOf(worker, now, timeZone)])),
      resources: { welder: 1 },
      ...(open.some(({ vehicle }) => outdoors(vehicle.id)) ? { dry: drySpells(now, YEAR_HOURS) } : {}),
    };
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

  /** What comes next over all cars of the shop: who works on one of them does not work on another. */
  async tonight(caller: Caller): Promise<TonightView> {
    const { now, open, input, timeZone, workers, problem } = await this.together(caller);
    const empty: TonightView = { timeZone, workers, steps: [], problem };
    const plan = input && (await this.planned(caller, input));
    if (!plan) return { ...empty, problem: input ? NOT_ENOUGH : problem };
    const at = (hour: number) => new Date(now.getTime() + hour * HOUR).toISOString();
    const steps = open.flatMap(({ vehicle, steps: own }) =>
      own.map((step): TonightStep => {
        const task = plan.tasks[nameIn(vehicle, step.id)]!;
        return {
          ...stepOf(step),
          vehicle: vehicle.id,
          nickname: vehicle.nickname,
          by: task.by,
          pieces: task.pieces.map(([from, to]): [string, string] => [at(from), at(to)]),
          critical: 0,
          outside: {},
        };
      }),
    );
    const until = new Date(now.getTime() + WEEK_HOURS * HOUR).toISOString();
    return {
      ...empty,
      steps: steps
        .filter(({ by, pieces }) => by !== null && pieces[0]![0] < until)
        .sort((a, b) => a.pieces[0]![0].localeCompare(b.pieces[0]![0])),
    };
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
    return all.filter(({ tasks }) => (count += tasks.length) <= MOST_TASKS);
  }
}
