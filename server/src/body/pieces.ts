import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import type { Vehicle } from '@aspecta/contract/garage';
import {
  asOnCar,
  fromPiece,
  memberAt,
  onePieceOf,
  panelOf,
  type BodyPlan,
  type OnePiece,
  type Panel,
} from '@aspecta/core/body';
import { centroid, plus, type Point } from '@aspecta/core/geometry';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { VehicleEntity } from '../garage/entities.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { OrderEntity } from '../order/entities.ts';
import { ReadingEntity, ZoneEntity, ZoneVersionEntity, type ZoneRow } from '../survey/entities.ts';
import { RepairEntity } from '../verdict/entities.ts';
import type { PlanService } from './plans.ts';

/** One piece over several panels: its outline, held by what is left outside; the damage of those panels goes over to it. */
export class PieceService {
  private readonly db: DataSource;
  private readonly plans: PlanService;
  private readonly garage: GarageService;

  constructor(db: DataSource, { plans, garage }: { plans: PlanService; garage: GarageService }) {
    this.db = db;
    this.plans = plans;
    this.garage = garage;
  }

  /** The same one sent again is taken as done. */
  async add(caller: Caller, vehicleId: string, piece: OnePiece): Promise<Vehicle> {
    needs('worker', caller);
    const { planId, shopId } = await this.garage.own(caller, vehicleId);
    const plan = await this.plans.of(shopId, planId);
    await changeOf(this.db, vehicleId, async (manager) => {
      const { facts } = await manager.findOneByOrFail(VehicleEntity, { id: vehicleId });
      const pieces = facts?.pieces ?? [];
      if (pieces.some(({ id }) => id === piece.id)) return;
      const taken = pieces.find(({ panels }) => panels.some((id) => piece.panels.includes(id)));
      if (taken)
        throw new ServerProblem('invalid', `${taken.name} takes the place of some of these already.`, 'panels');
      const before = asOnCar(plan, facts);
      if (before.panels.some(({ name }) => name.toLowerCase() === piece.name.toLowerCase()))
        throw new ServerProblem('invalid', `There is a ${piece.name} already; give it a name of its own.`, 'name');
      const made = onePieceOf(before, piece);
      await this.refuseDecided(manager, vehicleId, before, piece.panels);
      const zones = await this.openZones(manager, vehicleId, piece.panels);
      for (const zone of zones) {
        const member = panelOf(before, zone.panel);
        const back = fromPiece(before, made, member);
        await moveZone(manager, zone, { panel: made, by: [-back[0], -back[1]] });
      }
      const next = { panels: facts?.panels ?? {}, parts: facts?.parts ?? [], pieces: [...pieces, piece] };
      await manager.update(VehicleEntity, { id: vehicleId }, { facts: next });
      const names = piece.panels.map((id) => panelOf(before, id).name).join(', ');
      await record(manager, caller, vehicleId, 'body', `${piece.name}: one piece in place of ${names}`);
    });
    return this.garage.vehicle(caller, vehicleId);
  }

  /** Several panels again: the damage goes back to where it lies. */
  async remove(caller: Caller, vehicleId: string, id: string): Promise<Vehicle> {
    needs('worker', caller);
    const { plan } = await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, async (manager) => {
      const { facts } = await manager.findOneByOrFail(VehicleEntity, { id: vehicleId });
      const piece = facts?.pieces?.find((one) => one.id === id);
      if (!facts || !piece) throw notFound('piece');
      await this.refuseDecided(manager, vehicleId, plan, [id]);
      for (const entity of [ReadingEntity, OrderEntity])
        if (await manager.existsBy<object>(entity, { vehicleId, panel: id }))
          throw new ServerProblem('invalid', `Readings or orders belong to ${piece.name}: it stays.`, 'piece');
      const made = panelOf(plan, id);
      for (const zone of await this.openZones(manager, vehicleId, [id])) {
        const { panel } = memberAt(plan, made, centroid(zone.ring));
        await moveZone(manager, zone, { panel, by: fromPiece(plan, made, panel) });
      }
      const { [id]: _facts, ...panels } = facts.panels;
      const pieces = facts.pieces!.filter((one) => one.id !== id);
      await manager.update(VehicleEntity, { id: vehicleId }, { facts: { ...facts, panels, pieces } });
      await record(manager, caller, vehicleId, 'body', `${piece.name}: several panels again`);
    });
    return this.garage.vehicle(caller, vehicleId);
  }

  private async openZones(manager: EntityManager, vehicleId: string, panels: readonly string[]): Promise<ZoneRow[]> {
    const all = await manager.findBy(ZoneEntity, { vehicleId, deletedAt: IsNull() });
    return all.filter(({ panel }) => panels.includes(panel));
  }

  /** What is decided on a panel stands on its zones there. */
  private async refuseDecided(
    manager: EntityManager,
    vehicleId: string,
    plan: BodyPlan,
    panels: readonly string[],
  ): Promise<void> {
    const repairs = await manager.findBy(RepairEntity, { vehicleId, deletedAt: IsNull() });
    const decided = repairs.find(({ panel, done }) => panels.includes(panel) && !done);
    if (decided)
      throw new ServerProblem(
        'invalid',
        `${panelOf(plan, decided.panel).name} is decided on already: take that decision back first, then its damage goes along.`,
        'panels',
      );
  }
}

/** A zone on another panel, at the same place of the body; its earlier versions come along. */
async function moveZone(
  manager: EntityManager,
  zone: ZoneRow,
  { panel, by }: { panel: Panel; by: Point },
): Promise<void> {
  const moved = (ring: readonly Point[]) => ring.map((p) => [...plus(p, by)] as [number, number]);
  const place = ({ ring, holes, layer }: Pick<ZoneRow, 'ring' | 'holes' | 'layer'>) => ({
    ring: moved(ring),
    holes: holes.map(moved),
    layer: panel.layers.some(({ id }) => id === layer) ? layer : panel.layers[0]!.id,
  });
  await manager.update(ZoneEntity, { id: zone.id }, { ...place(zone), panel: panel.id });
  for (const version of await manager.findBy(ZoneVersionEntity, { zoneId: zone.id }))
    await manager.update(ZoneVersionEntity, { id: version.id }, place(version));
}
