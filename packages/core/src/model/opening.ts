/** One place for a speaker in one vehicle: the record of what was found there. */
import { z } from 'zod';
import { ASSUMABLE, FIXINGS, FRONT_KINDS, OBSTACLE_KINDS } from '../fit';
import { housingSchema } from '../housing';
import { JOINT_WAYS } from '../wiring';
import { buildSchema } from './build';
import { earlierSchema } from './earlierWork';
import { FACE_NAMES, faceOf, isReadFromFace, MOST_FACE_MM } from './faces';
import { lineFilterSchema } from './lineFilter';
import { FRONT_FACES, freeMeasurementSchema, measurementSchema } from './measurement';
import { oldSpeakerSchema } from './oldSpeaker';
import { dimensionRangeError, OPENING_DIMENSION_KEYS } from './openingDimensions';
import { placeSchema, sideSchema } from './place';
import { plugFacesSchema } from './plugFace';
import { POLARITY_NOT_KNOWN, polaritySchema } from './polarity';
import { MOST_READINGS } from './readMeasurement';
import { sourceSchema } from './source';
import { tweeterSeatSchema } from './tweeterSeat';

export const BEHIND = ['glass', 'metal', 'nothing'] as const;
export const SECOND_PLUGS = ['none', 'soundAlone', 'soundOn', 'sound', 'warning', 'unexplained', 'notLooked'] as const;
export const AIRBAGS = ['none', 'near', 'notLooked'] as const;

/**
 * What is at the place: a speaker; none, though there is an opening for one; a closed panel on which a pod could stand; nothing at all.
 * Whether wires lie there is `wiring`'s to say.
 */
export const PRESENCES = ['fitted', 'empty', 'blank', 'notThere', 'notLooked'] as const;
export type Presence = (typeof PRESENCES)[number];

export const wiringSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('connector'), connectorId: z.string().min(1).max(80) }),
  z.strictObject({ kind: z.literal('noWires') }),
  /** Wires without a plug. */
  z.strictObject({ kind: z.literal('bare') }),
  /** A plug that is cracked, or has lost its latch or a terminal. */
  z.strictObject({ kind: z.literal('broken') }),
  /** Wires that the maker taped back behind the place; whatever is on their end nobody unwrapped. */
  z.strictObject({ kind: z.literal('tapedBack') }),
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
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'use lower-case letters, digits and -'),
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
  /** How far what is soft may be pressed in. */
  givesMm: z.number().min(0).max(60).default(0),
  /** Stands on this side of the vehicle only: not carried over to the other. */
  thisSideOnly: z.boolean().default(false),
});
export type ObstacleRecord = z.infer<typeof obstacleSchema>;

/** What stands proud of the metal around the hole: a bead, a stud, an old nut. */
export const proudSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'use lower-case letters, digits and -'),
  label: z.string().min(1).max(60),
  /** Its middle, from the hole's centre, seen from the cabin. */
  xMm: placeMm,
  yMm: placeMm,
  placeHalfWidthMm: z.number().min(0).max(100).default(2),
  diameterMm: sizeMm.max(100),
  height: freeMeasurementSchema.omit({ from: true }),
});
export type ProudRecord = z.infer<typeof proudSchema>;

export const frontLayerSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'use lower-case letters, digits and -'),
  label: z.string().min(1).max(60),
  kind: z.enum(FRONT_KINDS),
  gap: freeMeasurementSchema,
  /** Of a frame, the diameter that is free in its middle; null for what is closed. */
  inside: freeMeasurementSchema.omit({ from: true }).nullable().default(null),
});
export type FrontLayerRecord = z.infer<typeof frontLayerSchema>;

const depthReadingSchema = z.strictObject({ xMm: placeMm, yMm: placeMm, measurement: freeMeasurementSchema });

export const MOUNT_MATERIALS = ['sheetSteel', 'aluminium', 'plastic', 'board'] as const;

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
          message: 'it is not read from a face: leave it out',
        });
    }
  });

