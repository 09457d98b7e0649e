/**
 * What of a car is quieted: which surface behind which panel, how much of it a hand reaches, with what, and what has to stay open. Materials are
 * the catalogue's; how it is laid is common practice, no source.
 */
import { z } from 'zod';
import { DEADENING_MATERIALS } from '../catalogue';
import { askedTextSchema } from './intake';
import { markedSchema, PANEL_KINDS, PANEL_SPOTS, panelLabel } from './panel';
import { MOST_SPOTS, quietedSpotSchema, spotsWords } from './quietedSpots';
import { refuseSameName } from './sameName';

export const QUIETED_AREAS = {
  behindSpeaker: 'Behind the speaker',
  outerSkin: 'The outer skin, flat areas',
  innerSkin: 'The inner skin',
  card: 'The back of the panel itself',
} as const;
export type QuietedArea = keyof typeof QUIETED_AREAS;

const sideMm = z
  .number('Type a length in mm.')
  .min(20, 'Type at least 20 mm.')
  .max(2000, 'Type at most 2,000 mm.')
  .nullable();

const quietedOneSchema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'Type what it is called, such as “left door, outer skin”.')
    .max(40, 'Type at most 40 characters.'),
  /** The panel that it lies behind. */
  kind: z.enum(PANEL_KINDS),
  spot: z.enum(PANEL_SPOTS),
  area: z.enum(Object.keys(QUIETED_AREAS) as [QuietedArea, ...QuietedArea[]]),
  /** As far as a hand reaches; null where nobody measured it. */
  lengthMm: sideMm,
  widthMm: sideMm,
  material: z.enum(DEADENING_MATERIALS),
  thicknessMm: z
    .number('Type a thickness in mm.')
    .positive('Type a thickness above 0 mm.')
    .max(20, 'Type at most 20 mm: 50 mil are 1.3 mm.')
    .nullable(),
  /** Drains, holes of clips, wires, what moves; null where nobody looked. */
  staysOpen: askedTextSchema,
  /** What keeps a hand away: a skin that stays riveted, a beam; null where nobody looked. */
  blocked: askedTextSchema,
  /** Each of both by its place from the surface's lower left corner, as far as somebody measured them. */
  spots: z.array(quietedSpotSchema).max(MOST_SPOTS, `Keep to ${MOST_SPOTS} of them.`).default([]),
  /** Of a sheet as it is sold; null where nobody said. */
  sheetLengthMm: sideMm.default(null),
  sheetWidthMm: sideMm.default(null),
  /** Its corners on the panel's drawing; empty where nobody marked it. */
  marked: markedSchema,
});
export type Quieted = z.infer<typeof quietedOneSchema>;

const MOST = 16;
export const quietedSchema = z
  .array(quietedOneSchema)
  .max(MOST, `Keep to ${MOST} surfaces.`)
  .superRefine(refuseSameName('Another surface is called so: call it otherwise.'));

/** Square metres; null where nobody measured it. */
export function quietedM2({ lengthMm, widthMm }: Pick<Quieted, 'lengthMm' | 'widthMm'>): number | null {
  return lengthMm === null || widthMm === null ? null : (lengthMm * widthMm) / 1e6;
}

export function materialWords({ material, thicknessMm }: Pick<Quieted, 'material' | 'thicknessMm'>): string {
  return thicknessMm === null ? `${material}, how thick is not said` : `${material} of ${thicknessMm} mm`;
}

/** "butyl of 2 mm, 400 × 300 mm, stays open: two drains". */
export function quietedWords(quieted: Quieted | undefined): string {
  if (quieted === undefined) return 'none';
  const { lengthMm, widthMm, staysOpen, blocked } = quieted;
  return [
    QUIETED_AREAS[quieted.area].toLowerCase(),
    `behind ${panelLabel({ ...quieted, name: '' }).toLowerCase()}`,
    materialWords(quieted),
    lengthMm === null || widthMm === null ? 'not measured' : `${lengthMm} × ${widthMm} mm`,
    staysOpen === null
      ? 'nobody looked what stays open'
      : staysOpen === ''
        ? 'nothing there has to stay open'
        : `stays open: ${staysOpen}`,
    ...spotWords(quieted),
    ...(blocked === null ? ['nobody looked what keeps a hand away'] : blocked ? [`not reached: ${blocked}`] : []),
  ].join(', ');
}

/** "by their places: 2 × drain, beam or bar"; "from sheets of 500 × 370 mm". */
function spotWords({ spots, sheetLengthMm, sheetWidthMm }: Quieted): readonly string[] {
  return [
    ...(spots.length === 0 ? [] : [`by their places: ${spotsWords(spots)}`]),
    ...(sheetLengthMm === null || sheetWidthMm === null
      ? []
      : [`from sheets of ${sheetLengthMm} × ${sheetWidthMm} mm`]),
  ];
}
