import type { DataSource } from 'typeorm';
import type { WeldPlanView, WeldSettingsInput } from '@aspecta/contract/weld';
import { layerOf, panelOf } from '@aspecta/core/body';
import { Problem } from '@aspecta/core';
import type { CutLine } from '@aspecta/core/cut';
import { isLetIn } from '@aspecta/core/verdict';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import type { CutService } from '../cut/service.ts';
import { record } from '../events/record.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import type { RepairRow } from '../verdict/entities.ts';
import { WeldEntity, WeldStepEntity, type WeldRow, type WeldStepRow } from './entities.ts';

interface Services {
  cuts: CutService;
  verdicts: VerdictService;
  shops: ShopService;
  bench: Workbench;
}

/** The way of a weld plan on the server: cut → joints → steps laid out once → ticked off one by one. */
export class WeldService {
  private readonly db: DataSource;
  private readonly cuts: CutService;
  private readonly verdicts: VerdictService;
  private readonly bench: Workbench;
  private readonly shops: ShopService;

  constructor(db: DataSource, { cuts, verdicts, shops, bench }: Services) {
    this.db = db;
    this.cuts = cuts;
    this.verdicts = verdicts;
    this.bench = bench;
    this.shops = shops;
  }

  /** The plan as laid out; null where none has been laid out yet. */
  async plan(caller: Caller, repairId: string): Promise<WeldPlanView | null> {
    const { repair } = await this.verdicts.own(caller, repairId);
    const row = await this.db.getRepository(WeldEntity).findOneBy({ id: repairId });
    return row && this.view(caller, row, repair);
  }

  /** Lays the steps out anew. Once a step is done that needs a reason: those welds are in the metal, and stay as history. */
  async layOut(
    caller: Caller,
    repairId: string,
    { version, reason = '', ...input }: WeldSettingsInput & { version: number; reason?: string },
  ): Promise<WeldPlanView> {
    const { repair, vehicle } = await this.verdicts.own(caller, repairId);
    if (!isLetIn(repair.choice))
      throw new ServerProblem('invalid', 'Nothing is welded in here: decide for a patch first.', 'choice');
    const cut = await this.cuts.plan(caller, repairId);
    const { material } = layerOf(panelOf(vehicle.plan, repair.panel), cut.layer);
    const { temperature } = await this.shops.shop(caller);
    const joints = jointsOf(cut.line);
    const plan = await this.bench.run(
      'planWelds',
      { seams: joints, thickness: cut.thickness, material, ambient: temperature, ...input },
      caller.personId,
    );
    await changeOf(this.db, vehicle.id, async (manager) => {
      const before = await manager.findOneBy(WeldEntity, { id: repairId });
      const done = await manager.findBy(WeldStepEntity, { weldId: repairId });
      if (done.length > 0 && reason.length < 3)
        throw new ServerProblem(
          'already-there',
          `Welding has begun: ${done.length} of ${before?.plan.steps.length} steps are done. They stay as they are noted; say why the rest is laid out anew.`,
          'reason',
        );
      const earlier = [
        ...(before?.earlier ?? []),
        ...(before && done.length > 0
          ? [{ ...ended(before, done), reason, by: caller.name, at: new Date().toISOString() }]
          : []),
      ];
      const blank = { earlier, acknowledgedBy: null, acknowledgedAt: null };
      if (version === 0 && !before)
        await manager.insert(WeldEntity, { id: repairId, input, plan, joints, version: 1, ...blank });
      else
        await changeVersioned(manager, {
          target: WeldEntity,
          id: repairId,
          seen: version,
          changes: { input, plan, joints, ...(done.length > 0 ? blank : {}) },
          current: () => this.plan(caller, repairId),
        });
      await manager.delete(WeldStepEntity, { weldId: repairId });
      await record(
        manager,
        caller,
        vehicle.id,
        'weld',
        `Weld plan for ${repair.panel}: ${plan.tacks} tacks, ${plan.stitches} stitches`,
      );
    });
    return this.required(caller, repairId);
  }

