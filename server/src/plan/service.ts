import type { DataSource } from 'typeorm';
import type { PlannedStep, PlanView, TonightStep, TonightView, Worker, WorkerInput } from '@aspecta/contract/plan';
import { Problem } from '@aspecta/core';
import { jobSteps } from '@aspecta/core/job';
import type { Calendar, CalendarInput, CalendarTask } from '@aspecta/core/plan';
import { note } from '../account/audit.ts';
import { changeOnce } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import type { StepView } from '@aspecta/contract/job';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { needs, type Caller } from '../http/session.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { JobService } from '../job/service.ts';
import { jobView } from '../job/view.ts';
import { ShopEntity } from '../shop/entities.ts';
import { checkTimeZone } from '../shop/timeZone.ts';
import type { Workbench } from '../work/bench.ts';
import { calendarFile } from './calendarFile.ts';
import { WorkerEntity, type WorkerRow } from './entities.ts';
import { windowsOf } from './hours.ts';
import { plannable, tasksOf } from './tasks.ts';

interface Services {
  garage: GarageService;
  jobs: JobService;
  bench: Workbench;
}

const HOUR = 3_600_000;
const WEEK_HOURS = 168;
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

const stepOf = ({ id, kind, title, repair, panel, path, waits, state, needs: tools, hours, waitsFor }: StepView) => ({
  ...{ id, kind, title, repair, panel, path, waits, state, needs: tools, hours },
  why: waitsFor.map(({ why }) => why),
});

