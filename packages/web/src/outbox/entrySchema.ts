/** What an entry holds: as it is read from the device. Every record's schema hangs on it; a page that keeps nothing does not need it. */

import { putChoices } from '@low-quarry/core/contracts/choices';
import { createJob } from '@low-quarry/core/contracts/jobs';
import { newVehicleSchema } from '@low-quarry/core/contracts/newVehicle';
import { openingSchema } from '@low-quarry/core/contracts/openings';
import { openingRecordSchema, photoStateSchema } from '@low-quarry/core/model';
import { z } from 'zod';

const common = {
  id: z.uuid(),
  /** Who did it: it is sent in their name, or not at all. */
  personId: z.string(),
  /** When the person did it. */
  at: z.iso.datetime(),
  /** What it is, for the list of what waits. */
  label: z.string(),
  /** Why it cannot be sent as it is; null while it waits for its turn or for the server. */
  refused: z
    .object({
      /** As the server names the kind of refusal; empty where it did not refuse it, or an earlier program wrote it down. */
      type: z.string().default(''),
      message: z.string(),
      errors: z.array(z.object({ path: z.string(), message: z.string() })),
    })
    .nullable(),
};

/** Kinds of records that are saved whole from a form. */
export const SAVED_NAMES = [
  'vehicle',
  'intake',
  'baseline',
  'found',
  'amplifierPlan',
  'crossovers',
  'stowed',
  'bay',
  'quieted',
] as const;

export const entrySchema = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('saveOpening'),
    jobId: z.string(),
    openingId: z.string(),
    /** What was typed on, with its version. */
    version: z.int(),
    base: openingRecordSchema,
    record: openingRecordSchema,
    /** The draft as it was sent, so that the device forgets just that one. */
    draft: z.string(),
    /** What the shop has by now, where both changed the same field. */
    clash: openingSchema.nullable(),
  }),
  z.object({ ...common, kind: z.literal('keepChoices'), jobId: z.string(), choices: putChoices.body.shape.choices }),
  z.object({ ...common, kind: z.literal('removeChoice'), openingId: z.string(), version: z.int() }),
  z.object({ ...common, kind: z.literal('bookIn'), job: createJob.body }),
  z.object({ ...common, kind: z.literal('addVehicle'), vehicle: newVehicleSchema, draft: z.string() }),
  z.object({ ...common, kind: z.literal('addOpening'), jobId: z.string(), record: openingRecordSchema }),
  z.object({
    ...common,
    kind: z.literal('removeOpening'),
    jobId: z.string(),
    openingId: z.string(),
    version: z.int(),
  }),
  /** A record that a form saves whole; what it is of is read by `savedRecords` when it is sent. */
  z.object({
    ...common,
    kind: z.literal('saveRecord'),
    of: z.enum(SAVED_NAMES),
    recordId: z.string(),
    /** What was typed on, with its version. */
    version: z.int(),
    base: z.unknown(),
    record: z.unknown(),
    /** The form that handed it over, and its draft as it was: the device forgets just that one. */
    formName: z.string(),
    draft: z.string(),
    /** Where that form is. */
    page: z.string(),
    /** What the shop has by now, where both changed the same field. */
    clash: z.object({ version: z.int(), record: z.unknown() }).nullable(),
  }),
  /** Its picture lies beside the outbox, under the entry's id (`waitingPictures`). */
  z.object({ ...common, kind: z.literal('addPhoto'), photo: photoStateSchema.omit({ hash: true }) }),
]);
