import { type Job, jobSchema, putBay } from '@low-quarry/core/contracts/jobs';
import { type Bay, baySchema } from '@low-quarry/core/model';
import { bayFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export type WithBay = { readonly bay: Bay };

export const savedBay: SavedKind<WithBay, Job> = {
  name: 'bay',
  schema: z.object({ bay: baySchema }),
  fieldsOf: bayFields,
  put: (jobId, { version, record }, sender) =>
    call(putBay, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ bay }) => ({ bay })),
  answer: jobSchema,
};