/** The plan of a car: what is left of its job → when people are there → when each step is done, and how sure the end is. */
export class PlanService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async plan(caller: Caller, vehicleId: string): Promise<PlanView> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const now = new Date();
    const [gathered, workers, timeZone] = await Promise.all([
      this.services.jobs.gathered(vehicle),
      this.workers(caller),
      this.timeZone(caller),
    ]);
    const view = jobView(gathered, now);
    const steps = jobSteps(gathered.input);
    const { open, blocked } = plannable(view, steps);
    const empty: PlanView = {
      workers,
      timeZone,
      from: now.toISOString(),
      steps: [],
      finish: null,
      p50: null,
      p90: null,
      left: view.left,
      broken: [],
      blocked: blocked.map(({ title, said }) => ({ title, reason: said?.reason ?? '' })),
      problem: null,
    };
    if (open.length === 0) return empty;
    if (workers.every(({ week }) => week.every((day) => day.length === 0)))
      return { ...empty, problem: 'Say who works when: then every step gets its evening.' };
    const input: CalendarInput = {
      tasks: tasksOf(open, steps, now),
      people: Object.fromEntries(workers.map((worker) => [worker.name, windowsOf(worker, now, timeZone)])),
      resources: { welder: 1 },
    };
    try {
      const { plan, sure } = await this.services.bench.run('planJob', input, caller.personId);
      const at = (hour: number) => new Date(now.getTime() + hour * HOUR).toISOString();
      const titles = new Map(view.steps.map(({ id, title }) => [id, title]));
      return {
        ...empty,
        finish: at(plan.finish),
        p50: at(sure.p50),
        p90: at(sure.p90),
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
          }))
          .sort((a, b) => a.pieces[0]![0].localeCompare(b.pieces[0]![0])),
      };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return {
        ...empty,
        problem: 'A year of these hours is not enough for the work that is left: add hours or people.',
      };
    }
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
    const [vehicles, workers, timeZone] = await Promise.all([
      this.services.garage.all(caller),
      this.workers(caller),
      this.timeZone(caller),
    ]);
    const open = await this.openOf(vehicles, now);
    const none = { now, open, timeZone, workers: workers.length, input: null };
    if (open.length === 0) return { ...none, problem: null };
    if (workers.every(({ week }) => week.every((day) => day.length === 0)))
      return { ...none, problem: 'Say who works when: then every step gets its evening.' };
    const input: CalendarInput = {
      tasks: open.flatMap(({ tasks }) => tasks),
      people: Object.fromEntries(workers.map((worker) => [worker.name, windowsOf(worker, now, timeZone)])),
      resources: { welder: 1 },
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
  private async openOf(vehicles: readonly OwnVehicle[], now: Date) {
    const gathered = await this.services.jobs.gatheredAll(vehicles, now);
    const all = vehicles.flatMap((vehicle) => {
      const own = gathered.get(vehicle.id)!;
      const steps = jobSteps(own.input);
      const { open } = plannable(jobView(own, now), steps);
      const tasks = tasksOf(open, steps, now).map((task) => ({
        ...task,
        id: nameIn(vehicle, task.id),
        after: (task.after ?? []).map((link) => ({ ...link, id: nameIn(vehicle, link.id) })),
      }));
      return open.length > 0 ? [{ vehicle, steps: open, tasks }] : [];
    });
    let count = 0;
    return all.filter(({ tasks }) => (count += tasks.length) <= MOST_TASKS);
  }

  async workers(caller: Caller): Promise<Worker[]> {
    const rows = await this.db
      .getRepository(WorkerEntity)
      .find({ where: { shopId: caller.shopId }, order: { name: 'ASC' } });
    return rows.map(workerView);
  }

  async addWorker(caller: Caller, { timeZone, ...input }: WorkerInput & { timeZone: string }): Promise<Worker[]> {
    needs('owner', caller);
    await this.check(caller, input, timeZone);
    const known = await this.db.getRepository(WorkerEntity).findOneBy({ id: input.id });
    if (known && known.shopId !== caller.shopId) throw notFound('person');
    if (!known)
      await changeOfShop(this.db, caller.shopId, async (manager) => {
        const row = { ...input, shopId: caller.shopId, version: 1 };
        await manager.createQueryBuilder().insert().into(WorkerEntity).values(row).orIgnore().execute();
        await manager.update(ShopEntity, { id: caller.shopId }, { timeZone });
        await note(manager, caller, `${input.name} works in the shop`);
      });
    return this.workers(caller);
  }

  async changeWorker(
    caller: Caller,
    { version, timeZone, ...input }: WorkerInput & { timeZone: string; version: number },
  ): Promise<Worker[]> {
    needs('owner', caller);
    await this.ownWorker(caller, input.id);
    await this.check(caller, input, timeZone);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await changeOnce(manager, {
        target: WorkerEntity,
        id: input.id,
        seen: version,
        changes: { name: input.name, week: input.week, off: input.off },
        current: () => this.workers(caller),
      });
      await manager.update(ShopEntity, { id: caller.shopId }, { timeZone });
      await note(manager, caller, `Hours of ${input.name} changed`);
    });
    return this.workers(caller);
  }

  async removeWorker(caller: Caller, id: string): Promise<Worker[]> {
    needs('owner', caller);
    const { name } = await this.ownWorker(caller, id);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.delete(WorkerEntity, { id });
      await note(manager, caller, `${name} does not work in the shop any more`);
    });
    return this.workers(caller);
  }

  private async timeZone(caller: Caller): Promise<string> {
    const shop = await this.db.getRepository(ShopEntity).findOneBy({ id: caller.shopId });
    return shop?.timeZone ?? 'UTC';
  }

  private async ownWorker(caller: Caller, id: string): Promise<WorkerRow> {
    const row = await this.db.getRepository(WorkerEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('person');
    return row;
  }

  /** Two of one name could not be told apart in a plan; an evening ends after it begins; a time zone exists. */
  private async check(caller: Caller, { id, name, week }: WorkerInput, timeZone: string): Promise<void> {
    checkTimeZone(timeZone);
    const others = (await this.workers(caller)).filter((worker) => worker.id !== id);
    if (others.some((worker) => worker.name.toLowerCase() === name.toLowerCase()))
      throw new ServerProblem('invalid', `There is somebody called ${name} already; write another name.`, 'name');
    week.forEach((day, i) =>
      day.forEach(([from, to]) => {
        if (to <= from)
          throw new ServerProblem('invalid', 'Hours end after they begin; put the later one second.', `week[${i}]`);
      }),
    );
  }
}

const workerView = ({ id, name, week, off, version }: WorkerRow): Worker => ({ id, name, week, off, version });
