import { In, IsNull, type DataSource } from 'typeorm';
import type { DressRoundInput, DressRoundView, DressView } from '@aspecta/contract/dress';
import { panelOf, type Panel } from '@aspecta/core/body';
import { dressRound } from '@aspecta/core/dress';
import { fitPlaces, type FitPlace } from '@aspecta/core/fit';
import { between } from '@aspecta/core/geometry';
import type { Metalwork } from '@aspecta/core/repair';
import { whereOnJoint } from '@aspecta/core/weld';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { JointService } from '../repair/service.ts';
import { clockOf } from '../shop/clock.ts';
import { tellsDay } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import type { VerdictService } from '../verdict/service.ts';
import { weldProgress } from '../weld/progress.ts';
import { DressEntity, type DressRow } from './entities.ts';

/** mm. A place that lies farther off than that is another one, whatever its name. */
const SAME_PLACE = 5;
/** Of the work of dressing, when it was read and is not good yet. */
const BEGUN = 0.5;

/** After welding: joints of the repair → places where a straight edge is laid → what is tapped, stretched, filled → the next round. */
export class DressService {
  private readonly db: DataSource;
  private readonly verdicts: VerdictService;
  private readonly joints: JointService;
  private readonly shops: ShopService;

  constructor(
    db: DataSource,
    { verdicts, joints, shops }: { verdicts: VerdictService; joints: JointService; shops: ShopService },
  ) {
    this.db = db;
    this.shops = shops;
    this.verdicts = verdicts;
    this.joints = joints;
  }

  async view(caller: Caller, repairId: string): Promise<DressView> {
    const { repair, vehicle } = await this.verdicts.own(caller, repairId);
    const [{ joints, piece }, rows, welds, { metalwork }] = await Promise.all([
      this.joints.view(caller, repairId),
      this.db.getRepository(DressEntity).find({ where: { repairId }, order: { at: 'ASC' } }),
      weldProgress(this.db, [repairId]),
      this.shops.shop(caller),
    ]);
    const { finish } = metalwork;
    const panel = panelOf(vehicle.plan, repair.panel);
    const places = fitPlaces(joints, piece);
    const noFiller = noFillerOn(panel);
    return {
      ...{ repairId, panel: panel.id, piece, noFiller, finish },
      joints: joints.map(({ name, line }) => ({ name, line: [...line] })),
      places: places.map((place) => ({ ...place, ...whereOnJoint(panel, joints[place.joint]!.line, place.at) })),
      welded: welds.get(repairId)?.share ?? null,
      rounds: rows.map((row) => roundView(row, { places, filler: noFiller === null, finish })),
    };
  }

  /** What a straight edge showed. The same one sent again, because its answer was lost, is taken as done. */
  async add(caller: Caller, repairId: string, input: DressRoundInput): Promise<DressView> {
    const { vehicle } = await this.verdicts.own(caller, repairId);
    const view = await this.view(caller, repairId);
    const at = new Map(view.places.map((place) => [place.id, place.at]));
    input.readings.forEach(({ place }, i) => {
      if (!at.has(place))
        throw new ServerProblem(
          'invalid',
          'This place is not there any more: the line or a joint was changed. Look at the places again.',
          `readings[${i}].place`,
        );
    });
    const known = await this.db.getRepository(DressEntity).findOneBy({ id: input.id });
    if (known && known.repairId !== repairId) throw notFound('round');
    if (!known)
      await changeOf(this.db, vehicle.id, async (manager) => {
        const { good } = dressRound({
          ...{ places: view.places, readings: input.readings },
          ...{ filler: view.noFiller === null, finish: view.finish },
        });
        const readings = input.readings.map((reading) => ({ ...reading, at: at.get(reading.place)! }));
        const row = { ...input, readings, repairId, good, by: caller.name, at: new Date() };
        await manager.createQueryBuilder().insert().into(DressEntity).values(row).orIgnore().execute();
        const name = panelOf(vehicle.plan, view.panel).name;
        await record(manager, caller, vehicle.id, 'weld', `Straight edge over the welds of ${name}`);
      });
    return this.view(caller, repairId);
  }

  async remove(caller: Caller, repairId: string, id: string): Promise<DressView> {
    const { vehicle } = await this.verdicts.own(caller, repairId);
    if (!(await this.db.getRepository(DressEntity).existsBy({ id, repairId }))) throw notFound('round');
    await changeOf(this.db, vehicle.id, async (manager) => {
      await manager.delete(DressEntity, { id, repairId });
      await record(manager, caller, vehicle.id, 'weld', 'Straight edge over the welds taken back');
    });
    return this.view(caller, repairId);
  }

  /** For the record: the last reading of each repair that stands, in mm. */
  async told({ id, shopId, plan }: OwnVehicle): Promise<string[]> {
    const repairs = await this.db.getRepository(RepairEntity).findBy({ vehicleId: id, deletedAt: IsNull() });
    const rows = await this.db.getRepository(DressEntity).find({
      where: { repairId: In(repairs.map((repair) => repair.id)) },
      order: { at: 'ASC' },
    });
    const day = tellsDay(await clockOf(this.db, shopId));
    return repairs.flatMap(({ id: repairId, panel }) => {
      const last = rows.findLast((row) => row.repairId === repairId);
      if (!last) return [];
      const mm = last.readings.map((reading) => reading.mm);
      const [low, proud] = [Math.max(0, ...mm.map((value) => -value)), Math.max(0, ...mm)];
      return [
        `${panelOf(plan, panel).name}: ${low.toFixed(1)} mm at its lowest, ${proud.toFixed(1)} mm at its proudest, read at ${mm.length} places (${last.by}, ${day(last.at)}).`,
      ];
    });
  }

  /** How far these repairs are dressed, as far as it was read since they were decided: 1, or half-way there. */
  async shares(repairs: readonly Pick<RepairRow, 'id' | 'decidedAt'>[]): Promise<ReadonlyMap<string, number>> {
    if (repairs.length === 0) return new Map();
    const decided = new Map(repairs.map(({ id, decidedAt }) => [id, decidedAt]));
    const rows = await this.db.getRepository(DressEntity).find({
      where: { repairId: In([...decided.keys()]) },
      select: { id: true, repairId: true, good: true, at: true },
      order: { at: 'ASC' },
    });
    // The last round of each counts.
    return new Map(
      rows
        .filter(({ repairId, at }) => at >= decided.get(repairId)!)
        .map(({ repairId, good }): [string, number] => [repairId, good ? 1 : BEGUN]),
    );
  }
}

/** Why filler has no business on this panel; null where it may be used (T-18). */
function noFillerOn({ structural, visible }: Panel): string | null {
  if (structural)
    return 'This panel carries load: filler counts for nothing on it and may hide what must be seen. Leave the weld, dress it only where something has to lie on it.';
  return visible ? null : 'Nobody sees it: leave the weld as it is, seal it, and fill nothing.';
}

/** What was read at places that are not there any more says nothing. */
function roundView(
  { id, readings, note, by, at }: DressRow,
  { places, filler, finish }: { places: readonly FitPlace[]; filler: boolean; finish: Metalwork['finish'] },
): DressRoundView {
  const still = readings
    .filter((reading) => places.some((one) => one.id === reading.place && between(one.at, reading.at) < SAME_PLACE))
    .map(({ place, mm }) => ({ place, mm }));
  const result = dressRound({ places, readings: still, filler, finish });
  return { ...{ id, note, by, result }, readings: still, at: at.toISOString() };
}