  /** Notes by name and time that the cautions have been read. */
  async acknowledge(caller: Caller, repairId: string): Promise<WeldPlanView> {
    const view = await this.required(caller, repairId);
    const { vehicle } = await this.verdicts.own(caller, repairId);
    if (!view.acknowledged) {
      await changeOf(this.db, vehicle.id, async (manager) => {
        await manager.update(WeldEntity, { id: repairId }, { acknowledgedBy: caller.name, acknowledgedAt: new Date() });
        await record(manager, caller, vehicle.id, 'weld', 'Cautions before welding read');
      });
    }
    return this.required(caller, repairId);
  }

  /** Ticks a step off, or takes that back. Ticking twice is the same as once. */
  async tick(
    caller: Caller,
    repairId: string,
    n: number,
    { done, version }: { done: boolean; version: number },
  ): Promise<WeldPlanView> {
    const view = await this.required(caller, repairId);
    if (view.version !== version)
      throw new ServerProblem(
        'conflict',
        'The plan has been laid out anew in the meantime; look at the new steps.',
        undefined,
        { current: view },
      );
    if (!view.acknowledged)
      throw new ServerProblem('invalid', 'Read and acknowledge the cautions first.', 'acknowledged');
    if (!Number.isInteger(n) || n < 1 || n > view.plan.steps.length) throw notFound('step');
    const { vehicle } = await this.verdicts.own(caller, repairId);
    await changeOf(this.db, vehicle.id, async (manager) => {
      const before = await manager.countBy(WeldStepEntity, { weldId: repairId });
      if (done)
        await manager
          .createQueryBuilder()
          .insert()
          .into(WeldStepEntity)
          .values({ weldId: repairId, n, at: new Date(), by: caller.name })
          .orIgnore()
          .execute();
      else await manager.delete(WeldStepEntity, { weldId: repairId, n });
      const after = await manager.countBy(WeldStepEntity, { weldId: repairId });
      if (after > before && after === view.plan.steps.length)
        await record(manager, caller, vehicle.id, 'weld', `Last weld on ${view.panel} done`);
    });
    return this.required(caller, repairId);
  }

  private async required(caller: Caller, repairId: string): Promise<WeldPlanView> {
    const view = await this.plan(caller, repairId);
    if (!view) throw notFound('weld plan');
    return view;
  }

  private async view(caller: Caller, row: WeldRow, repair: RepairRow): Promise<WeldPlanView> {
    const done = await this.db.getRepository(WeldStepEntity).find({ where: { weldId: row.id }, order: { n: 'ASC' } });
    return {
      repairId: row.id,
      panel: repair.panel,
      input: row.input,
      plan: row.plan,
      done: done.map(ticked),
      acknowledged:
        row.acknowledgedBy && row.acknowledgedAt
          ? { by: row.acknowledgedBy, at: row.acknowledgedAt.toISOString() }
          : null,
      version: row.version,
      joints: row.joints,
      moved: !isLetIn(repair.choice) || !(await this.liesWhere(caller, row)),
      earlier: row.earlier ?? [],
    };
  }

  /** Does the line still lie where the plan was laid out for? */
  private async liesWhere(caller: Caller, row: WeldRow): Promise<boolean> {
    try {
      const { line } = await this.cuts.plan(caller, row.id);
      return asText(jointsOf(line)) === asText(row.joints);
    } catch (error) {
      // Its damage is not drawn any more, or no line can be found around it.
      if (error instanceof Problem || (error instanceof ServerProblem && error.code === 'invalid')) return false;
      throw error;
    }
  }
}

const jointsOf = ({ joints }: CutLine): WeldPlanView['joints'] =>
  joints.map(({ points, closed }) => ({ points: points.map(([u, v]): [number, number] => [u, v]), closed }));
/** To a tenth of a millimetre. */
const asText = (joints: WeldPlanView['joints']) =>
  JSON.stringify(joints.map(({ points, closed }) => [closed, points.map((place) => place.map((mm) => mm.toFixed(1)))]));
const ticked = ({ n, at, by }: WeldStepRow) => ({ n, at: at.toISOString(), by });
const ended = ({ plan }: WeldRow, done: readonly WeldStepRow[]) => ({
  steps: plan.steps.length,
  done: done.map(ticked),
});
