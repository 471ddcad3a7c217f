import type { DataSource, EntityManager } from 'typeorm';
import type {
  BraceInput,
  BraceOut,
  GapInput,
  HoldView,
  PointInput,
  RoundChange,
  RoundInput,
  TapeInput,
} from '@aspecta/contract/hold';
import { panelOf } from '@aspecta/core/body';
import { gapPlaces, gaps } from '@aspecta/core/hold';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { BraceEntity, GapEntity, OwnPointEntity, RoundEntity, TapeEntity, type RoundRow } from './entities.ts';
import { heldOf } from './gather.ts';
import { expected, framed, holdView, isChecked, type Held } from './view.ts';

/** Is it square, and has it moved: points of the body → tapes → where they really are → braces → the same tapes again → what has moved. */
export class HoldService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async view(caller: Caller, vehicleId: string): Promise<HoldView> {
    return holdView(await this.held(await this.garage.own(caller, vehicleId)));
  }

  /** All that is known of how these cars hold their shape, asked for at once. */
  heldOf(vehicles: readonly OwnVehicle[]): Promise<ReadonlyMap<string, Held>> {
    return heldOf(this.db, vehicles);
  }

  /** A new measurement. The same one sent again, because its answer was lost, is taken as done. */
  async begin(caller: Caller, vehicleId: string, input: RoundInput): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    await this.once(RoundEntity, input.id, vehicleId, async (manager) => {
      const row = { ...input, vehicleId, finished: false, kept: null, by: caller.name, at: new Date(), version: 1 };
      await manager.insert(RoundEntity, row);
      await record(manager, caller, vehicleId, 'hold', `Measurement begun: ${input.name}`);
    });
    return this.view(caller, vehicleId);
  }

  async change(caller: Caller, { vehicleId, roundId }: At, { version, ...changes }: RoundChange): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const round = await this.round(vehicleId, roundId);
    const { points } = framed(await this.held(vehicle));
    const strange = changes.kept?.find((id) => !points.some((point) => point.id === id));
    if (strange)
      throw new ServerProblem('invalid', 'This point is not there any more; look at the points again.', 'kept');
    await changeOf(this.db, vehicleId, async (manager) => {
      await changeVersioned(manager, {
        target: RoundEntity,
        id: roundId,
        seen: version,
        // The check counts from when it was finished.
        changes: { ...changes, ...(changes.finished && !round.finished ? { at: new Date() } : {}) },
        current: () => this.view(caller, vehicleId),
      });
      if (changes.finished !== Boolean(round.finished))
        await record(
          manager,
          caller,
          vehicleId,
          'hold',
          `Measurement ${changes.finished ? 'finished' : 'opened again'}: ${changes.name}`,
        );
    });
    return this.view(caller, vehicleId);
  }

  async remove(caller: Caller, { vehicleId, roundId }: At): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    const { name } = await this.round(vehicleId, roundId);
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.delete(RoundEntity, { id: roundId });
      await record(manager, caller, vehicleId, 'hold', `Measurement taken away: ${name}`);
    });
    return this.view(caller, vehicleId);
  }

  /** What was read of a tape; read again, the last one counts and the earlier ones are kept. */
  async tape(caller: Caller, { vehicleId, roundId }: At, input: TapeInput): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    await this.round(vehicleId, roundId);
    const { points } = framed(await this.held(vehicle));
    this.checkTape(points, input);
    const known = await this.db.getRepository(TapeEntity).findOneBy({ id: input.id });
    if (known && known.roundId !== roundId) throw notFound('tape');
    if (!known)
      await changeOf(this.db, vehicleId, async (manager) => {
        const { id, kind, from, to, length } = input;
        const row = {
          id,
          roundId,
          kind,
          fromPoint: from,
          toPoint: to,
          length,
          by: caller.name,
          at: new Date(),
          gone: false,
        };
        await manager.createQueryBuilder().insert().into(TapeEntity).values(row).orIgnore().execute();
      });
    return this.view(caller, vehicleId);
  }

  async takeBack(caller: Caller, { vehicleId, roundId }: At, tapeId: string): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    await this.round(vehicleId, roundId);
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.update(TapeEntity, { id: tapeId, roundId }, { gone: true });
    });
    return this.view(caller, vehicleId);
  }

  async addPoint(caller: Caller, vehicleId: string, { at: [u, v], ...input }: PointInput): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    this.figureOf(vehicle, input.figure);
    await this.once(OwnPointEntity, input.id, vehicleId, (manager) =>
      manager.insert(OwnPointEntity, { ...input, vehicleId, u, v }),
    );
    return this.view(caller, vehicleId);
  }

  async removePoint(caller: Caller, vehicleId: string, id: string): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, (manager) => manager.delete(OwnPointEntity, { id, vehicleId }));
    return this.view(caller, vehicleId);
  }

  /** A brace is in. */
  async fit(caller: Caller, vehicleId: string, input: BraceInput): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const figure = this.figureOf(vehicle, input.figure);
    const { points } = framed(await this.held(vehicle));
    if (input.ends.some((end) => !points.some(({ id }) => id === end)))
      throw new ServerProblem('invalid', 'A brace runs between two points of the car; choose both.', 'ends');
    await this.once(BraceEntity, input.id, vehicleId, async (manager) => {
      const row = {
        ...input,
        vehicleId,
        fittedBy: caller.name,
        fittedAt: new Date(),
        outBy: null,
        outAt: null,
        reason: '',
      };
      await manager.insert(BraceEntity, row);
      await record(manager, caller, vehicleId, 'hold', `Brace fitted: ${figure.name}, ${input.length.toFixed(0)} mm`);
    });
    return this.view(caller, vehicleId);
  }

  /** A brace comes out: after the check, or for a reason. */
  async unfit(caller: Caller, vehicleId: string, { id, reason }: BraceOut & { id: string }): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const brace = await this.db.getRepository(BraceEntity).findOneBy({ id, vehicleId });
    if (!brace) throw notFound('brace');
    if (!isChecked(await this.held(vehicle)) && reason === '')
      throw new ServerProblem(
        'invalid',
        'Nothing was measured since the last load-bearing weld: take the tapes again first, or say why the brace comes out now.',
        'reason',
      );
    if (brace.outAt === null)
      await changeOf(this.db, vehicleId, async (manager) => {
        await manager.update(BraceEntity, { id }, { outBy: caller.name, outAt: new Date(), reason });
        await record(manager, caller, vehicleId, 'hold', `Brace taken out${reason ? `: ${reason}` : ''}`);
      });
    return this.view(caller, vehicleId);
  }

  /** It was not fitted, or not taken out: what was said of it last is taken back. */
  async braceBack(caller: Caller, vehicleId: string, id: string): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    const brace = await this.db.getRepository(BraceEntity).findOneBy({ id, vehicleId });
    if (!brace) throw notFound('brace');
    await changeOf(this.db, vehicleId, async (manager) => {
      if (brace.outAt) await manager.update(BraceEntity, { id }, { outBy: null, outAt: null, reason: '' });
      else await manager.delete(BraceEntity, { id });
      await record(manager, caller, vehicleId, 'hold', brace.outAt ? 'Brace is in again' : 'Brace was not fitted');
    });
    return this.view(caller, vehicleId);
  }

  /** Gaps of a hung part, read at places of its edges. */
  async addGaps(caller: Caller, vehicleId: string, input: GapInput): Promise<HoldView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const hung = vehicle.plan.frame?.hung.find(({ id }) => id === input.hung);
    if (!hung)
      throw new ServerProblem('invalid', 'This part is not known on this body; choose one of the list.', 'hung');
    const places = gapPlaces(panelOf(vehicle.plan, hung.panel));
    const readings = input.readings.map(({ place, gap, wanted }, i) => {
      const found = places.find(({ id }) => id === place);
      if (!found)
        throw new ServerProblem(
          'invalid',
          'There is no such place on this part; choose one of the list.',
          `readings[${i}].place`,
        );
      return { u: found.at[0], v: found.at[1], normal: found.normal, gap, wanted };
    });
    // Readings that leave a movement open are refused before they are kept.
    gaps({ readings, mounts: [] });
    await this.once(GapEntity, input.id, vehicleId, async (manager) => {
      await manager.insert(GapEntity, { ...input, vehicleId, by: caller.name, at: new Date() });
      await record(manager, caller, vehicleId, 'hold', `Gaps read: ${hung.name}`);
    });
    return this.view(caller, vehicleId);
  }

  async removeGaps(caller: Caller, vehicleId: string, id: string): Promise<HoldView> {
    await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, (manager) => manager.delete(GapEntity, { id, vehicleId }));
    return this.view(caller, vehicleId);
  }

  private checkTape(points: HoldView['points'], { kind, from, to, length }: TapeInput): void {
    if (kind === 'own' || kind === 'corners') return;
    const known = (id: string) => points.some((point) => point.id === id);
    const bad = (field: string, detail: string) => new ServerProblem('invalid', detail, field);
    if (!known(from)) throw bad('from', 'This point is not there; choose one of the car.');
    if (kind === 'height') return;
    if (!known(to)) throw bad('to', 'This point is not there; choose one of the car.');
    if (from === to) throw bad('to', 'A tape runs between two points; choose another one.');
    if (kind === 'barred') return;
    const about = expected(points, from, to)!;
    if (length > about * FAR_OFF || length < about / FAR_OFF)
      throw bad(
        'length',
        `About ${about.toFixed(0)} mm lie between these points, and you read ${length.toFixed(0)} mm: check the points and the unit.`,
      );
  }

  private figureOf({ plan }: OwnVehicle, id: string) {
    const figure = plan.frame?.figures.find((one) => one.id === id);
    if (!figure)
      throw new ServerProblem('invalid', 'This figure is not known on this body; choose one of the list.', 'figure');
    return figure;
  }

  private async held(vehicle: OwnVehicle): Promise<Held> {
    return (await this.heldOf([vehicle])).get(vehicle.id)!;
  }

  private async round(vehicleId: string, id: string): Promise<RoundRow> {
    const row = await this.db.getRepository(RoundEntity).findOneBy({ id, vehicleId });
    if (!row) throw notFound('measurement');
    return row;
  }

  /** Inserts once: what has this id already must be of the same car. */
  private async once(
    target: typeof RoundEntity | typeof OwnPointEntity | typeof BraceEntity | typeof GapEntity,
    id: string,
    vehicleId: string,
    insert: (manager: EntityManager) => Promise<unknown>,
  ): Promise<void> {
    const known = await this.db.getRepository<{ id: string; vehicleId: string }>(target).findOneBy({ id });
    if (known && known.vehicleId !== vehicleId) throw notFound('entry');
    if (!known) await changeOf(this.db, vehicleId, insert);
  }
}

interface At {
  vehicleId: string;
  roundId: string;
}
/** A tape that is so many times as long or short as the body's drawing has it was read in another unit, or elsewhere. */
const FAR_OFF = 1.6;
