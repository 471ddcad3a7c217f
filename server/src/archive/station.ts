import express, { Router } from 'express';
import { GarageService } from '../garage/service.ts';
import { idOf } from '../http/params.ts';
import { callerOf, needs } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import { PictureStore } from '../photo/pictures.ts';
import type { Station } from '../station.ts';
import { archiveOf } from './out.ts';
import { readArchive } from './read.ts';
import { takeIn } from './takeIn.ts';

/** Bytes of an archive that is taken in: pictures of a whole restoration. */
const LARGEST = 500_000_000;

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
      const zip = await archiveOf(house.db, vehicle, pictures);
      response.attachment(`${vehicle.nickname.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'car'}.zip`);
      zip.on('error', (error) => response.destroy(error));
      zip.pipe(response);
    });
    router.post('/archive/import', express.raw({ type: () => true, limit: LARGEST }), async (request, response) => {
      const caller = callerOf(request);
      needs('owner', caller);
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new ServerProblem('invalid', 'Send the ZIP of a car.', 'archive');
      const read = await readArchive(request.body);
      try {
        response.status(201).json({ id: await takeIn({ db: house.db, pictures }, caller, read) });
      } finally {
        read.close();
      }
    });
    return [{ router }];
  },
};
