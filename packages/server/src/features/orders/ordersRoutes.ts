import { getCutting } from '@low-quarry/core/contracts/cutting';
import { getOrder, ORDER_CSV_PATH, ORDER_XLSX_PATH } from '@low-quarry/core/contracts/orders';
import type { Router } from 'express';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../http/AppError';
import { guard } from '../../http/guard';
import { route } from '../../http/route';
import { TABLE_TYPES, writeTable } from '../../http/writeTable';
import type { RunTask } from '../../tasks/tasks';
import { fittingFrom } from '../fit/Fitting';
import type { JobsService } from '../jobs/JobsService';
import { PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { ShelfStore } from '../shelf/ShelfStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import { CuttingService } from './CuttingService';
import { OrdersService } from './OrdersService';
import { orderTable } from './orderTable';

export function createOrdersService(manager: EntityManager, jobs: JobsService, now: () => Date): OrdersService {
  const parts = new PartsStore(manager);
  return new OrdersService({
    ...{ jobs, parts, now },
    fittingFor: fittingFrom(new SettingsStore(manager), parts),
    vehicles: new VehiclesStore(manager),
    shelf: new ShelfStore(manager),
  });
}

export function createCuttingService(manager: EntityManager, jobs: JobsService, runTask: RunTask): CuttingService {
  return new CuttingService(jobs, fittingFrom(new SettingsStore(manager), new PartsStore(manager)), runTask);
}

export function ordersRoutes(router: Router, service: OrdersService, cutting: CuttingService): void {
  route(router, getCutting, ({ params, gone }) => cutting.get(params.jobId, gone));
  route(router, getOrder, ({ params }) => service.get(params.jobId));
  for (const [path, format] of [
    [ORDER_CSV_PATH, 'csv'],
    [ORDER_XLSX_PATH, 'xlsx'],
  ] as const)
    router.get(path, guard(getOrder.permission), async (request, response) => {
      const params = getOrder.params.safeParse(request.params);
      if (!params.success) throw notFound('job');
      const order = await service.get(params.data.jobId);
      const bytes = await writeTable(format, orderTable(order));
      response.type(TABLE_TYPES[format]).attachment(`order-job-${order.job.number}.${format}`).send(Buffer.from(bytes));
    });
}
