import { type Job, jobSchema, putJob } from '@low-quarry/core/contracts/jobs';
import { type IntakeFacts, intakeFactsOf, intakeFactsSchema } from '@low-quarry/core/model';
import { INTAKE_FIELDS } from '@low-quarry/core/records';
import { call } from '../../api/call';
import { ofJob } from './ofJob';
import type { SavedKind } from './SavedKind';

export const savedIntake: SavedKind<IntakeFacts, Job> = {
  name: 'intake',
  schema: intakeFactsSchema,
  fieldsOf: () => INTAKE_FIELDS,
  put: (jobId, { version, record }, sender) =>
    call(putJob, { params: { jobId }, body: { version, ...record }, ...sender }),
  read: ofJob(intakeFactsOf),
  answer: jobSchema,
};
