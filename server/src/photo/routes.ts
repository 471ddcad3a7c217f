import express, { Router, type Request } from 'express';
import Joi from 'joi';
import { LARGEST_PHOTO } from '@aspecta/contract/survey';
import { photoChangeSchema } from '@aspecta/contract/survey/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { PhotoInput, PhotoService } from './service.ts';

const toldSchema = Joi.object<Omit<PhotoInput, 'takenAt'> & { takenAt: string }>({
  id: Joi.string().guid().required(),
  panel: Joi.string().max(60).default(null),
  layer: Joi.string().max(40).default(null),
  u: Joi.number().min(-20_000).max(20_000).default(null),
  v: Joi.number().min(-20_000).max(20_000).default(null),
  note: Joi.string().trim().allow('').max(500).default(''),
  takenAt: Joi.string().isoDate().required(),
});

export function photoRoutes(photos: PhotoService): Router {
  const router = Router();
  router.get('/vehicles/:id/photos', async (request, response) => {
    response.json(await photos.list(callerOf(request), idOf(request), panelOfQuery(request)));
  });
  router.post(
    '/vehicles/:id/photos',
    express.raw({ type: () => true, limit: LARGEST_PHOTO }),
    async (request, response) => {
      const told = parse(toldSchema, request.query);
      const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      const input = { ...told, takenAt: new Date(told.takenAt) };
      response.status(201).json(await photos.add(callerOf(request), idOf(request), input, bytes));
    },
  );
  router.put('/vehicles/:id/photos/:photo', async (request, response) => {
    const change = parse(photoChangeSchema, request.body);
    response.json(await photos.change(callerOf(request), idOf(request), idOf(request, 'photo'), change));
  });
  router.delete('/vehicles/:id/photos/:photo', async (request, response) => {
    await photos.setRemoved(callerOf(request), idOf(request), idOf(request, 'photo'), true);
    response.status(204).end();
  });
  router.post('/vehicles/:id/photos/:photo/restore', async (request, response) => {
    await photos.setRemoved(callerOf(request), idOf(request), idOf(request, 'photo'), false);
    response.status(204).end();
  });
  router.get('/vehicles/:id/photos/:photo/picture', async (request, response) => {
    const small = request.query['small'] === '1';
    const { root, name } = await photos.fileOf(callerOf(request), idOf(request), idOf(request, 'photo'), small);
    // The pixels of a picture never change, and only this browser may keep them.
    response.set('cache-control', 'private, max-age=31536000, immutable').sendFile(name, { root });
  });
  return router;
}

const panelOfQuery = (request: Request): string | undefined =>
  typeof request.query['panel'] === 'string' ? request.query['panel'].slice(0, 60) : undefined;
