import { Router } from 'express';
import { patternFileSchema, patternQuerySchema, patternSchema } from '@aspecta/contract/pattern/schemas';
import { panelOf } from '@aspecta/core/body';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import { patternDrawing } from './drawing.ts';
import type { PatternService } from './service.ts';

const TYPES = {
  dxf: ['dxf', 'application/dxf'],
  'dxf-r12': ['dxf', 'application/dxf'],
  svg: ['svg', 'image/svg+xml'],
  'pdf-a4': ['pdf', 'application/pdf'],
  'pdf-letter': ['pdf', 'application/pdf'],
} as const;

interface Services {
  patterns: PatternService;
  verdicts: VerdictService;
  shops: ShopService;
  bench: Workbench;
}

export function patternRoutes({ patterns, verdicts, shops, bench }: Services): Router {
  const router = Router();
  router.get('/repairs/:id/pattern', async (request, response) => {
    const { section } = parse(patternQuerySchema, request.query);
    response.json(await patterns.view(callerOf(request), idOf(request), section));
  });
  router.put('/repairs/:id/pattern', async (request, response) => {
    const { section } = parse(patternQuerySchema, request.query);
    response.json(await patterns.save(callerOf(request), idOf(request), parse(patternSchema, request.body), section));
  });
  router.get('/repairs/:id/pattern/file', async (request, response) => {
    const caller = callerOf(request);
    const { as, side, section } = parse(patternFileSchema, request.query);
    const [view, { vehicle }, shop] = await Promise.all([
      patterns.view(caller, idOf(request), section),
      verdicts.own(caller, idOf(request)),
      shops.shop(caller),
    ]);
    const panel = panelOf(vehicle.plan, view.panel);
    const drawing = patternDrawing(view, {
      car: vehicle.nickname,
      panel: panel.name,
      other: side === 'other',
      // Thin sheet is told to the hundredth, or to the thousandth of an inch.
      length: (mm) => (shop.unit === 'in' ? `${(mm / 25.4).toFixed(3)} in` : `${mm.toFixed(2)} mm`),
    });
    const file = await bench.run('outlineFile', { ...drawing, as }, caller.personId);
    const [ending, type] = TYPES[as];
    response
      .attachment(
        [
          `pattern-${panel.id}`,
          view.sections > 1 ? `-section-${view.section + 1}` : '',
          side === 'other' ? '-other-side' : '',
          `.${ending}`,
        ].join(''),
      )
      .type(type)
      .send(Buffer.from(file));
  });
  return router;
}
