import { In, IsNull, type DataSource } from 'typeorm';
import { isCutIn, type OptionId } from '@aspecta/core/verdict';
import { RepairEntity, type RepairRow } from './entities.ts';

export type CutInRepair = Pick<RepairRow, 'id' | 'vehicleId' | 'panel' | 'choice' | 'done' | 'decidedAt'>;

/** Repairs of these vehicles in which a line is cut in the panel itself, or also welded, oldest decision first. */
export async function cutInRepairs(
  db: DataSource,
  vehicles: readonly { id: string }[],
  of: (choice: OptionId) => boolean = isCutIn,
): Promise<CutInRepair[]> {
  const rows = await db.getRepository(RepairEntity).find({
    where: { vehicleId: In(vehicles.map(({ id }) => id)), deletedAt: IsNull() },
    select: { id: true, vehicleId: true, panel: true, choice: true, done: true, decidedAt: true },
    order: { decidedAt: 'ASC' },
  });
  return rows.filter((row) => of(row.choice));
}
