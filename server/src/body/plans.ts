import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { OutlineInput, OwnPlan, PlanView } from '@aspecta/contract/body';
import {
  bodyPlan,
  bodyPlans,
  panelOf,
  sheetOf,
  withOutline,
  withPanel,
  type BodyPlan,
  type CarFacts,
  type Panel,
} from '@aspecta/core/body';
import { inPolygon, plus, toRing, type Point, type Ring } from '@aspecta/core/geometry';
import { changeVersioned, Stale } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { VehicleEntity, type VehicleRow } from '../garage/entities.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import { PlanEntity } from './entities.ts';

/** mm. Readings this near to the new edge are on it. */
const EDGE_SLACK = 5;
/** mm. What was said of an edge counts where it still lies on it. */
const SAID_SLACK = 1;

/** Bodies: those that Aspecta brings, and those that a shop has made its own. */
export class PlanService {
  private readonly db: DataSource;
  /** Own plans by id and version: a plan is large and changes seldom. */
  private readonly known = new Map<string, { version: number; plan: BodyPlan }>();

  constructor(db: DataSource) {
    this.db = db;
  }

  /** The plan of this id, shipped or the shop's own. */
  async of(shopId: string, id: string): Promise<BodyPlan> {
    if (bodyPlans().some((plan) => plan.id === id)) return bodyPlan(id);
    const head = await this.db.getRepository(PlanEntity).findOne({
      where: { id, shopId },
      select: { id: true, version: true },
    });
    if (!head) return bodyPlan(id);
    const known = this.known.get(id);
    if (known?.version === head.version) return known.plan;
    const row = await this.db.getRepository(PlanEntity).findOneByOrFail({ id, shopId });
    // A plan that was kept before frames were known is measured like the body it was made from.
    const plan = { ...row.plan, base: row.baseId, frame: row.plan.frame ?? bodyPlan(row.baseId).frame! };
    this.known.set(id, { version: row.version, plan });
    return plan;
  }

  async list(caller: Caller): Promise<PlanView[]> {
    const own = await this.db
      .getRepository(PlanEntity)
      .find({ where: { shopId: caller.shopId }, order: { name: 'ASC' } });
    return [
      ...bodyPlans().map((plan) => ({ ...headOf(plan), own: false, baseId: plan.id })),
      ...own.map((row) => ({ ...headOf(row.plan), id: row.id, name: row.name, own: true, baseId: row.baseId })),
    ];
  }

  async own(caller: Caller, id: string): Promise<OwnPlan> {
    const row = await this.db.getRepository(PlanEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('body plan');
    return { plan: { ...row.plan, base: row.baseId }, version: row.version };
  }

  /**
   * Gives a panel of a vehicle another outline. On a shipped plan this makes the shop's own
   * one, and the vehicle moves onto it; readings and zones move with the panel's origin.
   */
  async reshape(caller: Caller, vehicle: VehicleRow & { plan: BodyPlan }, panelId: string, input: OutlineInput) {
    if (vehicle.facts?.parts.some((part) => part.id === panelId))
      throw new ServerProblem(
        'invalid',
        'This part was added to the car: change its size where it was added.',
        'outline',
      );
    // What this one car is besides stays with the car.
    const whole = await this.of(vehicle.shopId, vehicle.planId);
    const before = panelOf(whole, panelId);
    const { panel, shift, dropped } = withOutline(before, input.outline as unknown as Ring);
    const shipped = bodyPlans().some((plan) => plan.id === vehicle.planId);
    const id = shipped ? randomUUID() : vehicle.planId;
    const plan: BodyPlan = { ...withPanel(whole, panel, shift), id, name: input.name };
    await changeOf(this.db, vehicle.id, async (manager) => {
      const { planId } = await manager.findOneByOrFail(VehicleEntity, { id: vehicle.id });
      // Somebody else has just given the car a plan of the shop's own: his outline must not be lost.
      if (planId !== vehicle.planId) throw new Stale(() => this.own(caller, planId));
      const readings = await manager.findBy(ReadingEntity, { vehicleId: vehicle.id, panel: panelId });
      const zones = await manager.findBy(ZoneEntity, { vehicleId: vehicle.id, panel: panelId });
      const off = readings.filter((row) => {
        const at = plus([row.u, row.v], shift);
        return !row.withdrawnAt && !inPolygon(at, sheetOf(panel)) && toRing(at, panel.outline) > EDGE_SLACK;
      });
      if (off.length > 0)
        throw new ServerProblem(
          'invalid',
          `${off.length} ${off.length === 1 ? 'reading lies' : 'readings lie'} outside the new outline; draw it around them, or withdraw them first.`,
          'outline',
        );
      const stamp = { changedAt: new Date(), changedBy: caller.name };
      if (shipped) {
        await manager.insert(PlanEntity, {
          id,
          shopId: caller.shopId,
          baseId: vehicle.planId,
          name: input.name,
          plan,
          version: 1,
          ...stamp,
        });
        await manager.update(VehicleEntity, { id: vehicle.id }, { planId: id });
      } else {
        const stored = () => this.own(caller, id);
        await changeVersioned(manager, {
          target: PlanEntity,
          id,
          seen: input.version,
          changes: { name: input.name, plan, ...stamp },
          current: stored,
        });
      }
      await manager.update(VehicleEntity, { id: vehicle.id }, { facts: movedFacts(vehicle.facts, panel, shift) });
      if (shift[0] !== 0 || shift[1] !== 0) {
        for (const row of readings)
          await manager.update(ReadingEntity, { id: row.id }, { u: row.u + shift[0], v: row.v + shift[1] });
        const moved = (ring: [number, number][]) =>
          ring.map((p) => [p[0] + shift[0], p[1] + shift[1]] as [number, number]);
        for (const row of zones)
          await manager.update(ZoneEntity, { id: row.id }, { ring: moved(row.ring), holes: row.holes.map(moved) });
      }
      await record(manager, caller, vehicle.id, 'body', `New outline of ${panel.name}`);
    });
    return { ...(await this.own(caller, id)), planId: id, dropped };
  }
}

/** What was said of its edges moves with the panel; what lies on no edge of it any more is forgotten. */
function movedFacts(facts: CarFacts | null, { id, outline }: Panel, shift: Point): CarFacts | null {
  const own = facts?.panels[id];
  if (!facts || !own?.edges) return facts;
  const edges = own.edges
    .map((edge) => ({ ...edge, line: edge.line.map((p) => plus(p, shift)) }))
    .filter(({ line }) => line.every((p) => toRing(p, outline) <= SAID_SLACK));
  return { ...facts, panels: { ...facts.panels, [id]: { ...own, edges } } };
}

const headOf = (plan: BodyPlan) => ({
  id: plan.id,
  name: plan.name,
  description: plan.description,
  panels: plan.panels.length,
});
