import { chosenParts } from '@low-quarry/core/contracts/chosenParts';
import {
  createJob,
  deleteJob,
  endJob,
  getJob,
  listBin,
  listJobs,
  putAmplifierPlan,
  putBaseline,
  putBay,
  putBooked,
  putCrossovers,
  putFound,
  putJob,
  putQuieted,
  putSmallParts,
  putStowed,
  reopenJob,
  restoreJob,
} from '@low-quarry/core/contracts/jobs';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { handOverHolds, jobSteps } from '@low-quarry/core/plan';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { OpeningsStore } from '../openings/OpeningsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { VehiclesService } from '../vehicles/VehiclesService';
import { VehiclesStore } from '../vehicles/VehiclesStore';
import { JobsService } from './JobsService';
import { JobsStore } from './JobsStore';
import { OpeningStates } from './OpeningStates';
import { PartsChosen } from './PartsChosen';
import { StateCache } from './StateCache';

/** @param cache what was worked out before; none for who asks once */
export function createJobsService(manager: EntityManager, cache = new StateCache()): JobsService {
  const states = new OpeningStates(manager, cache);
  const chosen = new PartsChosen(manager, states);
  return new JobsService(new JobsStore(manager), new OpeningsStore(manager), states, chosen);
}

/** @param service for what is read */
export function jobsRoutes(
  router: Router,
  db: DataSource,
  service: JobsService,
  newId: () => string,
  templates: readonly ListedTemplate[],
  openHistory: OpenHistory,
): void {
  route(router, listJobs, ({ params }) => service.list(params));
  route(router, getJob, ({ params }) => service.get(params.jobId));
  route(router, chosenParts, ({ params: { part } }) => service.chosen.of(part ?? null));
  route(router, listBin, async () => ({ jobs: await service.listBin() }));
  write(router, db, createJob, async ({ body, manager, actor }) => {
    const history = openHistory(manager, actor);
    const vehicles = new VehiclesService(manager, history, actor, templates);
    return { jobId: await createJobsService(manager).create(body, newId, history, vehicles) };
  });
  write(router, db, putJob, ({ params, body, manager, actor }) =>
    createJobsService(manager).change(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putBaseline, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeBaseline(
      params.jobId,
      body,
      openHistory(manager, actor),
      actor.roles.includes('owner'),
    ),
  );
  write(router, db, putFound, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeFound(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putAmplifierPlan, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeAmplifierPlan(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putCrossovers, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeCrossovers(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putStowed, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeStowed(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putBay, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeBay(params.jobId, body, openHistory(manager, actor), actor.roles),
  );
  write(router, db, putBooked, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeBooked(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putSmallParts, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeSmallParts(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, putQuieted, ({ params, body, manager, actor }) =>
    createJobsService(manager).changeQuieted(params.jobId, body, openHistory(manager, actor)),
  );
  write(router, db, endJob, ({ params, body, manager, actor }) =>
    createJobsService(manager).endUnlessHeld(
      params.jobId,
      body.version,
      body.as,
      openHistory(manager, actor),
      async (job, openings) => {
        const vehicle = await new VehiclesStore(manager).find(job.vehicle.id);
        const panels = vehicle?.record.ok ? vehicle.record.value.panels : [];
        return handOverHolds(jobSteps(job, openings, panels, await new SettingsStore(manager).get()), job.bay);
      },
    ),
  );
  write(router, db, reopenJob, ({ params, body, manager, actor }) =>
    createJobsService(manager).reopen(params.jobId, body.version, openHistory(manager, actor)),
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
