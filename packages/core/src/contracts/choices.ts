/** Choices: which candidate goes into which opening. */
import { z } from 'zod';
import { layerIdsSchema, withLayerIds } from '../model/layers';
import { contract, idSchema, nothing } from './contract';

export const SHORTEST_REASON = 8;

const newChoiceSchema = z.strictObject({
  openingId: idSchema,
  /** The version of the choice that was seen, 0 where there was none; left out by who does not mind. */
  version: z.int().min(0).optional(),
  speakerId: z.string().min(1).max(80),
  layerIds: layerIdsSchema,
  reason: z.string().trim().max(500, 'Up to 500 characters would do.').nullable(),
});
export type NewChoice = z.infer<typeof newChoiceSchema>;

/** All of them are kept, or none. One that does not clear needs a reason. */
export const putChoices = contract({
  method: 'put',
  path: '/api/jobs/:jobId/choices',
  permission: 'choose',
  params: z.object({ jobId: idSchema }),
  /** A device may have kept a choice in an earlier form. */
  body: z.strictObject({ choices: z.array(z.preprocess(withLayerIds, newChoiceSchema)).min(1).max(24) }),
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
