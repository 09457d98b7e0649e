/**
 * The whole shop as one open file: settings, people (without anything that would let anybody sign in), library, jobs with
 * their openings and choices, and the history. What goes out comes in again equal.
 */
import { z } from 'zod';
import { changeSchema } from '../contracts/history';
import { verdictSchema } from '../contracts/jobs';
import { choiceSchema } from '../contracts/openings';
import { rolesSchema } from '../model/access';
import { openingRecordSchema } from '../model/opening';
import { connectorSchema, partSchema } from '../model/parts';
import { shopSchema } from '../model/shop';
import { vehicleSchema } from '../model/vehicle';
import { snapshotSchema } from '../records/snapshot';

const jobSchema = z.strictObject({
  id: z.uuid(),
  number: z.int().positive(),
  version: z.int().positive(),
  vehicleId: z.string(),
  customer: z.string(),
  registration: z.string(),
  wants: z.string(),
  dueOn: z.iso.date().nullable(),
  createdAt: z.iso.datetime(),
  deletedAt: z.iso.datetime().nullable(),
  deletedBy: z.string().nullable(),
  openings: z.array(
    z.strictObject({
      id: z.uuid(),
      version: z.int().positive(),
      record: openingRecordSchema,
      choice: choiceSchema.extend({ verdictWhenChosen: verdictSchema, snapshot: snapshotSchema.nullable() }).nullable(),
    }),
  ),
});

export const shopFileSchema = z.strictObject({
  format: z.literal('shop'),
  version: z.literal(1),
  settings: shopSchema,
  people: z.array(
    z.strictObject({
      id: z.uuid(),
      version: z.int().positive(),
      name: z.string(),
      roles: rolesSchema,
      active: z.boolean(),
    }),
  ),
  connectors: z.array(connectorSchema),
  parts: z.array(partSchema),
  vehicles: z.array(vehicleSchema),
  jobs: z.array(jobSchema),
  history: z.array(changeSchema.extend({ batch: z.uuid() })),
});
export type ShopFile = z.infer<typeof shopFileSchema>;
