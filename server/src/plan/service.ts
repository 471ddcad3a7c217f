import type { DataSource } from 'typeorm';
import type { PlannedStep, PlanView, PlanWishInput, WhatIf } from '@aspecta/contract/plan';
import { Problem } from '@aspecta/core';
import { jobSteps } from '@aspecta/core/job';
import type { GarageService } from '../garage/service.ts';
import { may, type Caller } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import type { JobService } from '../job/service.ts';
import { jobView } from '../job/view.ts';
import type { Workbench } from '../work/bench.ts';
import { calendarFile } from './calendarFile.ts';
import { endOfDay, windowsOf } from './hours.ts';
import { inputOf, isNobodyThere, NOBODY } from './input.ts';
import { wetSpells } from '../stand-ins/weather.ts';
import { plannedStep } from './plannedStep.ts';
import { stagesView } from './stagesView.ts';
import { plannable, tasksOf } from './tasks.ts';
import { compared, variants } from './whatIf.ts';
import { NO_WISH, wish, wishesOf } from './wishes.ts';
import type { WorkerService } from './workers.ts';
import { moneyOf, tooLittle } from './money.ts';
import type { PurseService } from '../purse/service.ts';

export interface PlanServices {
  garage: GarageService;
  jobs: JobService;
  workers: WorkerService;
  purses: PurseService;
  bench: Workbench;
}

const HOUR = 3_600_000;
/** The plan of a car: what is left of its job → when people are there → when each step is done, and how sure the end is. */
export class PlanService {
  private readonly db: DataSource;
  private readonly services: PlanServices;

  constructor(db: DataSource, services: PlanServices) {
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
      input: null,
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
        // What there is of money, and what is paid when, is for those who work on it.
        input: may('worker', caller) ? input : null,
        p50: at(sure.p50),
        p90: at(sure.p90),
        inTime: sure.inTime,
        money: cash && may('worker', caller) ? moneyOf(cash, input, plan, { now, titles }) : null,
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
            ...plannedStep(step, plan.tasks[step.id]!, now),
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
    if (isNobodyThere(workers)) return { ...known, input: null, problem: NOBODY };
    const { outdoors } = wish;
    const tasks = tasksOf(open, steps, { now, timeZone, outdoors, costs: cash?.costs });
    const input = inputOf(tasks, { workers, now, timeZone, cash, outdoors });
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
}
