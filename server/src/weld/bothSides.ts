import { IsNull, type DataSource } from 'typeorm';
import type { BothSidesView, WeldPlanView } from '@aspecta/contract/weld';
import { otherSideOf, panelOf } from '@aspecta/core/body';
import { keepsPanel } from '@aspecta/core/verdict';
import type { WeldSide } from '@aspecta/core/weld';
import type { Caller } from '../http/session.ts';
import { RepairEntity } from '../verdict/entities.ts';
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
    const mirror = otherSideOf(vehicle.plan, panelOf(vehicle.plan, repair.panel))?.panel;
    const there = mirror
      ? await this.db.getRepository(RepairEntity).find({
          where: { vehicleId: vehicle.id, panel: mirror.id, deletedAt: IsNull() },
          order: { decidedAt: 'DESC' },
        })
      : [];
    const layers = layersOf(repair).join();
    const like = there.find((row) => !keepsPanel(row.choice) && layersOf(row).join() === layers);
    if (!like) return { name, other: null, turn: null };
    const [mine, theirs] = await Promise.all([welds.plan(caller, repairId), welds.plan(caller, like.id)]);
    const other = { repairId: like.id, name: repairName(vehicle.plan, like), planned: theirs !== null };
    if (!mine || !theirs) return { name, other, turn: null };
    return { name, other, turn: await bench.run('inTurn', { sides: [sideOf(mine), sideOf(theirs)] }, caller.personId) };
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
