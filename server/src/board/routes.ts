import { Router } from 'express';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import type { BoardService } from './service.ts';

export function boardRoutes(board: BoardService): Router {
  const router = Router();
  router.get('/:id/board', async (request, response) => {
    response.json(await board.board(callerOf(request), idOf(request)));
  });
  router.get('/:id/line', async (request, response) => {
    response.json(await board.line(callerOf(request), idOf(request)));
  });
  return router;
}
