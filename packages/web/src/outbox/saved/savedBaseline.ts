import { type Job, jobSchema, putBaseline } from '@low-quarry/core/contracts/jobs';
import { type Baseline, baselineSchema } from '@low-quarry/core/model';
import { baselineFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export const savedBaseline: SavedKind<{ readonly baseline: Baseline }, Job> = {
  name: 'baseline',
  schema: z.object({ baseline: baselineSchema }),
  fieldsOf: baselineFields,
  put: (jobId, { version, record }, sender) =>
    call(putBaseline, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ baseline }) => ({ baseline })),
  answer: jobSchema,
};
