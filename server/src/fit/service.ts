import { In, IsNull, type DataSource } from 'typeorm';
import type { FitOverrule, FitRoundInput, FitRoundView, FitView } from '@aspecta/contract/fit';
import type { JointsView } from '@aspecta/contract/repair';
import { layerOf, panelOf, type Panel } from '@aspecta/core/body';
import { between } from '@aspecta/core/geometry';
import { fitPlaces, fitRound, isOpen, wantedGap, type FitPlace } from '@aspecta/core/fit';
import type { OptionId } from '@aspecta/core/verdict';
import { whereOnJoint } from '@aspecta/core/weld';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { JointService } from '../repair/service.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import type { VerdictService } from '../verdict/service.ts';
import { FitEntity, FitOverruleEntity, type FitRow } from './entities.ts';
import { repairName } from '../verdict/named.ts';

/** When does it fit: joints of the repair → places where gaps are read → what is moved, trimmed, built up → the next trial fit. */
export class FitService {
  private readonly db: DataSource;
  private readonly verdicts: VerdictService;
  private readonly joints: JointService;

  constructor(db: DataSource, { verdicts, joints }: { verdicts: VerdictService; joints: JointService }) {
    this.db = db;
    this.verdicts = verdicts;
    this.joints = joints;
  }

  async view(caller: Caller, repairId: string): Promise<FitView> {
    const { repair, vehicle } = await this.verdicts.own(caller, repairId);
    const [joints, rows, said] = await Promise.all([
      this.joints.view(caller, repairId),
      this.rows(repairId),
      this.db.getRepository(FitOverruleEntity).findOneBy({ repairId }),
    ]);
    // A reason holds for the decision for which it was given.
    const overruled = said && said.at >= repair.decidedAt ? said : null;
    const panel = panelOf(vehicle.plan, repair.panel);
    const fitted = fitOf(joints, panel);
    const rounds = rows.map((row) => roundView(row, fitted));
    return {
      repairId,
      panel: panel.id,
      piece: joints.piece,
      thickness: fitted.thickness,
      wanted: wantedGap(true, fitted.thickness),
      joints: joints.joints.map(({ name, kind, closing, line }) => ({
        ...{ name, open: isOpen(closing), line: [...line] },
        within: kind === 'seam',
      })),
      places: fitted.places.map((place) => ({
        ...place,
        ...whereOnJoint(panel, joints.joints[place.joint]!.line, place.at),
      })),
      rounds,
      overruled: overruled && { reason: overruled.reason, by: overruled.by, at: overruled.at.toISOString() },
      ready: overruled !== null || (rounds.at(-1)?.result.good ?? false),
      other: await this.otherSide(caller, { vehicle, choice: repair.choice }, panel),
    };
  }

  /** A trial fit. The same one sent again, because its answer was lost, is taken as done. */
  async add(caller: Caller, repairId: string, input: FitRoundInput): Promise<FitView> {
    const { vehicle } = await this.verdicts.own(caller, repairId);
    const view = await this.view(caller, repairId);
    input.readings.forEach(({ place }, i) => {
      if (!placeOf(view, place))
        throw new ServerProblem(
          'invalid',
          'This place is not there any more: the line or a joint was changed. Look at the places again.',
          `readings[${i}].place`,
        );
    });
    const known = await this.db.getRepository(FitEntity).findOneBy({ id: input.id });
    if (known && known.repairId !== repairId) throw notFound('trial fit');
    if (!known)
      await changeOf(this.db, vehicle.id, async (manager) => {
        const { good } = fitRound({ ...view, ...input });
        const readings = input.readings.map((reading) => ({ ...reading, at: placeOf(view, reading.place)!.at }));
        const row = { ...input, readings, repairId, good, by: caller.name, at: new Date() };
        await manager.createQueryBuilder().insert().into(FitEntity).values(row).orIgnore().execute();
        const name = panelOf(vehicle.plan, view.panel).name;
        await record(manager, caller, vehicle.id, 'fit', `Trial fit ${view.rounds.length + 1} of ${name}`);
      });
    return this.view(caller, repairId);
  }

  async remove(caller: Caller, repairId: string, id: string): Promise<FitView> {
    const { vehicle } = await this.verdicts.own(caller, repairId);
    if (!(await this.db.getRepository(FitEntity).existsBy({ id, repairId }))) throw notFound('trial fit');
    await changeOf(this.db, vehicle.id, async (manager) => {
      await manager.delete(FitEntity, { id, repairId });
      await record(manager, caller, vehicle.id, 'fit', 'Trial fit taken back');
    });
    return this.view(caller, repairId);
  }

