import { getOrder, ORDER_CSV_PATH } from '@low-quarry/core/contracts/orders';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { notFound } from '../../http/AppError';
import { guard } from '../../http/guard';
import { route } from '../../http/route';
import { fittingFrom } from '../fit/Fitting';
import type { JobsService } from '../jobs/JobsService';
import { PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { ShelfStore } from '../shelf/ShelfStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import { OrdersService } from './OrdersService';
import { writeOrderCsv } from './writeOrderCsv';

export function ordersRoutes(router: Router, db: DataSource, jobs: JobsService): void {
  const { manager } = db;
  const service = new OrdersService(
    jobs,
    fittingFrom(new SettingsStore(manager), new PartsStore(manager)),
    new VehiclesStore(manager),
    new ShelfStore(manager),
  );
  route(router, getOrder, ({ params }) => service.get(params.jobId));
  router.get(ORDER_CSV_PATH, guard(getOrder.permission), async (request, response) => {
    const params = getOrder.params.safeParse(request.params);
    if (!params.success) throw notFound('job');
    const order = await service.get(params.data.jobId);
    response.type('text/csv').attachment(`order-job-${order.job.number}.csv`).send(writeOrderCsv(order));
  });
}
