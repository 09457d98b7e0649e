/**
 * What a shop builds to carry a speaker where its panel carries none, or carries it wrongly: a **pod** on a closed panel, a **wedge** (an angled ring) on
 * an opening, a **cup** for a tweeter. All three are one shape: a base on the panel, a face with the speaker's hole, and a wall from one to the
 * other. Lengths are mm on the panel, seen from the cabin: x to the right, y up.
 */
import { z } from 'zod';

export const HOUSING_LABELS = { pod: 'Pod', wedge: 'Wedge', cup: 'Tweeter cup' } as const;
export type HousingKind = keyof typeof HOUSING_LABELS;
export const HOUSING_KINDS = Object.keys(HOUSING_LABELS) as [HousingKind, ...HousingKind[]];

type Free = {
  readonly label: string;
  /** Room that is kept to it, mm (from memory, no source). */
  readonly askedMm: number;
  /** What says how much it really is, where that is not the shop's to say. */
  readonly defers: string;
  /** It may be given up, by whoever owns the car. */
  readonly canBeGivenUp: boolean;
};

/** What must stay free beside and in front of it (handbook, section 13). */
export const STAYS_FREE = {
  belt: {
    ...{ label: 'Belt, its reel and buckle', askedMm: 10, canBeGivenUp: false },
    defers: 'The belt is run out and let back before anything is glued.',
  },
  airbagCover: {
    ...{ label: 'Airbag and its cover', askedMm: 20, canBeGivenUp: false },
    defers: 'How much room a bag takes only the vehicle maker’s manual says.',
  },
  crank: { label: 'Window crank, with a hand on it', askedMm: 15, canBeGivenUp: false, defers: '' },
  handle: { label: 'Handle, lock and switches', askedMm: 10, canBeGivenUp: false, defers: '' },
  pocket: { label: 'Pocket', askedMm: 0, canBeGivenUp: true, defers: '' },
  knee: { label: 'Knee or leg, with the seat where it is used', askedMm: 0, canBeGivenUp: false, defers: '' },
  seat: { label: 'Seat beside or in front, at its end', askedMm: 10, canBeGivenUp: false, defers: '' },
} as const satisfies Readonly<Record<string, Free>>;
export type FreeKind = keyof typeof STAYS_FREE;
export const FREE_KINDS = Object.keys(STAYS_FREE) as [FreeKind, ...FreeKind[]];

const atMm = z.number('Type a length in mm.').min(-600, 'Type at least −600 mm.').max(600, 'Type at most 600 mm.');
const sizeMm = (least: number, most: number) =>
  z
    .number('Type a length in mm.')
    .min(least, `Type at least ${least} mm.`)
    .max(most, `Type at most ${most.toLocaleString('en')} mm.`);

const freeSchema = z.discriminatedUnion('kind', [
  /** Somebody looked: this panel has none. */
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({
    kind: z.literal('there'),
    /** Its middle. */
    xMm: atMm,
    yMm: atMm,
    widthMm: sizeMm(1, 1200),
    heightMm: sizeMm(1, 1200),
    /** As far in front of the panel as it begins: 0 for what lies on it or in it. */
    fromMm: sizeMm(0, 1000),
  }),
  z.strictObject({
    kind: z.literal('givenUp'),
    by: z.string().trim().min(2, 'Type who gave it up.').max(60, 'Type at most 60 characters.'),
  }),
]);
export type StaysFree = z.infer<typeof freeSchema>;
export type FreeThere = Extract<StaysFree, { kind: 'there' }>;

const cornerSchema = z.strictObject({ xMm: atMm, yMm: atMm, bulgeMm: z.number().min(-300).max(300).default(0) });

export const housingSchema = z
  .strictObject({
    as: z.enum(HOUSING_KINDS),
    base: z.discriminatedUnion('kind', [
      /** As far as the panel's flat goes, traced or read from a file. */
      z.strictObject({
        kind: z.literal('contour'),
        corners: z.array(cornerSchema).min(3, 'Trace at least 3 corners.').max(400, 'Keep to 400 corners.'),
        /** So far the base stays inside of it. */
        insetMm: sizeMm(0, 100),
      }),
      z.strictObject({ kind: z.literal('round'), diameterMm: sizeMm(15, 500) }),
    ]),
    /** How far what is traced or typed may be off. */
    offMm: sizeMm(0, 20),
    /** Of the middle of its face, over the panel. */
    xMm: atMm,
    yMm: atMm,
    heightMm: sizeMm(1, 400),
    /** How far it turns the speaker from straight out, and towards where: anticlockwise from the right. */
    angleDeg: z.number('Type an angle in degrees.').min(0, 'Type 0° or more.').max(60, 'Type at most 60°.'),
    aimDeg: z.number('Type an angle in degrees.').min(-360, 'Type at least −360°.').max(360, 'Type at most 360°.'),
    faceMm: sizeMm(15, 500),
    holeMm: sizeMm(10, 480),
    /** Thickness of its face and its base. */
    boardMm: sizeMm(1, 40),
    /** Of the wall between, at its face; at its base it is as wide as the rim that holds its screws or its glue. */
    wallMm: sizeMm(0.8, 40),
    rimMm: sizeMm(2, 60),
    /** Closed at the panel, or open to what is behind it. */
    back: z.enum(['closed', 'open']),
    /** From its face to the grille that covers it; null for none. */
    grilleMm: sizeMm(0, 100).nullable(),
    /** Of what may stand in the way; what is not in it nobody looked for. */
    free: z.partialRecord(z.enum(FREE_KINDS), freeSchema),
  })
  .superRefine(({ free, faceMm, holeMm }, context) => {
    for (const kind of FREE_KINDS)
      if (free[kind]?.kind === 'givenUp' && !STAYS_FREE[kind].canBeGivenUp)
        context.addIssue({
          code: 'custom',
          path: ['free', kind],
          message: `${STAYS_FREE[kind].label}: nobody can give that up. Say where it is, or that there is none.`,
        });
    if (holeMm >= faceMm)
      context.addIssue({
        code: 'custom',
        path: ['holeMm'],
        message: `A hole of ${holeMm} mm goes into no face of ${faceMm} mm: type less.`,
      });
  });
export type Housing = z.infer<typeof housingSchema>;

/** "pod, 200 mm face, 95 mm high, turned by 20° towards 90°, hole 142 mm, closed behind"; "none". */
export function housingWords(housing: Housing | null): string {
  if (housing === null) return 'none';
  const { as, base, faceMm, heightMm, angleDeg, aimDeg, holeMm, back, grilleMm, free } = housing;
  const looked = FREE_KINDS.filter((kind) => free[kind]).length;
  return [
    HOUSING_LABELS[as].toLowerCase(),
    base.kind === 'round'
      ? `base ${base.diameterMm} mm`
      : `base ${base.insetMm} mm inside ${base.corners.length} corners`,
    `face ${faceMm} mm`,
    `${heightMm} mm high`,
    ...(angleDeg === 0 ? [] : [`turned by ${angleDeg}° towards ${aimDeg}°`]),
    `hole ${holeMm} mm`,
    back === 'open' ? 'open behind' : 'closed behind',
    ...(grilleMm === null ? [] : [`grille at ${grilleMm} mm`]),
    looked === FREE_KINDS.length
      ? 'looked for all that stays free'
      : `looked for ${looked} of ${FREE_KINDS.length} that stay free`,
  ].join(', ');
}