const openingFieldsSchema = z.strictObject({
  place: placeSchema,
  side: sideSchema,
  /** What tells it from another one at the same place, such as "woofer"; of another place than the usual ones, what it is called. */
  name: z.string().trim().max(40, 'Type at most 40 characters.').default(''),
  presence: z.enum(PRESENCES).default('notLooked'),
  /** What is as is usual for such a body, and nobody has looked at. */
  assumed: z.array(z.enum(ASSUMABLE)).max(ASSUMABLE.length).default([]),
  nominalSize: z.string().max(20),
  /** The speaker that is there now; null where nobody tested it. */
  oldSpeaker: oldSpeakerSchema.nullable().default(null),
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
  /** A seat or a housing behind the hole, round about its centre: how deep it reaches from the metal, and how wide it is. */
  bore: z
    .strictObject({ depth: freeMeasurementSchema, inside: freeMeasurementSchema.omit({ from: true }) })
    .nullable()
    .default(null),
  bolts: boltsSchema,
  fixing: z.enum(FIXINGS),
  behind: z.enum(BEHIND),
  wiring: wiringSchema,
  secondPlug: z.enum(SECOND_PLUGS),
  /** Of its plug, a second and a third one, as far as somebody looked into them. */
  plugFaces: plugFacesSchema.default([]),
  /** At its plug. */
  polarity: polaritySchema.default(POLARITY_NOT_KNOWN),
  /** In the line before its speaker; null for nothing. */
  lineFilter: lineFilterSchema.nullable().default(null),
  /** How its wires are joined where nothing plugs in; null as the shop joins wires. */
  jointWay: z.enum(JOINT_WAYS).nullable().default(null),
  /** Of a new tweeter that goes in here; null until somebody decided. */
  tweeterSeat: tweeterSeatSchema.nullable().default(null),
  /** What the shop builds here to carry the speaker; null for the vehicle's own opening. */
  housing: housingSchema.nullable().default(null),
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
  proud: z.array(proudSchema).max(12).default([]),
  /** Whether somebody looked around it for more than those. */
  proudLooked: z.boolean().default(false),
  /** What lies in front besides what the front gap was read to. */
  front: z.array(frontLayerSchema).max(6).default([]),
  /** Where the factory plug comes from, from the right, anticlockwise, seen from the cabin. */
  plugDeg: z.number().min(-360).max(360).nullable().default(null),
  /** What was done to it before this job. */
  earlier: earlierSchema,
  /** How far the work is. */
  build: buildSchema,
  note: z.string().max(1000),
});

/** Where an opening is, what is there, and for which size it was made. */
export const notedOpeningSchema = openingFieldsSchema
  .pick({ place: true, side: true, name: true, presence: true, nominalSize: true })
  .refine(({ place, name }) => place !== 'other' || name !== '', {
    path: ['name'],
    message: 'Type what this place is called.',
  });

/** All of it but the dimensions. */
export const openingFactsSchema = openingFieldsSchema.omit({ dimensions: true });

export const openingRecordSchema = openingFieldsSchema.superRefine(
  (
    { place, name, dimensions, depthReadings, obstacles, proud, bore, faces, front, plugFaces, secondPlug },
    context,
  ) => {
    if (place === 'other' && name === '')
      context.addIssue({ code: 'custom', path: ['name'], message: 'Type what this place is called.' });
    const read = [
      ...Object.values(dimensions),
      ...depthReadings.map(({ measurement }) => measurement),
      ...obstacles.map(({ depth }) => depth),
      ...front.map(({ gap }) => gap),
      ...(bore ? [bore.depth] : []),
    ];
    // Two obstacles of one name may be kept from before: `contradictions` asks about those.
    for (const [key, list] of Object.entries({ proud, front })) {
      list.forEach(({ id }, at) => {
        if (list.findIndex((each) => each.id === id) === at) return;
        context.addIssue({
          code: 'custom',
          path: [key, at, 'id'],
          message: `"${id}" names another one too: give it a name of its own`,
        });
      });
    }
    if (plugFaces.length > 1 && secondPlug === 'none') {
      const message = 'a second plug is drawn, and it is said that there is none: put one of them right';
      context.addIssue({ code: 'custom', path: ['plugFaces', 1], message });
    }
    for (const face of FRONT_FACES) {
      if (faces[face] !== null || !read.some((each) => faceOf(each) === face)) continue;
      const message = `something was read from the ${FACE_NAMES[face]}: say how far that stands in front of the metal`;
      context.addIssue({ code: 'custom', path: ['faces', face], message });
    }
  },
);
export type OpeningRecord = z.infer<typeof openingRecordSchema>;
