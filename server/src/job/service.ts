import type { DataSource } from 'typeorm';
import type { JobView, OwnStepInput, StepClock, StepSay } from '@aspecta/contract/job';
import { jobSteps } from '@aspecta/core/job';
import type { CloseService } from '../close/service.ts';
import { coatedShares } from '../close/view.ts';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { DressService } from '../dress/service.ts';
import type { FitService } from '../fit/service.ts';
import type { WayService } from '../way/service.ts';
import type { HoldService } from '../hold/service.ts';
import { sharesOf } from '../hold/view.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { OwnStepEntity, StepClockEntity, StepWordEntity, type StepClockRow } from './entities.ts';
import { gather, type Gathered } from './gather.ts';
import { jobView } from './view.ts';

/** Hours after which a clock was forgotten. */
const MOST_HOURS = 14;

/** Stations that know by themselves what of the job is done. */
interface Others {
  hold: HoldService;
  fits: FitService;
  ways: WayService;
  dress: DressService;
  closes: CloseService;
}

/** The job of a car: decisions, parts and finds → steps in order → what was said of them → what can be done. */
export class JobService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly others: Others;

  constructor(db: DataSource, garage: GarageService, others: Others) {
    this.db = db;
    this.garage = garage;
    this.others = others;
  }

  async view(caller: Caller, vehicleId: string): Promise<JobView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    return (await this.views([vehicle])).get(vehicleId)!;
  }

  /** The jobs of several cars at once. */
  async views(vehicles: readonly OwnVehicle[]): Promise<ReadonlyMap<string, JobView>> {
    const now = new Date();
    const all = await this.gatheredAll(vehicles, now);
    return new Map([...all].map(([id, gathered]) => [id, jobView(gathered, now)]));
  }

  /** What one car's job is made from, for the plan of it. */
  async gathered(vehicle: OwnVehicle): Promise<Gathered> {
    return (await this.gatheredAll([vehicle], new Date())).get(vehicle.id)!;
  }

  /** The same for several cars at once. */
  async gatheredAll(vehicles: readonly OwnVehicle[], now: Date): Promise<ReadonlyMap<string, Gathered>> {
    const { hold, fits, closes, ways, dress } = this.others;
    const [held, closings] = await Promise.all([hold.heldOf(vehicles), closes.closings(vehicles)]);
    const repairs = [...closings.values()].flatMap((closing) => closing.repairs);
    return gather(this.db, vehicles, {
      now,
      held: new Map([...held].map(([id, one]) => [id, sharesOf(one)])),
      fitted: await fits.shares(repairs),
      dressed: await dress.shares(repairs),
      access: await ways.access(repairs.map(({ id }) => id)),
      coated: new Map([...closings.values()].flatMap((closing) => [...coatedShares(closing)])),
    });
  }

  /** Says something of a step, or takes back what was said; the last word counts. */
  async say(caller: Caller, vehicleId: string, { step, ...said }: StepSay): Promise<JobView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const before = (await this.views([vehicle])).get(vehicleId)!.steps.find(({ id }) => id === step);
    if (!before)
      throw new ServerProblem(
        'invalid',
        'This step is not part of the job any more: a decision was changed. Look at the steps as they are now.',
        'step',
      );
    // Shut bare, it is past mending without opening it again: that needs a reason.
    if (before.kind === 'weld' && before.repair && said.state === 'done' && said.reason === '')
      await this.others.closes.refuseBare(vehicle, before.repair, 'reason');
    const nothing =
      said.state === null && [said.notBefore, said.hours, said.spent, said.share].every((value) => value === null);
    await changeOf(this.db, vehicleId, async (manager) => {
      const rows = manager.getRepository(StepWordEntity);
      if (nothing) await rows.delete({ vehicleId, step });
      else
        await rows.upsert({ vehicleId, step, ...said, by: caller.name, at: await this.saidAt(vehicleId, step, said) }, [
          'vehicleId',
          'step',
        ]);
      const begun = said.share ? `${Math.round(said.share * 100)} % done` : 'open';
      const how = said.state ? { done: 'done', skipped: 'left out', blocked: 'blocked' }[said.state] : begun;
      await record(
        manager,
        caller,
        vehicleId,
        'job',
        `${before.title}: ${how}${said.reason ? ` – ${said.reason}` : ''}`,
      );
    });
    return this.view(caller, vehicleId);
  }

  /** Starts the clock of the caller on a step, or stops it. He works on one step at a time: another clock of his is stopped first. */
  async clock(caller: Caller, vehicleId: string, { step, run, drop }: StepClock): Promise<JobView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const known = (await this.views([vehicle])).get(vehicleId)!.steps.some(({ id }) => id === step);
    if (run && !known)
      throw new ServerProblem(
        'invalid',
        'This step is not part of the job any more. Look at the steps as they are now.',
        'step',
      );
    const mine = await this.db.getRepository(StepClockEntity).findBy({ personId: caller.personId });
    const toStop = mine.filter((one) => run || (one.vehicleId === vehicleId && one.step === step));
    // Started twice on the same step it goes on.
    const isRunning = run && mine.some((one) => one.vehicleId === vehicleId && one.step === step);
    if (!isRunning) {
      for (const one of toStop) await this.stop(caller, one, drop);
      if (run)
        await changeOf(this.db, vehicleId, (manager) =>
          manager.upsert(
            StepClockEntity,
            { vehicleId, step, personId: caller.personId, by: caller.name, since: new Date() },
            ['vehicleId', 'step', 'personId'],
          ),
        );
    }
    return this.view(caller, vehicleId);
  }

  /** Adds what a clock has run to the hours that its step took. */
  private async stop(caller: Caller, { vehicleId, step, personId, since }: StepClockRow, drop: boolean): Promise<void> {
    const hours = (Date.now() - since.getTime()) / 3_600_000;
    if (!drop && hours > MOST_HOURS)
      throw new ServerProblem(
        'invalid',
        `Your clock has run for ${hours.toFixed(0)} h without a break: drop it, and type the hours that the step took.`,
        'drop',
      );
    await changeOf(this.db, vehicleId, async (manager) => {
      const gone = await manager.delete(StepClockEntity, { vehicleId, step, personId });
      if (drop || gone.affected === 0) return;
      const rows = manager.getRepository(StepWordEntity);
      const word = await rows.findOneBy({ vehicleId, step });
      const spent = Math.round(((word?.spent ?? 0) + hours) * 100) / 100;
      // Started and stopped at once it says nothing.
      if (spent === (word?.spent ?? 0)) return;
      const nothing = { state: null, reason: '', until: null, notBefore: null, hours: null, at: new Date() };
      await rows.upsert({ ...nothing, ...word, vehicleId, step, spent, by: word?.by ?? caller.name }, [
        'vehicleId',
        'step',
      ]);
    });
  }

  /** When it was done stays when something else is said of it afterwards: what dries counts from there. */
  private async saidAt(vehicleId: string, step: string, { state }: Pick<StepSay, 'state'>): Promise<Date> {
    const known = await this.db.getRepository(StepWordEntity).findOneBy({ vehicleId, step });
    return known && known.state === state && state !== null ? known.at : new Date();
  }

  /** A step of one's own. The same one sent again, because its answer was lost, is taken as done. */
  async add(caller: Caller, vehicleId: string, input: OwnStepInput): Promise<JobView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const known = await this.db.getRepository(OwnStepEntity).findOneBy({ id: input.id });
    if (known && known.vehicleId !== vehicleId) throw notFound('step');
    if (!known) {
      await this.refuseCircle(vehicle, input);
      await changeOf(this.db, vehicleId, async (manager) => {
        const row = { ...input, vehicleId, version: 1, by: caller.name, at: new Date() };
        await manager.createQueryBuilder().insert().into(OwnStepEntity).values(row).orIgnore().execute();
        await record(manager, caller, vehicleId, 'job', `Step added: ${input.title}`);
      });
    }
    return this.view(caller, vehicleId);
  }

  async change(
    caller: Caller,
    vehicleId: string,
    { version, ...input }: OwnStepInput & { version: number },
  ): Promise<JobView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    await this.ownStep(vehicleId, input.id);
    await this.refuseCircle(vehicle, input);
    await changeOf(this.db, vehicleId, async (manager) => {
      await changeOnce(manager, {
        target: OwnStepEntity,
        id: input.id,
        seen: version,
        changes: input,
        current: () => this.view(caller, vehicleId),
      });
      await record(manager, caller, vehicleId, 'job', `Step changed: ${input.title}`);
    });
    return this.view(caller, vehicleId);
  }

  async remove(caller: Caller, vehicleId: string, id: string): Promise<JobView> {
    await this.garage.own(caller, vehicleId);
    const { title } = await this.ownStep(vehicleId, id);
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.delete(OwnStepEntity, { id });
      await manager.delete(StepWordEntity, { vehicleId, step: id });
      await record(manager, caller, vehicleId, 'job', `Step taken away: ${title}`);
    });
    return this.view(caller, vehicleId);
  }

  private async ownStep(vehicleId: string, id: string) {
    const row = await this.db.getRepository(OwnStepEntity).findOneBy({ id, vehicleId });
    if (!row) throw notFound('step');
    return row;
  }

  /** @throws Problem naming the circle, where this step would wait for itself */
  private async refuseCircle(vehicle: OwnVehicle, step: OwnStepInput): Promise<void> {
    const { input } = await this.gathered(vehicle);
    jobSteps({ ...input, own: [...(input.own ?? []).filter(({ id }) => id !== step.id), step] });
  }
}
