/**
 * A body template as a file: the openings that are usual for a body, for a vehicle that no record knows. Its lengths are class
 * defaults: as wide as that source is, and none of them is of any one vehicle. What else it says of an opening is assumed until
 * somebody looks.
 */
import { z } from 'zod';
import { ASSUMABLE, FIXINGS } from '../fit';
import {
  ATTACHED,
  BASES,
  BEHIND,
  BODIES,
  CABS,
  COMES_OFF,
  COVERS,
  FASTENERS,
  firstScrewDeg,
  HEADS,
  MOST_OPENINGS,
  MOST_PANELS,
  newPanel,
  OPENING_DIMENSION_KEYS,
  type OpeningRecord,
  openingRecordSchema,
  PANEL_KINDS,
  PANEL_SPOTS,
  type Panel,
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

/** What is usual of a panel; where it is left out, nobody can say. */
const usualPanelSchema = z.strictObject({
  kind: z.enum(PANEL_KINDS),
  /** One panel at each. */
  spots: z.array(z.enum(PANEL_SPOTS)).min(1).max(PANEL_SPOTS.length),
  name: z.string().max(40).default(''),
  comesOff: z.enum(COMES_OFF).optional(),
  fasteners: z
    .array(
      z.strictObject({
        kind: z.enum(FASTENERS),
        where: z.string().min(1).max(80),
        cover: z.enum(COVERS).optional(),
        head: z.enum(HEADS).optional(),
        driver: z.string().max(20).default(''),
        base: z.enum(BASES).optional(),
      }),
    )
    .max(20)
    .optional(),
  attached: z
    .array(
      z.strictObject({
        kind: z.enum(ATTACHED),
        what: z.string().min(1).max(80),
        note: z.string().max(200).default(''),
      }),
    )
    .max(20)
    .optional(),
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
    panels: z.array(usualPanelSchema).max(MOST_PANELS).default([]),
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

/** What the template gives a vehicle: its panels, as is usual for the body. Nobody counted anything of them. */
export function panelsOfTemplate({ panels }: BodyTemplate): readonly Panel[] {
  return panels.flatMap(({ spots, kind, name, comesOff, fasteners, attached, note }) =>
    spots.map(
      (spot): Panel => ({
        ...newPanel({ kind, spot, name }),
        grade: 'classDefault',
        comesOff: comesOff ?? null,
        fasteners:
          fasteners?.map(({ cover, head, base, ...each }, at) => ({
            ...each,
            key: `usual-fastener-${at + 1}`,
            cover: cover ?? null,
            head: head ?? null,
            base: base ?? null,
            lengthMm: null,
            count: null,
            marked: [],
          })) ?? null,
        attached: attached?.map((each, at) => ({ ...each, key: `usual-attached-${at + 1}`, marked: [] })) ?? null,
        note,
      }),
    ),
  );
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
