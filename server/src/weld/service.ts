import { In, type DataSource } from 'typeorm';
import {
  weldDefaults,
  type PlannedJoint,
  type UsualWeld,
  type WeldPlanView,
  type WeldSettingsInput,
} from '@aspecta/contract/weld';
import { personUnits, settingsBy } from '@aspecta/contract/shop';
import { layerOf, panelOf, type Layer, type Material } from '@aspecta/core/body';
import { Problem } from '@aspecta/core';
import { toLine, type Point } from '@aspecta/core/geometry';
import { keepsPanel } from '@aspecta/core/verdict';
import {
  isHot,
  type Position,
  type RepairWeldInput,
  type StrategyPlan,
  type WeldJoint,
  type WeldPlan,
} from '@aspecta/core/weld';
import type { CloseService } from '../close/service.ts';
import type { FitService } from '../fit/service.ts';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import type { JointService } from '../repair/service.ts';
import { tellsDay } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import type { RepairRow } from '../verdict/entities.ts';
import { PatternEntity } from '../pattern/entities.ts';
import { lastWelded } from './lastWelded.ts';
import { WeldEntity, WeldStepEntity, type WeldRow, type WeldStepRow } from './entities.ts';
import { layersOf, repairName } from '../verdict/named.ts';

interface Services {
  joints: JointService;
  verdicts: VerdictService;
  shops: ShopService;
  fits: FitService;
  closes: CloseService;
  bench: Workbench;
}

/** The way of a weld plan on the server: joints of the repair → steps laid out once → ticked off one by one. */
export class WeldService {
  private readonly db: DataSource;
  private readonly joints: JointService;
  private readonly verdicts: VerdictService;
  private readonly bench: Workbench;
  private readonly shops: ShopService;
  private readonly fits: FitService;
  private readonly closes: CloseService;

  constructor(db: DataSource, { joints, verdicts, shops, fits, closes, bench }: Services) {
    this.db = db;
    this.joints = joints;
    this.verdicts = verdicts;
    this.bench = bench;
    this.shops = shops;
    this.fits = fits;
    this.closes = closes;
  }

  /** The plan as laid out; null where none has been laid out yet. */
  async plan(caller: Caller, repairId: string): Promise<WeldPlanView | null> {
    const { repair } = await this.verdicts.own(caller, repairId);
    const row = await this.db.getRepository(WeldEntity).findOneBy({ id: repairId });
    return row && this.view(caller, row, repair);
  }

  /** How this shop welds sheet of this kind: by its house rules, else as it did last; null where neither says anything. What was said of single joints stays with them. */
  async usual(caller: Caller, repairId: string): Promise<UsualWeld | null> {
    needs('worker', caller);
    const [sheet, { welding }] = await Promise.all([this.sheet(caller, repairId), this.shops.shop(caller)]);
    const said = Object.entries(welding).filter(([, choice]) => choice !== null);
    const rules = settingsBy(welding);
    const ruled = said.map(([name]) => name) as UsualWeld['ruled'];
    for (const id of await lastWelded(this.db, caller.shopId, repairId)) {
      const other = await this.sheet(caller, id);
      if (other.material !== sheet.material) continue;
      const { input } = await this.db.getRepository(WeldEntity).findOneByOrFail({ id });
      const ofAll = { other: null, positions: [], first: [], barred: [] };
      const last = { panel: other.panel, car: other.car };
      return { input: { ...weldDefaults, ...input, ...ofAll, ...rules }, last, ruled };
    }
    return ruled.length > 0 ? { input: { ...weldDefaults, ...rules }, last: null, ruled } : null;
  }

  private async sheet(caller: Caller, repairId: string) {
    const { repair, vehicle } = await this.verdicts.own(caller, repairId);
    const { layers } = panelOf(vehicle.plan, repair.panel);
    const [own] = layersOf(repair);
    const sheet = layers.find(({ id }) => id === own) ?? layers[0]!;
    return { panel: repairName(vehicle.plan, repair), car: vehicle.nickname, ...(await this.pair(repairId, sheet)) };
  }

  /** The sheet of the car, and the one that its pattern is cut from where that is another: the thinner one says how it is welded. */
  private async pair(repairId: string, { material, thickness }: Layer): Promise<WeldedPair> {
    const pattern = await this.db.getRepository(PatternEntity).findOneBy({ id: repairId });
    const piece = pattern?.settings.thickness ?? thickness;
    return {
      material,
      thickness: Math.min(piece, thickness),
      other: piece === thickness ? null : Math.max(piece, thickness),
    };
  }

