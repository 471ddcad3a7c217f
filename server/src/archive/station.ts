import type { Readable } from 'node:stream';
import { Router, type Response } from 'express';
import { GarageService } from '../garage/service.ts';
import { idOf } from '../http/params.ts';
import { callerOf, needs } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import { PictureStore } from '../photo/pictures.ts';
import type { Station } from '../station.ts';
import { archiveOf } from './out.ts';
import { readArchive, type Archive } from './read.ts';
import { receive } from './receive.ts';
import { takeIn } from './takeIn.ts';

/** Bytes of an archive that is taken in: pictures of a whole restoration. */
const LARGEST = 500_000_000;

const flow = (zip: Readable, response: Response): void => {
  zip.on('error', (error) => response.destroy(error));
  zip.pipe(response);
};

/** Each car is taken in whole or not at all: which are here when one of several is refused. */
function told(error: unknown, cars: readonly Archive[], taken: number): unknown {
  if (!(error instanceof ServerProblem)) return error;
  const names = cars.map(({ car }) => car);
  return new ServerProblem(
    error.code,
    `${names[taken]}: ${error.message} Taken in before it: ${names.slice(0, taken).join(', ')}; not looked at: ${names.slice(taken + 1).join(', ') || 'none'}.`,
    error.field,
  );
}

/** A whole car out of this house, and into another. */
export const archive: Station = {
  name: 'archive',
  addresses: (house) => {
    const router = Router();
    const pictures = new PictureStore(house.means.files);
    router.get('/vehicles/:id/archive.zip', async (request, response) => {
      const caller = callerOf(request);
      needs('worker', caller);
      const vehicle = await house.the(GarageService).own(caller, idOf(request));
      response.attachment(`${vehicle.nickname.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'car'}.zip`);
      flow(archiveOf(house.db, [vehicle], pictures), response);
    });
    router.get('/archive/cars.zip', async (request, response) => {
      const caller = callerOf(request);
      needs('owner', caller);
      const vehicles = await house.the(GarageService).all(caller);
      if (vehicles.length === 0) throw new ServerProblem('invalid', 'There is no car to take out.', 'archive');
      response.attachment('cars.zip');
      flow(archiveOf(house.db, vehicles, pictures), response);
    });
    router.post('/archive/import', async (request, response) => {
      const caller = callerOf(request);
      needs('owner', caller);
      const { file, throwAway } = await receive(request, LARGEST);
      try {
        const read = await readArchive(file);
        const ids: string[] = [];
        try {
          for (const car of read.cars) ids.push(await takeIn({ db: house.db, pictures }, caller, car));
        } catch (error) {
          throw ids.length > 0 ? told(error, read.cars, ids.length) : error;
        } finally {
          read.close();
        }
        response.status(201).json({ ids });
      } finally {
        await throwAway();
      }
    });
    return [{ router }];
  },
};