  /** It may be welded although it does not fit, for a reason; without one it may not. */
  async overrule(caller: Caller, repairId: string, { reason }: FitOverrule): Promise<FitView> {
    const { vehicle, repair } = await this.verdicts.own(caller, repairId);
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (reason === '') await manager.delete(FitOverruleEntity, { repairId });
      else await manager.upsert(FitOverruleEntity, { repairId, reason, by: caller.name, at: new Date() }, ['repairId']);
      const name = repairName(vehicle.plan, repair);
      await record(
        manager,
        caller,
        vehicle.id,
        'fit',
        reason === ''
          ? `${name}: not welded as it fits now after all`
          : `${name} may be welded as it fits now: ${reason}`,
      );
    });
    return this.view(caller, repairId);
  }

  /** Refuses to weld what was tried and does not fit; who goes by eye and has tried nothing is not held up. */
  async refuseUnfit(caller: Caller, repairId: string, field: string): Promise<void> {
    if (!(await this.db.getRepository(FitEntity).existsBy({ repairId }))) return;
    const { ready, rounds } = await this.view(caller, repairId);
    // Of an earlier line nothing may be left to go by.
    if (!ready && (rounds.at(-1)?.readings.length ?? 0) > 0)
      throw new ServerProblem(
        'invalid',
        `Trial fit ${rounds.length} is not good yet. Try it again under Fit, or say there why it is welded as it is.`,
        field,
      );
  }

  /** Repairs of these that fit, as far as that was tried: 1, or half-way there; those that were not tried are left out. */
  async shares(repairs: readonly Pick<RepairRow, 'id' | 'decidedAt'>[]): Promise<ReadonlyMap<string, number>> {
    if (repairs.length === 0) return new Map();
    const repairId = In(repairs.map(({ id }) => id));
    const [rows, overruled] = await Promise.all([
      this.db.getRepository(FitEntity).find({
        where: { repairId },
        select: { id: true, repairId: true, good: true, at: true },
        order: { at: 'ASC' },
      }),
      this.db.getRepository(FitOverruleEntity).findBy({ repairId }),
    ]);
    const isOfDecision = (row: { repairId: string; at: Date }) =>
      repairs.some(({ id, decidedAt }) => id === row.repairId && row.at >= decidedAt);
    return new Map([
      // The last trial fit of each counts.
      ...rows.filter(isOfDecision).map(({ repairId: id, good }): [string, number] => [id, good ? 1 : TRIED]),
      ...overruled.filter(isOfDecision).map((row): [string, number] => [row.repairId, 1]),
    ]);
  }

  private rows(repairId: string): Promise<FitRow[]> {
    return this.db.getRepository(FitEntity).find({ where: { repairId }, order: { at: 'ASC' } });
  }

  /** How the same repair went on the other side of the car. */
  private async otherSide(
    caller: Caller,
    { vehicle, choice }: { vehicle: OwnVehicle; choice: OptionId },
    panel: Panel,
  ): Promise<FitView['other']> {
    const mirror = vehicle.plan.panels.find(
      ({ id, mirrorOf }) => mirrorOf?.panel === panel.id || panel.mirrorOf?.panel === id,
    );
    if (!mirror) return null;
    const repair = await this.db
      .getRepository(RepairEntity)
      .findOne({ where: { vehicleId: vehicle.id, panel: mirror.id, choice, deletedAt: IsNull() } });
    if (!repair) return null;
    const rows = await this.rows(repair.id);
    if (rows.length === 0) return null;
    const fitted = fitOf(await this.joints.view(caller, repair.id), mirror);
    return { repairId: repair.id, panel: mirror.id, rounds: rows.map((row) => roundView(row, fitted)) };
  }
}

/** Share of the trial fits of a repair that were begun: how many it takes is known when the last one is good. */
const TRIED = 0.5;

interface Fitted {
  joints: { open: boolean; within: boolean }[];
  places: FitPlace[];
  thickness: number;
}

const fitOf = ({ joints, piece, layer }: JointsView, panel: Panel): Fitted => ({
  joints: joints.map(({ kind, closing }) => ({ open: isOpen(closing), within: kind === 'seam' })),
  places: fitPlaces(joints, piece),
  thickness: layerOf(panel, layer).thickness,
});

/** mm. A place that lies farther off than that is another one, whatever its name. */
const SAME_PLACE = 5;
const placeOf = ({ places }: Pick<Fitted, 'places'>, id: string): FitPlace | undefined =>
  places.find((place) => place.id === id);

/** What was read at places that are not there any more says nothing. */
function roundView({ id, readings, neighbours, note, by, at }: FitRow, fitted: Fitted): FitRoundView {
  const still = readings
    .filter((reading) => {
      const place = placeOf(fitted, reading.place);
      return place && between(place.at, reading.at) < SAME_PLACE;
    })
    .map(({ at: _at, ...reading }) => reading);
  return {
    ...{ id, readings: still, neighbours, note, by },
    at: at.toISOString(),
    result: fitRound({ ...fitted, readings: still, neighbours }),
  };
}