  /** Lays the steps out anew. Once a step is done that needs a reason: those welds are in the metal, and stay as history. */
  async layOut(
    caller: Caller,
    repairId: string,
    { version, reason = '', ...settings }: WeldSettingsInput & { version: number; reason?: string },
  ): Promise<WeldPlanView> {
    const { vehicle, repair, joints, ready } = await this.ready(caller, repairId, settings);
    const input = await this.withoutGone(caller, settings, ready);
    const plan = await this.bench.run('planRepair', ready, caller.personId);
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
        `Weld plan for ${repairName(vehicle.plan, repair)}: ${plan.steps.length} steps`,
      );
    });
    return this.required(caller, repairId);
  }

  /** Without what was said of welds that these settings do not come to any more: nothing is left out there. */
  private async withoutGone(
    caller: Caller,
    settings: WeldSettingsInput,
    ready: RepairWeldInput,
  ): Promise<WeldSettingsInput> {
    if (settings.first.length + settings.barred.length === 0) return settings;
    const names = new Set(await this.bench.run('weldNames', ready, caller.personId));
    const still = (said: readonly string[]) => said.filter((name) => names.has(name));
    return { ...settings, first: still(settings.first), barred: still(settings.barred) };
  }

  /** What each strategy costs in time, and how much it pulls: nothing is kept. */
  async compare(caller: Caller, repairId: string, input: WeldSettingsInput): Promise<StrategyPlan[]> {
    const { ready } = await this.ready(caller, repairId, input);
    return this.bench.run('compareWelds', ready, caller.personId);
  }

  /** All that is known before the welds are planned. @throws ServerProblem where nothing is joined */
  private async ready(
    caller: Caller,
    repairId: string,
    { positions, other, pitch, stitch, hole, ...rest }: WeldSettingsInput,
  ) {
    const { repair, vehicle } = await this.verdicts.own(caller, repairId);
    if (keepsPanel(repair.choice))
      throw new ServerProblem(
        'invalid',
        'Nothing is joined here: the panel stays in the car. Decide for a patch or a panel first.',
        'choice',
      );
    const { joints, layer } = await this.joined(caller, repairId);
    if (joints.length === 0)
      throw new ServerProblem('invalid', 'No joint of this panel is welded, bolted or riveted.', 'choice');
    const pair = await this.pair(repairId, layerOf(panelOf(vehicle.plan, repair.panel), layer));
    const { temperature } = await this.shops.shop(caller);
    const ready: RepairWeldInput = {
      joints: joints.map((joint) => weldJoint(joint, positions)),
      thickness: pair.thickness,
      material: pair.material,
      ambient: temperature,
      ...rest,
      other: other ?? pair.other ?? undefined,
      pitch: pitch ?? undefined,
      stitch: stitch ?? undefined,
      hole: hole ?? undefined,
    };
    return { vehicle, repair, joints, ready };
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

  /** The card for the wall, as PDF. */
  async card(caller: Caller, repairId: string): Promise<{ panel: string; file: Uint8Array }> {
    const view = await this.required(caller, repairId);
    const [{ vehicle }, shop] = await Promise.all([this.verdicts.own(caller, repairId), this.shops.shop(caller)]);
    const context = {
      vehicle: vehicle.nickname,
      panel: panelOf(vehicle.plan, view.panel),
      units: personUnits(shop),
      by: caller.name,
      on: tellsDay(shop.timeZone)(new Date()),
    };
    return { panel: view.panel, file: await this.bench.run('weldCard', { view, context }, caller.personId) };
  }

  /** Ticks steps off, or takes that back. Ticking twice is the same as once. */
  async tick(
    caller: Caller,
    repairId: string,
    { steps, done, version }: { steps: readonly number[]; done: boolean; version: number },
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
    if (steps.some((n) => !Number.isInteger(n) || n < 1 || n > view.plan.steps.length)) throw notFound('step');
    const { vehicle } = await this.verdicts.own(caller, repairId);
    // What is welded cannot be reached any more: it fits, and its faces are coated, before it is shut.
    if (done && steps.some((n) => isHot(view.plan.steps[n - 1]!))) {
      await this.fits.refuseUnfit(caller, repairId, 'steps');
      await this.closes.refuseBare(vehicle, repairId, 'steps');
    }
    await changeOf(this.db, vehicle.id, async (manager) => {
      const before = await manager.countBy(WeldStepEntity, { weldId: repairId });
      if (done)
        await manager
          .createQueryBuilder()
          .insert()
          .into(WeldStepEntity)
          .values(steps.map((n) => ({ weldId: repairId, n, at: new Date(), by: caller.name })))
          .orIgnore()
          .execute();
      else await manager.delete(WeldStepEntity, { weldId: repairId, n: In([...steps]) });
      const after = await manager.countBy(WeldStepEntity, { weldId: repairId });
      if (after > before && after === view.plan.steps.length)
        await record(
          manager,
          caller,
          vehicle.id,
          'weld',
          `Last weld on ${panelOf(vehicle.plan, view.panel).name} done`,
        );
    });
    return this.required(caller, repairId);
  }

  private async required(caller: Caller, repairId: string): Promise<WeldPlanView> {
    const view = await this.plan(caller, repairId);
    if (!view) throw notFound('weld plan');
    return view;
  }

  private async view(caller: Caller, row: WeldRow, repair: RepairRow): Promise<WeldPlanView> {
    const [done, { thickness, other, material }, { temperature: ambient }] = await Promise.all([
      this.db.getRepository(WeldStepEntity).find({ where: { weldId: row.id }, order: { n: 'ASC' } }),
      this.sheet(caller, row.id),
      this.shops.shop(caller),
    ]);
    return {
      repairId: row.id,
      panel: repair.panel,
      input: { ...weldDefaults, ...row.input },
      plan: row.plan,
      done: done.map(ticked),
      acknowledged:
        row.acknowledgedBy && row.acknowledgedAt
          ? { by: row.acknowledgedBy, at: row.acknowledgedAt.toISOString() }
          : null,
      version: row.version,
      joints: row.joints.map((joint) => ({ ...oldJoint, ...joint })),
      moved:
        keepsPanel(repair.choice) ||
        !isFor(row.plan, [thickness, row.input.other ?? other ?? thickness]) ||
        !(await this.liesWhere(caller, row)),
      sheet: { thickness, other: row.input.other ?? other, material, ambient },
      earlier: row.earlier ?? [],
    };
  }

  /** The joints of a repair that are closed by something, and in which of its sheets they lie. */
  private async joined(caller: Caller, repairId: string): Promise<{ joints: PlannedJoint[]; layer: string }> {
    const { joints, layer } = await this.joints.view(caller, repairId);
    return {
      layer,
      joints: joints
        .filter(({ closing }) => closing !== 'make')
        .map(({ line, name, kind, closing, welds, sheets }): PlannedJoint => {
          const [first, last] = [line[0]!, line.at(-1)!];
          const closed = line.length > 2 && first[0] === last[0] && first[1] === last[1];
          const points = (closed ? line.slice(0, -1) : line).map(([u, v]): [number, number] => [u, v]);
          return { points, closed, name, kind, closing, welds, sheets };
        }),
    };
  }

  /** Are the joints still those that the plan was laid out for? */
  private async liesWhere(caller: Caller, row: WeldRow): Promise<boolean> {
    try {
      const { joints } = await this.joined(caller, row.id);
      return asText(joints) === asText(row.joints);
    } catch (error) {
      // Its damage is not drawn any more, or no line can be found around it.
      if (error instanceof Problem || (error instanceof ServerProblem && error.code === 'invalid')) return false;
      throw error;
    }
  }
}

