import { In, IsNull, LessThan, Not, type DataSource, type EntityTarget } from 'typeorm';
import { InvitationEntity } from '../account/entities.ts';
import type { PictureStore } from '../photo/pictures.ts';
import { FindEntity, PhotoEntity, PitEntity, ZoneEntity } from '../survey/entities.ts';
import { VehicleEntity } from './entities.ts';
import { DAYS_TO_RESTORE } from './service.ts';

const DAY = 86_400_000;
/** Rows of one kind in one go: the database is not held up for the others. */
const AT_ONCE = 500;

/**
 * Takes away for good what was removed more than thirty days ago and can no longer be brought
 * back, with the pixels of its pictures. The pixels go last: a purge that is cut off leaves
 * files without a row, never a row without its file.
 */
export async function purge(db: DataSource, pictures: PictureStore, now: Date): Promise<void> {
  const { manager } = db;
  const before = LessThan(new Date(now.getTime() - DAYS_TO_RESTORE * DAY));
  await manager.delete(InvitationEntity, { expiresAt: LessThan(now) });
  const vehicles = await manager.find(VehicleEntity, { where: { deletedAt: before }, select: { id: true } });
  for (const { id } of vehicles) {
    const photos = await manager.find(PhotoEntity, { where: { vehicleId: id }, select: { file: true } });
    await manager.delete(VehicleEntity, { id, deletedAt: Not(IsNull()) });
    for (const { file } of photos) await pictures.throwAway(file);
  }
  for (;;) {
    const photos = await manager.find(PhotoEntity, { where: { deletedAt: before }, take: AT_ONCE });
    if (photos.length === 0) break;
    await manager.delete(PhotoEntity, { id: In(photos.map(({ id }) => id)) });
    for (const { file } of photos) await pictures.throwAway(file);
  }
  for (const entity of [ZoneEntity, FindEntity, PitEntity] as EntityTarget<{ id: string; deletedAt: Date | null }>[])
    for (;;) {
      const rows = await manager.find(entity, { where: { deletedAt: before }, take: AT_ONCE });
      if (rows.length === 0) break;
      await manager.delete(entity, { id: In(rows.map(({ id }) => id)) });
    }
}
