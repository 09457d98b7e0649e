/** Choices: which candidate goes into which opening. */
import { z } from 'zod';
import { layerIdsSchema, withLayerIds, worksSchema } from '../model';
import { newAnswersSchema, withAnswers } from '../order';
import { contract, idSchema, nothing } from './contract';

const newChoiceSchema = z.strictObject({
  openingId: idSchema,
  /** The version of the choice that was seen, 0 where there was none; left out by who does not mind. */
  version: z.int().min(0).optional(),
  speakerId: z.string().min(1).max(80),
  layerIds: layerIdsSchema,
  /** What is changed by hand so that it fits: the choice is judged with it. */
  works: worksSchema.default([]),
  /** To the checks that do not clear, at most one each; what is not answered stays open, and off the order list. */
  answers: newAnswersSchema.default([]),
  /** From before a reason belonged to one check. */
  earlierReason: z.string().max(500).nullable().default(null),
});
export type NewChoice = z.output<typeof newChoiceSchema>;

/** All of them are kept, or none. */
export const putChoices = contract({
  method: 'put',
  path: '/api/jobs/:jobId/choices',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  /** A device may have kept a choice in an earlier form. */
  body: z.strictObject({
    choices: z
      .array(z.preprocess((choice) => withAnswers(withLayerIds(choice)), newChoiceSchema))
      .min(1)
      .max(24),
  }),
  answer: z.object({ kept: z.int() }),
});

export const deleteChoice = contract({
  method: 'delete',
  path: '/api/openings/:openingId/choice',
  permission: 'choose',
  /** With the version that was seen; left out by who does not mind. */
  params: z.object({ openingId: idSchema, version: z.coerce.number().int().min(1).optional() }),
  body: nothing,
  answer: z.object({ removed: z.boolean() }),
});
