import { createJob, deleteJob, getJob, listBin, listJobs, putJob, restoreJob } from '@low-quarry/core/contracts/jobs';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route, write } from '../../http/route';
import { ChoicesStore } from '../choices/ChoicesStore';
import { readFitting } from '../fit/Fitting';
import type { OpenHistory } from '../history/History';
import { OpeningsStore } from '../openings/OpeningsStore';
import { PartsStore } from '../parts/PartsStore';
import { ShopStore } from '../shop/ShopStore';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import { JobsService } from './JobsService';
import { JobsStore } from './JobsStore';

export function createJobsService(manager: EntityManager): JobsService {
  return new JobsService(
    new JobsStore(manager),
    new OpeningsStore(manager),
    new ChoicesStore(manager),
    new VehiclesStore(manager),
    () => readFitting(new ShopStore(manager), new PartsStore(manager)),
  );
}

export function jobsRoutes(router: Router, db: DataSource, newId: () => string, openHistory: OpenHistory): void {
  const service = createJobsService(db.manager);
  route(router, listJobs, async () => ({ jobs: await service.list() }));
  route(router, getJob, ({ params }) => service.get(params.jobId));
  route(router, listBin, async () => ({ jobs: await service.listBin() }));
  write(router, db, createJob, async ({ body, manager, actor }) => ({
    jobId: await createJobsService(manager).create(body, newId, openHistory(manager, actor)),
  }));
  write(router, db, putJob, ({ params, body, manager, actor }) =>
    createJobsService(manager).change(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, deleteJob, async ({ params, body, manager, actor }) => {
    const history = openHistory(manager, actor);
    const deletedAt = await createJobsService(manager).delete(params.jobId, body.version, history);
    return { deletedAt: deletedAt.toISOString() };
  });
  write(router, db, restoreJob, ({ params, body, manager, actor }) =>
    createJobsService(manager).restore(params.jobId, body.version, openHistory(manager, actor)),
  );
}
