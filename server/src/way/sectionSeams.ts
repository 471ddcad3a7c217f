import type { DataSource } from 'typeorm';
import type { Ring } from '@aspecta/core/geometry';
import type { PieceJoint } from '@aspecta/core/repair';
import { partingSeams } from '@aspecta/core/way';
import { WayEntity } from './entities.ts';

/** The seams between the sections in which a piece goes in on the way that was taken; none where it goes in whole, or no way was taken. */
export async function sectionSeams(db: DataSource, repairId: string, piece: Ring): Promise<PieceJoint[]> {
  const row = await db.getRepository(WayEntity).findOneBy({ id: repairId });
  return row?.chosen ? partingSeams(piece, row.lines, row.used ?? []) : [];
}
