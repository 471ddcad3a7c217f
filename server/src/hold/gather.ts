import { In, IsNull, type DataSource } from 'typeorm';
import { holdsBody, panelOf, panelsUnder } from '@aspecta/core/body';
import { keepsPanel } from '@aspecta/core/verdict';
import type { OwnVehicle } from '../garage/service.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import { FindEntity, ZoneEntity } from '../survey/entities.ts';
import { weldProgress } from '../weld/progress.ts';
import { BraceEntity, GapEntity, OwnPointEntity, RoundEntity, TapeEntity } from './entities.ts';
import { rottenPanels } from './rotten.ts';
import type { Held } from './view.ts';

/** All that is known of how these cars hold their shape, asked for at once. */
export async function heldOf(db: DataSource, vehicles: readonly OwnVehicle[]): Promise<ReadonlyMap<string, Held>> {
  const vehicleId = In(vehicles.map(({ id }) => id));
  const [own, rounds, braces, gapRows, repairs, zones, finds] = await Promise.all([
    db.getRepository(OwnPointEntity).find({ where: { vehicleId }, order: { name: 'ASC' } }),
    db.getRepository(RoundEntity).find({ where: { vehicleId }, order: { at: 'ASC' } }),
    db.getRepository(BraceEntity).find({ where: { vehicleId }, order: { fittedAt: 'ASC' } }),
    db.getRepository(GapEntity).find({ where: { vehicleId }, order: { at: 'DESC' } }),
    db.getRepository(RepairEntity).findBy({ vehicleId, deletedAt: IsNull() }),
    db.getRepository(ZoneEntity).find({
      where: { vehicleId, deletedAt: IsNull() },
      select: { id: true, vehicleId: true, panel: true, class: true },
    }),
    db.getRepository(FindEntity).findBy({ vehicleId, deletedAt: IsNull() }),
  ]);
  const tapes = await db
    .getRepository(TapeEntity)
    .find({ where: { roundId: In(rounds.map(({ id }) => id)) }, order: { at: 'ASC' } });
  const welds = await weldProgress(
    db,
    repairs.map(({ id }) => id),
  );
  return new Map(
    vehicles.map((vehicle): [string, Held] => {
      const of = <R extends { vehicleId: string }>(rows: readonly R[]) =>
        rows.filter((row) => row.vehicleId === vehicle.id);
      const opened = of(repairs).filter(({ choice }) => !keepsPanel(choice));
      const structural = opened.filter(({ panel }) => panelOf(vehicle.plan, panel).structural);
      const holding = opened.filter(({ panel }) => holdsBody(panelOf(vehicle.plan, panel)));
      const isOpen = ({ id, done }: RepairRow) => !done && (welds.get(id)?.share ?? 0) < 1;
      const mended = new Set(
        of(repairs)
          .filter((repair) => !isOpen(repair))
          .flatMap((repair) => repair.zones.map(({ id }) => id)),
      );
      const lastWeld = holding.flatMap(({ id }) => welds.get(id)?.at ?? []);
      return [
        vehicle.id,
        {
          plan: vehicle.plan,
          own: of(own),
          rounds: of(rounds),
          tapes: tapes.filter(({ roundId }) => of(rounds).some(({ id }) => id === roundId)),
          braces: of(braces),
          gaps: of(gapRows),
          out: [...new Set(structural.filter(isOpen).flatMap(({ panel }) => panelsUnder(vehicle.plan, panel)))],
          rotten: rottenPanels(
            vehicle.plan,
            of(zones).filter(({ id }) => !mended.has(id)),
            of(finds).filter(({ closed }) => !closed),
          ),
          closedAt:
            structural.length > 0 && !holding.some(isOpen)
              ? new Date(Math.max(0, ...lastWeld.map((at) => at.getTime())))
              : null,
        },
      ];
    }),
  );
}
