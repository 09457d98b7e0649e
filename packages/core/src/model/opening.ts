/** One place for a speaker in one vehicle: the record, and the shape the checks work on. */
import { z } from 'zod';
import type { OpeningDimensionKey } from '../fit/Check';
import type { FitOpening } from '../fit/shapes';
import type { Dimension } from '../uncertainty/Dimension';
import { fromReadings } from '../uncertainty/fromReadings';
import { degToRad } from '../units/angle';
import { dimensionRangeError, OPENING_DIMENSION_KEYS } from './openingDimensions';
import { placeLabel, placeSchema, sideSchema } from './place';
import { MOST_READINGS } from './readMeasurement';
import { SOURCES, type SourceId, sourceSchema } from './source';

export const measurementSchema = z.strictObject({
  readingsMm: z.array(z.number()).min(1, 'at least one reading').max(MOST_READINGS),
  source: sourceSchema,
  /** As it was typed, so that it can be shown and changed as it was typed. */
  entered: z.string().max(200),
  takenBy: z.string().max(80).nullable(),
  takenAt: z.iso.datetime().nullable(),
});
export type Measurement = z.infer<typeof measurementSchema>;

export const BEHIND = ['glass', 'metal', 'nothing'] as const;
export const SECOND_PLUGS = ['none', 'sound', 'warning', 'unexplained', 'notLooked'] as const;
export const FIXINGS = ['screws', 'rivets', 'tabs'] as const;

export const wiringSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('connector'), connectorId: z.string().min(1).max(80) }),
  z.strictObject({ kind: z.literal('noWires') }),
  z.strictObject({ kind: z.literal('unknown') }),
]);

const boltsSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('circle'),
    count: z.int().min(2).max(8),
    /** Of the first hole, from the right, anticlockwise as seen from the cabin. */
    firstAngleDeg: z.number().min(0).max(360),
    screwDiameterMm: z.number().min(2).max(10),
  }),
  z.strictObject({ kind: z.literal('rectangle'), screwDiameterMm: z.number().min(2).max(10) }),
]);

const dimensionsSchema = z
  .partialRecord(z.enum(OPENING_DIMENSION_KEYS), measurementSchema)
  .superRefine((dimensions, context) => {
    for (const key of OPENING_DIMENSION_KEYS) {
      dimensions[key]?.readingsMm.forEach((reading, index) => {
        const message = dimensionRangeError(key, reading);
        if (message) context.addIssue({ code: 'custom', path: [key, 'readingsMm', index], message });
      });
    }
  });

export const openingRecordSchema = z.strictObject({
  place: placeSchema,
  side: sideSchema,
  nominalSize: z.string().max(20),
  holeKind: z.enum(['circle', 'oval']),
  bolts: boltsSchema,
  fixing: z.enum(FIXINGS),
  behind: z.enum(BEHIND),
  wiring: wiringSchema,
  secondPlug: z.enum(SECOND_PLUGS),
  dimensions: dimensionsSchema,
  note: z.string().max(1000),
});
export type OpeningRecord = z.infer<typeof openingRecordSchema>;

/** The dimensions that this opening's kind of hole, bolts and surroundings call for, in the order of measuring. */
export function wantedDimensions({
  holeKind,
  bolts,
  behind,
}: Pick<OpeningRecord, 'holeKind' | 'bolts' | 'behind'>): readonly OpeningDimensionKey[] {
  return [
    ...(holeKind === 'circle' ? (['holeDiameter'] as const) : (['holeLength', 'holeWidth'] as const)),
    ...(bolts.kind === 'circle' ? (['boltCircle'] as const) : (['boltWidth', 'boltHeight'] as const)),
    ...(behind === 'nothing' ? [] : (['depthBehind'] as const)),
    'frontGap',
  ];
}

/** The wanted dimensions that have no reading yet. */
export function missingDimensions(record: OpeningRecord): readonly OpeningDimensionKey[] {
  return wantedDimensions(record).filter((key) => !record.dimensions[key]);
}

/** Whether it was measured on this very car. */
export function isTakenHere(measurement: Measurement | undefined): boolean {
  return measurement !== undefined && SOURCES[measurement.source].origin === 'takenHere';
}

/** A stored measurement as a dimension, with the shop's half-width for its source. */
export function toDimension(
  { readingsMm, source }: Measurement,
  halfWidthsMm: Readonly<Record<SourceId, number>>,
): Dimension {
  return fromReadings(readingsMm, halfWidthsMm[source], SOURCES[source].origin);
}

/**
 * The shape that the checks work on.
 *
 * @param connectorName the trade name of a connector, for the sentences
 */
export function toFitOpening(
  record: OpeningRecord,
  halfWidthsMm: Readonly<Record<SourceId, number>>,
  connectorName: (connectorId: string) => string,
): FitOpening {
  const dimension = (key: OpeningDimensionKey): Dimension | null => {
    const measurement = record.dimensions[key];
    return measurement ? toDimension(measurement, halfWidthsMm) : null;
  };
  return {
    label: placeLabel(record),
    nominalSize: record.nominalSize,
    hole:
      record.holeKind === 'circle'
        ? { kind: 'circle', diameter: dimension('holeDiameter') }
        : { kind: 'oval', length: dimension('holeLength'), width: dimension('holeWidth') },
    bolts: toBolts(record.bolts, dimension),
    behind: record.behind,
    depthBehind: dimension('depthBehind'),
    frontGap: dimension('frontGap'),
    wiring:
      record.wiring.kind === 'connector'
        ? { ...record.wiring, connectorName: connectorName(record.wiring.connectorId) }
        : record.wiring,
    secondPlug: record.secondPlug,
  };
}

function toBolts(
  bolts: OpeningRecord['bolts'],
  dimension: (key: OpeningDimensionKey) => Dimension | null,
): FitOpening['bolts'] {
  const common = { holeDiameterMm: bolts.screwDiameterMm, slotMm: 0, slotRuns: 'tangential' } as const;
  if (bolts.kind === 'circle') {
    const diameter = dimension('boltCircle');
    const firstAngleRad = degToRad(bolts.firstAngleDeg);
    return diameter && { ...common, shape: { kind: 'circle', count: bolts.count, diameter, firstAngleRad } };
  }
  const width = dimension('boltWidth');
  const height = dimension('boltHeight');
  return width && height && { ...common, shape: { kind: 'rectangle', width, height } };
}