/** What is welded to what: the thinner sheet, and the other where it is thicker. */
interface WeldedPair {
  material: Material;
  thickness: number;
  other: number | null;
}
/** Was a plan laid out for these two sheets? One of earlier times does not say. */
const isFor = ({ sheets }: WeldPlan, pair: readonly number[]): boolean =>
  !sheets || [...pair].sort((a, b) => a - b).every((mm, i) => mm === sheets[i]);

/** Joints of plans of earlier times, which knew the cut in the sheet alone. */
const oldJoint = { name: 'in the sheet', kind: 'cut', closing: 'butt', welds: 0, sheets: undefined } as const;

/** mm. A joint is told by a place on it; one that lies so near is the same. */
const SAME_JOINT = 5;
function weldJoint(
  { points, closed, ...joint }: PlannedJoint,
  positions: readonly { at: [number, number]; position: Position }[],
): WeldJoint {
  const line: Point[] = closed ? [...points, points[0]!] : points;
  const said = positions.find(({ at }) => toLine(at, line) < SAME_JOINT);
  return { ...joint, line, ...(said ? { position: said.position } : {}) };
}
/** To a tenth of a millimetre. */
const asText = (joints: readonly PlannedJoint[]) =>
  JSON.stringify(
    joints.map(({ points, closed, closing, welds }) => [
      closing,
      welds,
      closed,
      points.map((place) => place.map((mm) => mm.toFixed(1))),
    ]),
  );
const ticked = ({ n, at, by }: WeldStepRow) => ({ n, at: at.toISOString(), by });
const ended = ({ plan }: WeldRow, done: readonly WeldStepRow[]) => ({
  steps: plan.steps.length,
  done: done.map(ticked),
});
