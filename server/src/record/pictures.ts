import { IsNull, type DataSource } from 'typeorm';
import type { RecordPicture } from '@aspecta/contract/record';
import { panelsUnder } from '@aspecta/core/body';
import type { OwnVehicle } from '../garage/service.ts';
import { PhotoEntity, type PhotoRow } from '../survey/entities.ts';
import type { RepairRow } from '../verdict/entities.ts';

/** When the work on a repair began and when it was over, as far as that is known. */
export interface WorkTimes {
  began: Date | null;
  over: Date | null;
}

/** Of each kind so many are shown: the first ones before, the last ones after. */
const MOST = 3;

/** Pictures of the panels of a car, by panel, oldest first. */
export async function picturesOf(db: DataSource, vehicleId: string): Promise<PhotoRow[]> {
  return db
    .getRepository(PhotoEntity)
    .find({ where: { vehicleId, deletedAt: IsNull() }, order: { takenAt: 'ASC', at: 'ASC' } });
}

/**
 * Pictures of the panel of a repair: from before its first weld, while it was worked on, and from after its last.
 * As long as nothing is welded, all of them show what was there before.
 */
export function picturesFor(
  vehicle: Pick<OwnVehicle, 'plan'>,
  repair: Pick<RepairRow, 'panel'>,
  { began, over }: WorkTimes,
  photos: readonly PhotoRow[],
): RecordPicture[] {
  const panels = [repair.panel, ...panelsUnder(vehicle.plan, repair.panel)];
  const own = photos.filter(({ panel }) => panel !== null && panels.includes(panel));
  const when = ({ takenAt }: PhotoRow): RecordPicture['when'] => {
    if (!began || takenAt < began) return 'before';
    return over && takenAt >= over ? 'after' : 'during';
  };
  const of = (kind: RecordPicture['when']) => own.filter((photo) => when(photo) === kind);
  return [...of('before').slice(0, MOST), ...of('during').slice(0, MOST), ...of('after').slice(-MOST)].map((photo) => ({
    id: photo.id,
    when: when(photo),
    takenAt: photo.takenAt.toISOString(),
    note: photo.note,
  }));
}
