import { In, IsNull } from 'typeorm';
import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { PhotoEntity } from '../survey/entities.ts';
import { PictureStore } from './pictures.ts';
import { photoRoutes } from './routes.ts';
import { PhotoService } from './service.ts';

/** What the pictures show, true to size. */
export const photo: Station = {
  name: 'photo',
  entities: [PhotoEntity],
  serve: (house) => [new PhotoService(house.db, house.the(GarageService), new PictureStore(house.means.files))],
  addresses: (house) => [{ router: photoRoutes(house.the(PhotoService)) }],
  standing: async ({ db }, vehicles) => {
    const counts = await db.manager
      .createQueryBuilder(PhotoEntity, 'p')
      .select('p.vehicleId', 'vehicleId')
      .addSelect('COUNT(*)', 'pictures')
      .where({ vehicleId: In(vehicles.map(({ id }) => id)), deletedAt: IsNull() })
      .groupBy('p.vehicleId')
      .getRawMany<{ vehicleId: string; pictures: string }>();
    return new Map(
      vehicles.map(({ id }) => {
        const count = Number(counts.find((row) => row.vehicleId === id)?.pictures ?? 0);
        return [id, { word: count === 0 ? 'none' : String(count), waits: false, done: count > 0, path: 'photos' }];
      }),
    );
  },
};
