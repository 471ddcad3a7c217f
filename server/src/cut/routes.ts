import { Router, type Request } from 'express';
import { cutSchema } from '@aspecta/contract/cut/schemas';
import { panelOf } from '@aspecta/core/body';
import { personUnits } from '@aspecta/contract/shop';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import { tellsDay } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import { patchDrawing, toDxf, toSvg } from './drawing.ts';
import type { Workbench } from '../work/bench.ts';
import type { CutService } from './service.ts';

interface Services {
  cuts: CutService;
  verdicts: VerdictService;
  shops: ShopService;
  bench: Workbench;
}

export function cutRoutes({ cuts, verdicts, shops, bench }: Services): Router {
  const router = Router();
  router.get('/repairs/:id/cut', async (request, response) => {
    response.json(await cuts.plan(callerOf(request), idOf(request)));
  });
  router.put('/repairs/:id/cut', async (request, response) => {
    response.json(await cuts.save(callerOf(request), idOf(request), parse(cutSchema, request.body)));
  });
  router.get('/repairs/:id/cut/patch.dxf', async (request, response) => {
    const { drawing, file } = await drawn(request);
    response.attachment(`${file}.dxf`).type('application/dxf').send(toDxf(drawing));
  });
  router.get('/repairs/:id/cut/patch.svg', async (request, response) => {
    const { drawing, file } = await drawn(request);
    response.attachment(`${file}.svg`).type('image/svg+xml').send(toSvg(drawing));
  });
  router.get('/repairs/:id/cut/card.pdf', async (request, response) => {
    const caller = callerOf(request);
    const [{ plan, panel, vehicle }, shop] = await Promise.all([drawn(request), shops.shop(caller)]);
    const context = {
      vehicle: vehicle.nickname,
      panel: panel.name,
      panelOutline: panel.outline,
      units: personUnits(shop),
      by: caller.name,
      on: tellsDay(shop.timeZone)(new Date()),
    };
    const card = await bench.run('cutCard', { plan, context }, caller.personId);
    response.attachment(`cut-card-${panel.id}.pdf`).type('application/pdf').send(Buffer.from(card));
  });

  async function drawn(request: Request) {
    const caller = callerOf(request);
    const plan = await cuts.plan(caller, idOf(request));
    const { vehicle } = await verdicts.own(caller, plan.repairId);
    const panel = panelOf(vehicle.plan, plan.panel);
    return { plan, vehicle, panel, drawing: patchDrawing(plan, panel.name), file: `patch-${panel.id}` };
  }
  return router;
}
