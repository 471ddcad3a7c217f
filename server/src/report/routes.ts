import { Router } from 'express';
import { idOf } from '../http/params.ts';
import { callerOf, guard } from '../http/session.ts';
import { inspectionPdf } from './pdf.ts';
import type { ReportService } from './service.ts';
import { inspectionCsv, inspectionXlsx } from './tables.ts';

export function reportRoutes(reports: ReportService): Router {
  const router = Router();
  router.use(guard);
  router.get('/vehicles/:id/inspection.pdf', async (request, response) => {
    const inspection = await reports.inspection(callerOf(request), idOf(request));
    const reader = request.query['for'] === 'customer' ? 'customer' : 'workshop';
    const file = reader === 'customer' ? 'inspection-for-customer.pdf' : 'inspection.pdf';
    response
      .attachment(file)
      .type('application/pdf')
      .send(await inspectionPdf(inspection, reader));
  });
  router.get('/vehicles/:id/inspection.csv', async (request, response) => {
    const inspection = await reports.inspection(callerOf(request), idOf(request));
    response.attachment('inspection.csv').type('text/csv; charset=utf-8').send(inspectionCsv(inspection));
  });
  router.get('/vehicles/:id/inspection.xlsx', async (request, response) => {
    const inspection = await reports.inspection(callerOf(request), idOf(request));
    response.attachment('inspection.xlsx').send(await inspectionXlsx(inspection));
  });
  return router;
}
