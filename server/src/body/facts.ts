import type { DataSource, EntityManager } from 'typeorm';
import type { FactsInput, PartInput } from '@aspecta/contract/body';
import type { Vehicle } from '@aspecta/contract/garage';
import { asOnCar, checkEdge, checkFacts, panelOf, type CarFacts, type PanelFacts } from '@aspecta/core/body';
import { Stale } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { VehicleEntity } from '../garage/entities.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { OrderEntity } from '../order/entities.ts';
import { FindEntity, ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import type { PlanService } from './plans.ts';

const NONE: CarFacts = { panels: {}, parts: [] };
/** More is no car but a mistake. */
const MOST_PARTS = 60;

/** What one car is where it is not as its body plan says: facts of its panels, and parts that the plan lacks. */
export class FactsService {
  private readonly db: DataSource;
  private readonly plans: PlanService;
  private readonly garage: GarageService;

  constructor(db: DataSource, { plans, garage }: { plans: PlanService; garage: GarageService }) {
    this.db = db;
    this.plans = plans;
    this.garage = garage;
  }

  /** Says what a panel is on this car, in place of what was said before; nothing: as the plan has it. */
  async say(caller: Caller, vehicleId: string, panelId: string, { facts, seen }: FactsInput): Promise<Vehicle> {
    needs('worker', caller);
    const vehicle = await this.garage.own(caller, vehicleId);
    const panel = panelOf(vehicle.plan, panelId);
    checkFacts(panel, facts);
    await this.change(caller, vehicleId, async (stored, manager) => {
      if (!isSame(stored.panels[panelId], seen)) {
        if (isSame(stored.panels[panelId], facts)) return stored;
        throw new Stale(async () => (await this.garage.vehicle(caller, vehicleId)).facts?.panels[panelId] ?? {});
      }
      await record(manager, caller, vehicleId, 'body', `${panel.name}: what it is on this car was changed`);
      const { [panelId]: _before, ...others } = stored.panels;
      return { ...stored, panels: Object.keys(facts).length > 0 ? { ...others, [panelId]: facts } : others };
    });
    return this.garage.vehicle(caller, vehicleId);
  }

  /** A part that the plan lacks, or the same one with other sizes. */
  async part(caller: Caller, vehicleId: string, id: string, input: PartInput): Promise<Vehicle> {
    needs('worker', caller);
    const { shopId, planId } = await this.garage.own(caller, vehicleId);
    checkEdge('edge', input.edge);
    const plan = await this.plans.of(shopId, planId);
    await this.change(caller, vehicleId, async (stored, manager) => {
      const others = stored.parts.filter((part) => part.id !== id);
      const taken = [...plan.panels, ...others].some(({ name }) => name.toLowerCase() === input.name.toLowerCase());
      if (taken)
        throw new ServerProblem('invalid', `There is a ${input.name} already; give it a name of its own.`, 'name');
      if (others.length >= MOST_PARTS)
        throw new ServerProblem('invalid', `A car can have ${MOST_PARTS} added parts.`, 'name');
      const known = stored.parts.findIndex((part) => part.id === id);
      await record(
        manager,
        caller,
        vehicleId,
        'body',
        `${input.name} ${known < 0 ? 'added to' : 'changed on'} the body`,
      );
      const part = { ...input, id };
      return { ...stored, parts: known < 0 ? [...stored.parts, part] : stored.parts.with(known, part) };
    });
    return this.garage.vehicle(caller, vehicleId);
  }

  /** Takes an added part away again, as long as nothing was measured, found or ordered for it. */
  async removePart(caller: Caller, vehicleId: string, id: string): Promise<Vehicle> {
    needs('worker', caller);
    await this.garage.own(caller, vehicleId);
    await this.change(caller, vehicleId, async (stored, manager) => {
      const part = stored.parts.find((one) => one.id === id);
      if (!part) throw notFound('part');
      const at = { vehicleId, panel: id };
      for (const entity of [ReadingEntity, ZoneEntity, FindEntity, OrderEntity])
        if (await manager.existsBy<object>(entity, at))
          throw new ServerProblem(
            'invalid',
            `Readings, zones, finds or orders belong to ${part.name}: it stays, or they would be lost.`,
            'part',
          );
      await record(manager, caller, vehicleId, 'body', `${part.name} taken off the body again`);
      const { [id]: _facts, ...panels } = stored.panels;
      return { ...stored, panels, parts: stored.parts.filter((one) => one.id !== id) };
    });
    return this.garage.vehicle(caller, vehicleId);
  }

  private async change(
    caller: Caller,
    vehicleId: string,
    to: (stored: CarFacts, manager: EntityManager) => Promise<CarFacts>,
  ): Promise<void> {
    await changeOf(this.db, vehicleId, async (manager) => {
      const row = await manager.findOneByOrFail(VehicleEntity, { id: vehicleId });
      const facts = await to(row.facts ?? NONE, manager);
      // What nobody could draw is not kept.
      asOnCar(await this.plans.of(caller.shopId, row.planId), facts);
      await manager.update(VehicleEntity, { id: vehicleId }, { facts });
    });
  }
}

/** Order of the names does not matter. */
const isSame = (a: PanelFacts | null | undefined, b: PanelFacts | null | undefined): boolean =>
  plain(a ?? {}) === plain(b ?? {});
function plain(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
