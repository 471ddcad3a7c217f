import { Router } from 'express';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import type { ReportService } from './service.ts';

const TYPES = {
  pdf: 'application/pdf',
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

export function reportRoutes(reports: ReportService): Router {
  const router = Router();
  for (const format of ['pdf', 'csv', 'xlsx'] as const)
    router.get(`/vehicles/:id/inspection.${format}`, async (request, response) => {
      const reader = request.query['for'] === 'customer' ? 'customer' : 'workshop';
      const name = format === 'pdf' && reader === 'customer' ? 'inspection-for-customer' : 'inspection';
      const file = await reports.file(callerOf(request), idOf(request), format, reader);
      response.attachment(`${name}.${format}`).type(TYPES[format]).send(Buffer.from(file));
    });
  return router;
}
