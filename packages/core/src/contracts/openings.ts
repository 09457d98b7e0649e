/** Openings: what is known of each place for a speaker. */
import { z } from 'zod';
import { openingRecordSchema, worksSchema } from '../model';
import { answerSchema } from '../order';
import { contract, idSchema, nothing } from './contract';

export const choiceSchema = z.object({
  speakerId: z.string(),
  /** Brackets and rings from the metal to the speaker. */
  layerIds: z.array(z.string()),
  /** What is changed by hand. */
  works: worksSchema.default([]),
  /** To the checks that did not clear. */
  answers: z.array(answerSchema),
  /** Written before a reason belonged to one check: shown, and answers nothing. */
  earlierReason: z.string().nullable(),
  chosenAt: z.iso.datetime(),
  version: z.int(),
});
export type Choice = z.infer<typeof choiceSchema>;

export const openingSchema = z.object({
  id: idSchema,
  jobId: idSchema,
  /** Goes up by one with every change; a change must name the version it was made on. */
  version: z.int().min(1),
  record: openingRecordSchema,
  choice: choiceSchema.nullable(),
});
export type Opening = z.infer<typeof openingSchema>;

export const getOpening = contract({
  method: 'get',
  path: '/api/openings/:openingId',
  permission: 'read',
  params: z.object({ openingId: idSchema }),
  body: nothing,
  answer: openingSchema,
});

export const putOpening = contract({
  method: 'put',
  path: '/api/openings/:openingId',
  permission: 'measure',
  params: z.object({ openingId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), record: openingRecordSchema }),
  answer: openingSchema,
});

/** One more place of a job's car, as it was found. */
export const addOpening = contract({
  method: 'post',
  path: '/api/jobs/:jobId/openings',
  permission: 'openings',
  params: z.object({ jobId: idSchema }),
  body: z.strictObject({ record: openingRecordSchema }),
  answer: openingSchema,
});

/** A place that this car does not have, or nobody asks about; not while something is chosen for it. */
export const removeOpening = contract({
  method: 'post',
  path: '/api/openings/:openingId/remove',
  permission: 'openings',
  params: z.object({ openingId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: z.object({ jobId: idSchema }),
});
