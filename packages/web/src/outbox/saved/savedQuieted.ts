import { type Job, jobSchema, putQuieted } from '@low-quarry/core/contracts/jobs';
import { type Quieted, quietedSchema } from '@low-quarry/core/model';
import { quietedFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export type WithQuieted = { readonly quieted: Quieted[] };

export const savedQuieted: SavedKind<WithQuieted, Job> = {
  name: 'quieted',
  schema: z.object({ quieted: quietedSchema }),
  fieldsOf: quietedFields,
  put: (jobId, { version, record }, sender) =>
    call(putQuieted, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ quieted }) => ({ quieted })),
  answer: jobSchema,
};
