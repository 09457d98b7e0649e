import { createJob, getJob, listJobs } from '@low-quarry/core/contracts/jobs';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route, write } from '../../http/route';
import { ChoicesStore } from '../choices/ChoicesStore';
import { readFitting } from '../fit/Fitting';
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

export function jobsRoutes(router: Router, db: DataSource, newId: () => string): void {
  const service = createJobsService(db.manager);
  route(router, listJobs, async () => ({ jobs: await service.list() }));
  route(router, getJob, ({ params }) => service.get(params.jobId));
  write(router, db, createJob, async ({ body, manager }) => ({
    jobId: await createJobsService(manager).create(body, newId),
  }));
}
