/** One place for a speaker in one vehicle: the record, and the shape the checks work on. */
import { z } from 'zod';
import type { OpeningDimensionKey } from '../fit/Check';
import { FIXINGS, type FitObstacle, type FitOpening, type Fixing, FRONT_KINDS, OBSTACLE_KINDS } from '../fit/shapes';
import { halfExtentsMm, type Outline, type OutlineMm, outlineMm } from '../geometry/Outline';
import { outlineRadiusMm } from '../geometry/outlineRadius';
import { type Dimension, plusShared, rectangular } from '../uncertainty/Dimension';
import {
  fromReadings,
  type Instrument,
  instrumentName,
  pooledRepeatability,
  type Repeatability,
} from '../uncertainty/fromReadings';
import { degToRad } from '../units/angle';
import { dimensionRangeError, OPENING_DIMENSION_KEYS } from './openingDimensions';
import { mayHoldAirbag, placeLabel, placeSchema, sideSchema } from './place';
import { MOST_READINGS } from './readMeasurement';
import { sheetDefaults } from './sheetDefaults';
import { SOURCES, type SourceId, sourceSchema } from './source';

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
const freeMeasurementSchema = measurementSchema.extend({
  readingsMm: z.array(z.number().min(-MOST_MM).max(MOST_MM)).min(1, 'at least one reading').max(MOST_READINGS),
});

export const BEHIND = ['glass', 'metal', 'nothing'] as const;
export const SECOND_PLUGS = ['none', 'soundAlone', 'soundOn', 'sound', 'warning', 'unexplained', 'notLooked'] as const;
export const AIRBAGS = ['none', 'near', 'notLooked'] as const;

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
  /** Anywhere: holes as they were traced, from the hole's centre, seen from the cabin. */
  z.strictObject({
    kind: z.literal('free'),
    screwDiameterMm: z.number().min(2).max(10),
    source: sourceSchema,
    holes: z
      .array(z.strictObject({ xMm: z.number().min(-250).max(250), yMm: z.number().min(-250).max(250) }))
      .min(2)
      .max(12),
  }),
]);

const placeMm = z.number().min(-300).max(300);
const sizeMm = z.number().positive().max(2000);

/** What a hole of any shape needs beside its dimensions. */
const traceSchema = z.strictObject({
  source: sourceSchema,
  corners: z
    .array(z.strictObject({ xMm: placeMm, yMm: placeMm, bulgeMm: z.number().min(-150).max(150).default(0) }))
    .min(3)
    .max(400),
});

export const obstacleSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'lower-case letters, digits and - would do'),
  label: z.string().min(1).max(60),
  kind: z.enum(OBSTACLE_KINDS),
  /** Its nearest place, from the hole's centre, seen from the cabin. */
  xMm: placeMm,
  yMm: placeMm,
  depth: freeMeasurementSchema,
  /** How far its place on the face may be off. */
  placeHalfWidthMm: z.number().min(0).max(100).default(5),
  /** Direction of its length from the right, anticlockwise. */
  angleDeg: z.number().min(-360).max(360).default(0),
  /** How much deeper it gets along its length. */
  tiltDeg: z.number().min(-80).max(80).default(0),
  shape: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('rod'), diameterMm: sizeMm.max(200) }),
    z.strictObject({ kind: z.literal('box'), lengthMm: sizeMm, widthMm: sizeMm, thicknessMm: sizeMm.max(300) }),
  ]),
  /** Stands on this side of the vehicle only: not carried over to the other. */
  thisSideOnly: z.boolean().default(false),
});
export type ObstacleRecord = z.infer<typeof obstacleSchema>;

export const frontLayerSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'lower-case letters, digits and - would do'),
  label: z.string().min(1).max(60),
  kind: z.enum(FRONT_KINDS),
  gap: freeMeasurementSchema,
  /** Of a frame, the diameter that is free in its middle; null for what is closed. */
  inside: freeMeasurementSchema.omit({ from: true }).nullable().default(null),
});
export type FrontLayerRecord = z.infer<typeof frontLayerSchema>;

const depthReadingSchema = z.strictObject({ xMm: placeMm, yMm: placeMm, measurement: freeMeasurementSchema });

export const MOUNT_MATERIALS = ['sheetSteel', 'aluminium', 'plastic', 'board'] as const;

/** Depths and the front gap are counted from the metal; the other dimensions lie in it. */
export function isReadFromFace(key: OpeningDimensionKey): boolean {
  return key.startsWith('depth') || key === 'frontGap';
}

