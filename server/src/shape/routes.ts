import { Router } from 'express';
import { outlineFileSchema } from '@aspecta/contract/shape/schemas';
import { ServerProblem } from '../http/problems.ts';
import { parse } from '../http/validate.ts';
import { outlineDxf, outlineDxfR12, outlinePdf, tilesOf, type OutlineDrawing } from './outlineFiles.ts';
import { boxOf } from '@aspecta/core/geometry';

/** More sheets of paper than this are a mistake in the size. */
const MOST_SHEETS = 120;

/** Outlines as files at 1:1. They touch no data, so they need no account. */
export function shapeRoutes(): Router {
  const router = Router();
  router.post('/shape/outline', async (request, response) => {
    const { as, title, cut, mark } = parse(outlineFileSchema, request.body);
    const drawing: OutlineDrawing = { title, cut, mark };
    if (as === 'dxf' || as === 'dxf-r12') {
      response.type('application/dxf').send(as === 'dxf' ? outlineDxf(drawing) : outlineDxfR12(drawing));
      return;
    }
    const paper = as === 'pdf-a4' ? 'a4' : 'letter';
    const box = boxOf([...cut.flat(), ...mark.flat()]);
    const { across, up } = tilesOf(box.maxU - box.minU, box.maxV - box.minV, paper);
    if (across * up > MOST_SHEETS)
      throw new ServerProblem(
        'invalid',
        `This would take ${across * up} sheets of paper; at most ${MOST_SHEETS} are drawn.`,
        'cut',
      );
    response.type('application/pdf').send(await outlinePdf(drawing, paper));
  });
  return router;
}
