import type { Readable } from 'node:stream';
import archiver from 'archiver';
import { In, type DataSource } from 'typeorm';
import { PlanEntity } from '../body/entities.ts';
import type { OwnVehicle } from '../garage/service.ts';
import type { PictureStore } from '../photo/pictures.ts';
import { familyOf } from './family.ts';

/** Of the layout of an archive; counted up when older houses could not read it any more. */
export const ARCHIVE = { format: 'aspecta-car', version: 1 };

/** Rows by kind, as they are stored. */
export type Rows = Record<string, Record<string, unknown>[]>;

/** All that is stored of a car, kind by kind. */
export async function rowsOf(db: DataSource, vehicle: Pick<OwnVehicle, 'id' | 'planId' | 'shopId'>): Promise<Rows> {
  const rows: Rows = {};
  for (const { name, metadata, links } of familyOf(db)) {
    const repository = db.getRepository<Record<string, unknown>>(metadata.target);
    const held = links.filter(({ to }) => rows[to] !== undefined);
    const where =
      name === 'vehicle'
        ? { id: vehicle.id }
        : Object.fromEntries(held.map(({ column, to }) => [column, In(rows[to]!.map(({ id }) => id as string))]));
    rows[name] = await repository.find({ where });
  }
  // A body of the shop's own comes along; those that every house has need not.
  const own = await db.getRepository(PlanEntity).findOneBy({ id: vehicle.planId, shopId: vehicle.shopId });
  return own ? { body_plan: [{ ...own }], ...rows } : rows;
}

/** Cars as a ZIP that flows: the rows of each as JSON, and its pictures as they are kept, one at a time; of several each in a folder of its own. */
export function archiveOf(db: DataSource, vehicles: readonly OwnVehicle[], pictures: PictureStore): Readable {
  const zip = archiver('zip', { zlib: { level: 6 } });
  const { format, version } = ARCHIVE;
  const fill = async () => {
    for (const [i, vehicle] of vehicles.entries()) {
      const folder = vehicles.length > 1 ? `${i + 1}/` : '';
      const rows = await rowsOf(db, vehicle);
      zip.append(JSON.stringify({ format, version, car: vehicle.nickname, rows }), { name: `${folder}car.json` });
      for (const { file } of rows['photo'] ?? [])
        for (const small of [false, true]) {
          const name = pictures.nameOf(file as string, small);
          zip.file(pictures.path(file as string, small), { name: `${folder}pictures/${name}` });
        }
    }
    await zip.finalize();
  };
  fill().catch((error: Error) => zip.destroy(error));
  return zip;
}
