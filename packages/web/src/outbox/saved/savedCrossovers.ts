import { type Job, jobSchema, putCrossovers } from '@low-quarry/core/contracts/jobs';
import { type Crossover, crossoversSchema } from '@low-quarry/core/model';
import { crossoverFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export type WithCrossovers = { readonly crossovers: Crossover[] };

export const savedCrossovers: SavedKind<WithCrossovers, Job> = {
  name: 'crossovers',
  schema: z.object({ crossovers: crossoversSchema }),
  fieldsOf: crossoverFields,
  put: (jobId, { version, record }, sender) =>
    call(putCrossovers, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ crossovers }) => ({ crossovers })),
  answer: jobSchema,
};
