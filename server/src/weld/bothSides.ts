import { IsNull, type DataSource } from 'typeorm';
import type { BothSidesView, OtherSideView, WeldPlanView } from '@aspecta/contract/weld';
import { otherSideOf, panelOf } from '@aspecta/core/body';
import { keepsPanel } from '@aspecta/core/verdict';
import type { WeldSide } from '@aspecta/core/weld';
import type { OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import { layersOf, repairName } from '../verdict/named.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import type { WeldService } from './service.ts';

interface Services {
  verdicts: VerdictService;
  welds: WeldService;
  bench: Workbench;
}

/** Both sides of the car: the plan of this repair and of its like on the other side → in turn → turns and waits. */
export class BothSidesService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  /** What is left on both sides, welded in turn; without turns where the other side has no plan, without the other side where there is none. */
  async view(caller: Caller, repairId: string): Promise<BothSidesView> {
    const { verdicts, welds, bench } = this.services;
    const { repair, vehicle } = await verdicts.own(caller, repairId);
    const name = repairName(vehicle.plan, repair);
    const like = await this.likeOf(vehicle, repair);
    if (!like) return { name, other: null, turn: null };
    const [mine, theirs] = await Promise.all([welds.plan(caller, repairId), welds.plan(caller, like.id)]);
    const other = { repairId: like.id, name: repairName(vehicle.plan, like), planned: theirs !== null };
    if (!mine || !theirs) return { name, other, turn: null };
    return { name, other, turn: await bench.run('inTurn', { sides: [sideOf(mine), sideOf(theirs)] }, caller.personId) };
  }

  /** The plan of the other side as it stands; null where there is none. */
  async other(caller: Caller, repairId: string): Promise<OtherSideView | null> {
    const { verdicts, welds } = this.services;
    const { repair, vehicle } = await verdicts.own(caller, repairId);
    const like = await this.likeOf(vehicle, repair);
    const plan = like && (await welds.plan(caller, like.id));
    return plan ? { repairId: like.id, name: repairName(vehicle.plan, like), plan } : null;
  }

  /** What is decided on the other side on the same sheet, the newest. */
  private async likeOf(vehicle: OwnVehicle, repair: RepairRow): Promise<RepairRow | undefined> {
    const mirror = otherSideOf(vehicle.plan, panelOf(vehicle.plan, repair.panel))?.panel;
    const there = mirror
      ? await this.db.getRepository(RepairEntity).find({
          where: { vehicleId: vehicle.id, panel: mirror.id, deletedAt: IsNull() },
          order: { decidedAt: 'DESC' },
        })
      : [];
    const layers = layersOf(repair).join();
    return there.find((row) => !keepsPanel(row.choice) && layersOf(row).join() === layers);
  }
}

/** What of a plan is not done yet. */
function sideOf({ plan, done, input, sheet }: WeldPlanView): WeldSide {
  const ticked = new Set(done.map(({ n }) => n));
  return {
    steps: plan.steps.filter(({ n }) => !ticked.has(n)),
    sheet: { material: sheet.material, thickness: sheet.thickness, copper: input.copper },
    ambient: sheet.ambient,
    handWarm: input.handWarm,
  };
}
