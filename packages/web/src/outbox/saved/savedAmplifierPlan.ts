import { type Job, jobSchema, putAmplifierPlan } from '@low-quarry/core/contracts/jobs';
import { type AmplifierPlan, amplifierPlanSchema } from '@low-quarry/core/model';
import { AMPLIFIER_PLAN_FIELD } from '@low-quarry/core/records';
import { z } from 'zod';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export type WithAmplifierPlan = { readonly amplifierPlan: AmplifierPlan };

export const savedAmplifierPlan: SavedKind<WithAmplifierPlan, Job> = {
  name: 'amplifierPlan',
  schema: z.object({ amplifierPlan: amplifierPlanSchema }),
  fieldsOf: () => [AMPLIFIER_PLAN_FIELD],
  put: (jobId, { version, record }, sender) =>
    call(putAmplifierPlan, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(({ amplifierPlan }) => ({ amplifierPlan })),
  answer: jobSchema,
};
