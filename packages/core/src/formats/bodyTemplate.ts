/**
 * A body template as a file: the openings that are usual for a body, for a vehicle that no record knows. Its lengths are class
 * defaults: as wide as that source is, and none of them is of any one vehicle. What else it says of an opening is assumed until
 * somebody looks.
 */
import { z } from 'zod';
import { ASSUMABLE, FIXINGS } from '../fit';
import {
  BEHIND,
  BODIES,
  CABS,
  firstScrewDeg,
  MOST_OPENINGS,
  OPENING_DIMENSION_KEYS,
  type OpeningRecord,
  openingRecordSchema,
  placeSchema,
  SIDES,
} from '../model';

const usualOpeningSchema = z.strictObject({
  place: placeSchema,
  /** One opening at each. */
  sides: z.array(z.enum(SIDES)).min(1).max(SIDES.length),
  name: z.string().max(40).default(''),
  nominalSize: z.string().max(20),
  hole: z.enum(['circle', 'oval', 'roundedRectangle']),
  /** So many on a circle, or four at the corners of a rectangle. */
  screws: z.union([z.int().min(2).max(8), z.literal('rectangle')]),
  fixing: z.enum(FIXINGS),
  behind: z.enum(BEHIND),
  lengthsMm: z.partialRecord(z.enum(OPENING_DIMENSION_KEYS), z.number()),
  note: z.string().max(300).default(''),
});

export const bodyTemplateSchema = z
  .strictObject({
    format: z.literal('body-template'),
    version: z.literal(1),
    name: z.string().min(1).max(80),
    body: z.enum(BODIES),
    cab: z.enum(CABS).nullable().default(null),
    doors: z.int().min(1).max(7),
    openings: z.array(usualOpeningSchema).min(1).max(MOST_OPENINGS),
  })
  .superRefine(({ openings }, context) => {
    openings.forEach((each, at) => {
      const [side = 'centre'] = each.sides;
      const { error } = openingRecordSchema.safeParse(toOpening(each, side));
      for (const { path, message } of error?.issues ?? []) {
        const [key, ...rest] = path;
        const where = key === 'dimensions' ? ['lengthsMm', ...rest.slice(0, 1)] : [String(key)];
        context.addIssue({ code: 'custom', path: ['openings', at, ...where], message });
      }
    });
  });
export type BodyTemplate = z.infer<typeof bodyTemplateSchema>;
type UsualOpening = BodyTemplate['openings'][number];

/** What the template gives a vehicle: its openings, none of them looked at. */
export function openingsOfTemplate({ openings }: BodyTemplate): readonly OpeningRecord[] {
  return openings.flatMap((each) => each.sides.map((side) => openingRecordSchema.parse(toOpening(each, side))));
}

/** Of screws that stand in the way as most do. */
const SCREW_MM = 4.2;

function toOpening(
  { place, name, nominalSize, hole, screws, fixing, behind, lengthsMm, note }: UsualOpening,
  side: (typeof SIDES)[number],
): z.input<typeof openingRecordSchema> {
  return {
    place,
    side,
    name,
    presence: 'notLooked',
    assumed: [...ASSUMABLE],
    nominalSize,
    holeKind: hole,
    bolts:
      screws === 'rectangle'
        ? { kind: 'rectangle', screwDiameterMm: SCREW_MM }
        : { kind: 'circle', count: screws, firstAngleDeg: firstScrewDeg(screws), screwDiameterMm: SCREW_MM },
    fixing,
    behind,
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    dimensions: Object.fromEntries(
      Object.entries(lengthsMm).map(([key, mm]) => [
        key,
        { readingsMm: [mm], source: 'classDefault', entered: String(mm), takenBy: null, takenAt: null },
      ]),
    ),
    note,
  };
}
