import { type Job, jobSchema, putStowed } from '@low-quarry/core/contracts/jobs';
import { type Stowed, stowedSchema } from '@low-quarry/core/model';
import { stowedFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export type WithStowed = { readonly stowed: Stowed[] };

export const savedStowed: SavedKind<WithStowed, Job> = {
  name: 'stowed',
  schema: z.object({ stowed: stowedSchema }),
  fieldsOf: stowedFields,
  put: (jobId, { version, record }, sender) =>
    call(putStowed, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ stowed }) => ({ stowed })),
  answer: jobSchema,
};