/** What stands in front of the metal that a reading was taken from; null for the metal itself. */
function faceOf(measurement: Pick<Measurement, 'from'> | undefined): FrontFace | null {
  const from = measurement?.from ?? 'metal';
  return from === 'metal' ? null : from;
}

/** How far a face may stand in front of the metal, mm. */
export const MOST_FACE_MM = 80;
const faceSchema = measurementSchema
  .omit({ from: true })
  .extend({
    readingsMm: z.array(z.number().min(0).max(MOST_FACE_MM)).min(1, 'at least one reading').max(MOST_READINGS),
  })
  .nullable()
  .default(null);

const dimensionsSchema = z
  .partialRecord(z.enum(OPENING_DIMENSION_KEYS), measurementSchema)
  .superRefine((dimensions, context) => {
    for (const key of OPENING_DIMENSION_KEYS) {
      dimensions[key]?.readingsMm.forEach((reading, index) => {
        const message = dimensionRangeError(key, reading);
        if (message) context.addIssue({ code: 'custom', path: [key, 'readingsMm', index], message });
      });
      if (faceOf(dimensions[key]) !== null && !isReadFromFace(key))
        context.addIssue({
          code: 'custom',
          path: [key, 'from'],
          message: 'it is not read from a face: leaving it out would do',
        });
    }
  });

const openingFieldsSchema = z.strictObject({
  place: placeSchema,
  side: sideSchema,
  nominalSize: z.string().max(20),
  holeKind: z.enum(['circle', 'oval', 'roundedRectangle', 'polygon']),
  /** Of a rounded rectangle. */
  cornerRadiusMm: z.number().min(0).max(150).default(10),
  /** Of the long axis of an oval or a rectangle, from the right, anticlockwise, seen from the cabin; the screws' rectangle lies with it. */
  holeDeg: z.number().min(-90).max(90).default(0),
  /** Of a polygon. */
  trace: traceSchema.nullable().default(null),
  wallMm: z.number().positive().max(40).default(1.5),
  material: z.enum(MOUNT_MATERIALS).default('sheetSteel'),
  /** A step around the hole into which the plate must go. */
  recess: z
    .strictObject({
      depthMm: z.number().positive().max(60),
      diameterMm: z.number().positive().max(400),
      source: sourceSchema.default('calliper'),
    })
    .nullable()
    .default(null),
  bolts: boltsSchema,
  fixing: z.enum(FIXINGS),
  behind: z.enum(BEHIND),
  wiring: wiringSchema,
  secondPlug: z.enum(SECOND_PLUGS),
  /** Of the cover that has to come off; asked where a cover may hold one. */
  airbag: z.enum(AIRBAGS).default('notLooked'),
  dimensions: dimensionsSchema,
  /** How far what may be read from stands in front of the metal; null where nothing was read from it. */
  faces: z.strictObject({ keptRing: faceSchema, oldMount: faceSchema }).default({ keptRing: null, oldMount: null }),
  /** Depths to what lies behind at further places. */
  depthReadings: z.array(depthReadingSchema).max(40).default([]),
  obstacles: z.array(obstacleSchema).max(12).default([]),
  /** Whether somebody looked behind it for more than those: with none, that nothing is there. */
  obstaclesLooked: z.boolean().default(false),
  /** What lies in front besides what the front gap was read to. */
  front: z.array(frontLayerSchema).max(6).default([]),
  /** Where the factory plug comes from, from the right, anticlockwise, seen from the cabin. */
  plugDeg: z.number().min(-360).max(360).nullable().default(null),
  note: z.string().max(1000),
});

/** All of it but the dimensions. */
export const openingFactsSchema = openingFieldsSchema.omit({ dimensions: true });

export const openingRecordSchema = openingFieldsSchema.superRefine(
  ({ dimensions, depthReadings, obstacles, faces, front }, context) => {
    const read = [
      ...Object.values(dimensions),
      ...depthReadings.map(({ measurement }) => measurement),
      ...obstacles.map(({ depth }) => depth),
      ...front.map(({ gap }) => gap),
    ];
    front.forEach(({ id }, at) => {
      if (front.findIndex((each) => each.id === id) === at) return;
      context.addIssue({
        code: 'custom',
        path: ['front', at, 'id'],
        message: `"${id}" names another one too: a name of its own would do`,
      });
    });
    for (const face of FRONT_FACES) {
      if (faces[face] !== null || !read.some((each) => faceOf(each) === face)) continue;
      const message = `something was read from the ${FACE_NAMES[face]}: how far that stands in front of the metal would do`;
      context.addIssue({ code: 'custom', path: ['faces', face], message });
    }
  },
);
export const FACE_NAMES: Readonly<Record<FrontFace, string>> = { keptRing: 'ring that stays', oldMount: 'old mount' };
export type OpeningRecord = z.infer<typeof openingRecordSchema>;

