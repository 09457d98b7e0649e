/** A measurement as it is kept: its readings, with what they were taken, and what they were read from. */
import { z } from 'zod';
import { meanOf } from '../uncertainty';
import { MOST_READINGS } from './readMeasurement';
import { SOURCES, sourceSchema } from './source';

/** What stands in front of the metal and may be read from: a ring that stays on, and the old speaker's mount. */
export const FRONT_FACES = ['keptRing', 'oldMount'] as const;
export type FrontFace = (typeof FRONT_FACES)[number];
/** What a depth or a gap may be read from. */
export const FACES = ['metal', ...FRONT_FACES] as const;
export type Face = (typeof FACES)[number];

export const measurementSchema = z.strictObject({
  readingsMm: z.array(z.number()).min(1, 'at least one reading').max(MOST_READINGS),
  source: sourceSchema,
  /** As it was typed, so that it can be shown and changed as it was typed. */
  entered: z.string().max(200),
  takenBy: z.string().max(80).nullable(),
  takenAt: z.iso.datetime().nullable(),
  /** What a depth or a gap was read from; left out, from the metal. */
  from: z.enum(FACES).optional(),
});
export type Measurement = z.infer<typeof measurementSchema>;

/** No reading at a vehicle's opening is longer; named dimensions have ranges of their own. */
const MOST_MM = 1000;
export const freeMeasurementSchema = measurementSchema.extend({
  readingsMm: z.array(z.number().min(-MOST_MM).max(MOST_MM)).min(1, 'at least one reading').max(MOST_READINGS),
});

/** What its readings come to, mm. */
export function meanMm({ readingsMm }: Pick<Measurement, 'readingsMm'>): number {
  return meanOf(readingsMm);
}

/** Whether it was measured on this very car. */
export function isTakenHere(measurement: Measurement | undefined): boolean {
  return measurement !== undefined && SOURCES[measurement.source].origin === 'takenHere';
}
