import type { DataSource } from 'typeorm';
import { WeldStepEntity } from './entities.ts';

/** Plans that are looked at for one that fits. */
const LOOKED_AT = 8;

/** Repairs of a shop at which something was welded, the last one first; one of them left out. */
export async function lastWelded(db: DataSource, shopId: string, but: string): Promise<string[]> {
  const rows = await db
    .getRepository(WeldStepEntity)
    .createQueryBuilder('step')
    .innerJoin('repair', 'repair', 'repair.id = step.weldId AND repair.deletedAt IS NULL')
    .innerJoin('vehicle', 'vehicle', 'vehicle.id = repair.vehicleId AND vehicle.deletedAt IS NULL')
    .select('step.weldId', 'id')
    .where('vehicle.shopId = :shopId AND step.weldId <> :but', { shopId, but })
    .groupBy('step.weldId')
    .orderBy('MAX(step.at)', 'DESC')
    .limit(LOOKED_AT)
    .getRawMany<{ id: string }>();
  return rows.map(({ id }) => id);
}
