/** The demo shop's files under `demo/`, read through the same schemas as everything else. */
import * as files from 'node:fs/promises';
import path from 'node:path';
import {
  bracketSchema,
  connectorSchema,
  harnessAdapterSchema,
  partSchema,
  spacerSchema,
  speakerSchema,
} from '@low-quarry/core/catalogue';
import { newVehicleSchema } from '@low-quarry/core/contracts/newVehicle';
import { passwordSchema, personNameSchema, pinSchema } from '@low-quarry/core/contracts/sessions';
import { explainFileFailure, partsFileSchema, readFile } from '@low-quarry/core/formats';
import {
  bookingSchema,
  foundThingSchema,
  newJobFactsSchema,
  openingFactsSchema,
  openingRecordSchema,
  photoNotesSchema,
  placeSchema,
  rolesSchema,
  SIDES,
  settingsSchema,
  vehicleSchema,
} from '@low-quarry/core/model';
import { z } from 'zod';

const choiceSchema = z.strictObject({
  speakerId: z.string(),
  layerIds: z.array(z.string()),
});

const demoJobSchema = newJobFactsSchema.omit({ dueOn: true, booked: true }).extend({
  vehicleId: z.string(),
  dueInDays: z.int().nullable(),
  /** Counted in working days from the day on which the demo is made. */
  bookedIn: z.array(bookingSchema.omit({ key: true, day: true }).extend({ workingDays: z.int().min(0) })).default([]),
  /** How far the work is: the first steps of its plan, and what was found besides. */
  done: z
    .strictObject({
      by: z.string(),
      at: z.iso.datetime(),
      share: z.number().min(0).max(1),
      found: z.array(foundThingSchema.omit({ key: true, step: true, by: true, at: true })).default([]),
    })
    .optional(),
  /** What was measured or found on this car, by place; everything else is as the library has it. */
  openings: z.array(
    openingFactsSchema.pick({ place: true, side: true }).extend({
      dimensions: openingRecordSchema.shape.dimensions.optional(),
      wiring: openingRecordSchema.shape.wiring.optional(),
      secondPlug: openingRecordSchema.shape.secondPlug.optional(),
      polarity: openingRecordSchema.shape.polarity.optional(),
      oldSpeaker: openingRecordSchema.shape.oldSpeaker.optional(),
      obstaclesLooked: z.boolean().optional(),
      note: openingRecordSchema.shape.note.optional(),
      earlier: openingRecordSchema.shape.earlier.optional(),
      choice: choiceSchema.optional(),
    }),
  ),
});
export type DemoJob = z.infer<typeof demoJobSchema>;

const demoPersonSchema = z.strictObject({
  name: personNameSchema,
  roles: rolesSchema,
  password: passwordSchema,
  pin: pinSchema,
});

/** Who may sign in at the demo shop, with passwords that everybody may know. */
export function readDemoPeople(dir: string) {
  return read(dir, 'people.json', z.array(demoPersonSchema));
}

/** What the makers and suppliers of the demo's trade have besides, as `npm run demo-trade` writes it. */
export function readDemoTrade(dir: string) {
  return read(dir, 'trade.json', partsFileSchema);
}

export async function readDemoFiles(dir: string) {
  const [photos, people, shop, connectors, vehicles, variants, jobs, speakers, brackets, spacers, adapters, small] =
    await Promise.all([
      readDemoPhotos(dir),
      readDemoPeople(dir),
      read(dir, 'shop.json', settingsSchema),
      read(dir, 'connectors.json', z.array(connectorSchema)),
      read(dir, 'vehicles.json', z.array(vehicleSchema)),
      read(dir, 'variants.json', z.array(newVehicleSchema)),
      read(dir, 'jobs.json', z.array(demoJobSchema)),
      read(dir, 'speakers.json', z.array(speakerSchema)),
      read(dir, 'brackets.json', z.array(bracketSchema)),
      read(dir, 'spacers.json', z.array(spacerSchema)),
      read(dir, 'harness-adapters.json', z.array(harnessAdapterSchema)),
      read(dir, 'small-parts.json', z.array(partSchema)),
    ]);
  return {
    photos,
    people,
    shop,
    connectors,
    vehicles,
    /** Of which nothing is known but what they begin with. */
    variants,
    jobs,
    parts: [...speakers, ...brackets, ...spacers, ...adapters, ...small],
  };
}

const demoPhotoSchema = photoNotesSchema.extend({
  /** A drawing in `demo/photos`. */
  file: z.string().regex(/^[a-z-]+\.svg$/),
  /** The plate of the job it is of. */
  registration: z.string(),
  /** Of one of its openings; of the job itself with null. */
  place: placeSchema.nullable(),
  side: z.enum(SIDES).nullable(),
  /** Within the job, such as `baseline`. */
  within: z.string(),
});

async function readDemoPhotos(dir: string) {
  const photos = await read(dir, 'photos.json', z.array(demoPhotoSchema));
  return Promise.all(
    photos.map(async ({ file, ...photo }) => ({
      ...photo,
      drawing: await files.readFile(path.join(dir, 'photos', file)),
    })),
  );
}

/** @throws when the file is not as expected, with the place in it */
async function read<Schema extends z.ZodType>(dir: string, name: string, schema: Schema): Promise<z.output<Schema>> {
  const read = readFile(await files.readFile(path.join(dir, name), 'utf8'), schema);
  if (read.ok) return read.value;
  throw new Error(explainFileFailure(`demo/${name}`, read.failure));
}
