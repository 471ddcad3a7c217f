import { In } from 'typeorm';
import type { Station } from '../station.ts';
import { LookEntity } from './entities.ts';

/** Where to look first, and what was looked at. */
export const walk: Station = {
  name: 'walk',
  standing: async ({ db }, vehicles) => {
    const looks = await db.getRepository(LookEntity).find({
      where: { vehicleId: In(vehicles.map(({ id }) => id)), state: 'looked' },
      select: { vehicleId: true, place: true },
    });
    return new Map(
      vehicles.map(({ id }) => {
        const count = looks.filter((row) => row.vehicleId === id).length;
        const word = count === 0 ? 'not begun' : `${count} looked at`;
        return [id, { word, waits: count === 0, done: count > 0, path: 'walk' }];
      }),
    );
  },
};
