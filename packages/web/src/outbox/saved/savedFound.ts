import { type Job, jobSchema, putFound } from '@low-quarry/core/contracts/jobs';
import { type CarFacts, carFactsSchema } from '@low-quarry/core/model';
import { carFactFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

type WithFound = { readonly found: CarFacts };

export const savedFound: SavedKind<WithFound, Job> = {
  name: 'found',
  schema: z.object({ found: carFactsSchema }),
  fieldsOf: () => carFactFields<'found', WithFound>('found'),
  put: (jobId, { version, record }, sender) =>
    call(putFound, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ found }) => ({ found })),
  answer: jobSchema,
};