const HOLE_DIMENSIONS = {
  circle: ['holeDiameter'],
  oval: ['holeLength', 'holeWidth'],
  roundedRectangle: ['holeLength', 'holeWidth'],
  polygon: [],
} as const;
const BOLT_DIMENSIONS = { circle: ['boltCircle'], rectangle: ['boltWidth', 'boltHeight'], free: [] } as const;
/** What was pressed or glued in has no screw holes: a new one is not forced into a pattern. */
const HOLELESS: ReadonlySet<Fixing> = new Set(['pressFit', 'glue']);

function boltDimensions({ bolts, fixing }: Pick<OpeningRecord, 'bolts' | 'fixing'>): readonly OpeningDimensionKey[] {
  return HOLELESS.has(fixing) ? [] : BOLT_DIMENSIONS[bolts.kind];
}

/** Dimensions that make what stands behind surer, but without which it can be judged. */
export function helpfulDimensions({ behind }: Pick<OpeningRecord, 'behind'>): readonly OpeningDimensionKey[] {
  if (behind === 'nothing') return [];
  const depths = ['depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;
  return behind === 'glass' ? [...depths, 'lowerEdge'] : depths;
}

/** The dimensions that this opening's kind of hole, bolts and surroundings call for, in the order of measuring. */
export function wantedDimensions({
  holeKind,
  bolts,
  fixing,
  behind,
}: Pick<OpeningRecord, 'holeKind' | 'bolts' | 'fixing' | 'behind'>): readonly OpeningDimensionKey[] {
  return [
    ...HOLE_DIMENSIONS[holeKind],
    ...boltDimensions({ bolts, fixing }),
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

type HalfWidths = Readonly<Record<SourceId, number>>;
/** How well each source's readings repeat, as far as an opening's own readings tell. */
type Repeats = Partial<Record<SourceId, Repeatability>>;

function instrumentOf(source: SourceId, halfWidthsMm: HalfWidths): Instrument {
  return { name: instrumentName(source), halfWidthMm: halfWidthsMm[source], origin: SOURCES[source].origin };
}

/** A stored measurement as a dimension, with the shop's half-width for its source. */
export function toDimension(
  { readingsMm, source }: Pick<Measurement, 'readingsMm' | 'source'>,
  halfWidthsMm: HalfWidths,
  repeats: Repeats = {},
): Dimension {
  return fromReadings(readingsMm, instrumentOf(source, halfWidthsMm), repeats[source]);
}

/** The repeatability of each source, pooled over every place of an opening that was read more than once. */
function repeatsOf(
  { dimensions, depthReadings, obstacles, faces, front }: OpeningRecord,
  halfWidthsMm: HalfWidths,
): Repeats {
  const all = [
    ...Object.values(dimensions),
    ...Object.values(faces).filter((face) => face !== null),
    ...depthReadings.map(({ measurement }) => measurement),
    ...obstacles.map(({ depth }) => depth),
    ...front.flatMap(({ gap, inside }) => (inside ? [gap, inside] : [gap])),
  ];
  const sources = [...new Set(all.map(({ source }) => source))];
  return Object.fromEntries(
    sources.map((source) => {
      const places = all.filter((each) => each.source === source).map(({ readingsMm }) => readingsMm);
      return [source, pooledRepeatability({ halfWidthMm: halfWidthsMm[source] }, places)];
    }),
  );
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
  const repeats = repeatsOf(record, halfWidthsMm);
  const fromMetal = (measurement: Measurement, way: typeof INWARDS | typeof OUTWARDS) =>
    countedFromMetal(measurement, record.faces, way, (each) => toDimension(each, halfWidthsMm, repeats));
  const toLength = (measurement: Measurement) => fromMetal(measurement, INWARDS);
  const dimension = (key: OpeningDimensionKey): Dimension | null => {
    const measurement = record.dimensions[key];
    return measurement ? fromMetal(measurement, key === 'frontGap' ? OUTWARDS : INWARDS) : null;
  };
  const hole = toHole(record, dimension, halfWidthsMm);
  return {
    label: placeLabel(record),
    nominalSize: record.nominalSize,
    hole,
    holeRad: holeTurnRad(record),
    wallMm: record.wallMm,
    material: record.material,
    recess: record.recess && {
      depthMm: record.recess.depthMm,
      outline: {
        kind: 'circle',
        diameter: fromReadings([record.recess.diameterMm], instrumentOf(record.recess.source, halfWidthsMm)),
      },
    },
    bolts: HOLELESS.has(record.fixing) ? null : toBolts(record, dimension, halfWidthsMm),
    fixing: record.fixing,
    boltsMissing: boltDimensions(record).filter((key) => !record.dimensions[key]),
    behind: record.behind,
    depths: toDepths(record, dimension, hole, toLength),
    sheet: sheetDefaults(record.behind),
    lowerEdge: record.behind === 'glass' ? dimension('lowerEdge') : null,
    obstacles: record.obstacles.map((obstacle) => toObstacle(obstacle, toLength)),
    obstaclesLooked: record.obstaclesLooked || record.obstacles.some(({ depth }) => isTakenHere(depth)),
    frontGap: dimension('frontGap'),
    front: record.front.map(({ id, label, kind, gap, inside }) => ({
      id,
      label,
      kind,
      gap: fromMetal(gap, OUTWARDS),
      inside: inside && toDimension(inside, halfWidthsMm, repeats),
    })),
    plugRad: record.plugDeg === null ? null : degToRad(record.plugDeg),
    wiring:
      record.wiring.kind === 'connector'
        ? { ...record.wiring, connectorName: connectorName(record.wiring.connectorId) }
        : record.wiring,
    secondPlug: record.secondPlug,
    airbag: airbagAt(record),
  };
}

/** What stands in front of the metal is taken off what is read inwards, and added to what is read towards the cabin. */
export const INWARDS = -1;
export const OUTWARDS = 1;

/**
 * A reading as counted from the metal, whatever it was read from.
 *
 * @param toLength a reading as it was read, as a dimension
 */
export function countedFromMetal(
  measurement: Pick<Measurement, 'readingsMm' | 'source' | 'from'>,
  faces: OpeningRecord['faces'],
  way: typeof INWARDS | typeof OUTWARDS,
  toLength: (measurement: Pick<Measurement, 'readingsMm' | 'source'>) => Dimension,
): Dimension {
  const read = toLength(measurement);
  const face = faceOf(measurement);
  if (!face) return read;
  return plusShared(read, toLength(faces[face] ?? NOT_READ), way, `face.${face}`);
}

/** A measurement as if it had been read from the metal: for where the face that it was read from is not. */
export function rereadFromMetal(
  measurement: Measurement,
  faces: OpeningRecord['faces'],
  way: typeof INWARDS | typeof OUTWARDS,
): Measurement {
  const { from: _, ...rest } = measurement;
  const face = faceOf(measurement);
  const standing = face && faces[face];
  if (!standing) return measurement;
  const offMm = standing.readingsMm.reduce((sum, each) => sum + each, 0) / standing.readingsMm.length;
  const readingsMm = rest.readingsMm.map((each) => Math.round((each + way * offMm) * 100) / 100);
  return { ...rest, readingsMm, entered: readingsMm.map((each) => `${each} mm`).join('; ') };
}

/** Nobody has said how far it stands: all that is known is that it does. */
const NOT_READ = { readingsMm: [0], source: 'guess' } as const satisfies Pick<Measurement, 'readingsMm' | 'source'>;

/** What is known of an airbag at the opening; covers of some places are not asked about. */
export function airbagAt({ place, airbag }: Pick<OpeningRecord, 'place' | 'airbag'>): FitOpening['airbag'] {
  return mayHoldAirbag(place) ? airbag : 'notAsked';
}

type Lookup = (key: OpeningDimensionKey) => Dimension | null;
function toHole(record: OpeningRecord, dimension: Lookup, halfWidthsMm: HalfWidths): Outline<Dimension | null> {
  switch (record.holeKind) {
    case 'circle':
      return { kind: 'circle', diameter: dimension('holeDiameter') };
    case 'oval':
      return { kind: 'oval', length: dimension('holeLength'), width: dimension('holeWidth') };
    case 'roundedRectangle':
      return {
        kind: 'roundedRectangle',
        length: dimension('holeLength'),
        width: dimension('holeWidth'),
        cornerRadiusMm: record.cornerRadiusMm,
      };
    case 'polygon':
      return {
        kind: 'polygon',
        corners: record.trace?.corners ?? [],
        edgeOffset: record.trace && doubtOf(record.trace.source, halfWidthsMm),
      };
  }
}

/** A trace's doubt: as far off as a reading with the same instrument, value 0. */
function doubtOf(source: SourceId, halfWidthsMm: HalfWidths): Dimension {
  return fromReadings([0], instrumentOf(source, halfWidthsMm));
}

/** A depth stick is as thick as this and cannot stand closer to the hole's edge, mm. */
const STICK_ROOM_MM = 5;
/** Half the size of a hole that nobody has measured, to place the readings at its rim, mm. */
const UNKNOWN_RIM_MM = 55;

/** Where the readings at the rim of the hole are taken; the front of the car is on the right of a left-hand opening. */
function rimPlaces(
  hole: Outline<Dimension | null>,
  holeRad: number,
  side: OpeningRecord['side'],
): Readonly<Record<RimKey, { readonly xMm: number; readonly yMm: number }>> {
  const mm = outlineMm(hole);
  const half =
    mm && (mm.kind !== 'polygon' || mm.corners.length > 0)
      ? rimMm(mm, holeRad)
      : { x: UNKNOWN_RIM_MM, y: UNKNOWN_RIM_MM };
  const x = Math.max(0, half.x - STICK_ROOM_MM);
  const y = Math.max(0, half.y - STICK_ROOM_MM);
  const forwards = side === 'right' ? -x : x;
  return {
    depthBehind: { xMm: 0, yMm: 0 },
    depthTop: { xMm: 0, yMm: y },
    depthBottom: { xMm: 0, yMm: -y },
    depthFront: { xMm: forwards, yMm: 0 },
    depthRear: { xMm: -forwards, yMm: 0 },
  };
}

/** From the centre straight to the edge, to the side and upwards; a trace's to its box. */
function rimMm(hole: OutlineMm, holeRad: number): { readonly x: number; readonly y: number } {
  if (hole.kind === 'polygon') return halfExtentsMm(hole);
  return { x: outlineRadiusMm(hole, -holeRad), y: outlineRadiusMm(hole, Math.PI / 2 - holeRad) };
}

/** The places where a depth stick can be held, for a question what to measure next. */
export function rimPlaceList({ side }: Pick<OpeningRecord, 'side'>, { hole, holeRad, behind }: FitOpening) {
  if (behind === 'nothing') return [];
  return Object.entries(rimPlaces(hole, holeRad, side)).map(([key, place]) => ({ key, ...place }));
}

const RIM_KEYS = ['depthBehind', 'depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;
type RimKey = (typeof RIM_KEYS)[number];

function toDepths(
  record: OpeningRecord,
  dimension: Lookup,
  hole: Outline<Dimension | null>,
  toLength: (measurement: Measurement) => Dimension,
): FitOpening['depths'] {
  const places = rimPlaces(hole, holeTurnRad(record), record.side);
  const atRim = RIM_KEYS.flatMap((key) => {
    const depth = dimension(key);
    return depth ? [{ key, ...places[key], depth }] : [];
  });
  const elsewhere = record.depthReadings.map(({ xMm, yMm, measurement }, index) => ({
    key: `depth${index + 1}`,
    xMm,
    yMm,
    depth: toLength(measurement),
  }));
  return [...atRim, ...elsewhere];
}

function toObstacle(record: ObstacleRecord, toLength: (measurement: Measurement) => Dimension): FitObstacle {
  const { id, label, kind, xMm, yMm, shape } = record;
  const place = rectangular(0, record.placeHalfWidthMm, SOURCES[record.depth.source].origin);
  return {
    id,
    label,
    kind,
    xMm,
    yMm,
    shape,
    depth: toLength(record.depth),
    placeX: place,
    placeY: place,
    angleRad: degToRad(record.angleDeg),
    tiltRad: degToRad(record.tiltDeg),
  };
}

/** Round and traced holes lie as they are. */
function holeTurnRad({ holeKind, holeDeg }: Pick<OpeningRecord, 'holeKind' | 'holeDeg'>): number {
  return holeKind === 'oval' || holeKind === 'roundedRectangle' ? degToRad(holeDeg) : 0;
}

function toBolts(record: OpeningRecord, dimension: Lookup, halfWidthsMm: HalfWidths): FitOpening['bolts'] {
  const { bolts } = record;
  const common = { holeDiameterMm: bolts.screwDiameterMm, slotMm: 0, slotRuns: 'tangential' } as const;
  if (bolts.kind === 'circle') {
    const diameter = dimension('boltCircle');
    const firstAngleRad = degToRad(bolts.firstAngleDeg);
    return diameter && { ...common, shape: { kind: 'circle', count: bolts.count, diameter, firstAngleRad } };
  }
  if (bolts.kind === 'free') {
    const holes = bolts.holes.map((hole) => ({ ...hole, kind: 'plain' as const, slotMm: 0, slotRad: 0 }));
    return { ...common, shape: { kind: 'free', holes, position: doubtOf(bolts.source, halfWidthsMm) } };
  }
  const width = dimension('boltWidth');
  const height = dimension('boltHeight');
  return width && height && { ...common, shape: { kind: 'rectangle', width, height, turnRad: holeTurnRad(record) } };
}
