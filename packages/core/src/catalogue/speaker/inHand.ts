/**
 * What was read with a piece in the hand. It stands above what the catalogue says; and how far a maker's catalogue lies off where pieces were
 * measured says how far it may lie off elsewhere.
 *
 * @see JCGM 100:2008, 4.2 (readings), 5.1.2 (sums), G.4.1 (Welch-Satterthwaite)
 */
import { z } from 'zod';
import { DATUM_SHARE } from '../../fit';
import { coverageFactor, type Dimension, meanOf, pooledRepeatability, SHARED_SHARE } from '../../uncertainty';
import { type BodyBoxes, bodyBoxesSchema } from '../bodyBoxes';
import { figuresOf, withFigure } from './figures';

/** Lengths that a calliper reads. */
export const IN_HAND_FIGURES = [
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
  'boltCircle',
] as const;
export type InHandFigure = (typeof IN_HAND_FIGURES)[number];

const readingMm = z.number().min(0).max(400);

/** Readings of one figure: of an oval its longest measure, of a depth from the underside of the flange. */
const inHandSchema = z.strictObject({
  figure: z.enum(IN_HAND_FIGURES),
  /** A list of readings for each piece, mm. */
  pieces: z.array(z.array(readingMm).min(1).max(20)).min(1).max(20),
  /** How far one reading with the instrument may lie off, mm. */
  halfWidthMm: z.number().positive().max(10),
  by: z.string().min(1).max(80),
  on: z.iso.date(),
});
export type InHand = z.infer<typeof inHandSchema>;

export const allInHandSchema = z
  .array(inHandSchema)
  .max(IN_HAND_FIGURES.length)
  .refine((all) => new Set(all.map(({ figure }) => figure)).size === all.length, 'Each figure stands there once.')
  .default([]);

/** Where the terminals and plugs of a piece sit, depths from the underside of the flange; null where nobody measured them. */
export const terminalsInHandSchema = z
  .strictObject({
    boxes: bodyBoxesSchema.min(1),
    /** How far one reading with the instrument may lie off, mm. */
    halfWidthMm: z.number().positive().max(10),
    by: z.string().min(1).max(80),
    on: z.iso.date(),
  })
  .nullable()
  .default(null);
export type TerminalsInHand = NonNullable<z.infer<typeof terminalsInHandSchema>>;

/** How far a face of the terminals of another piece may lie from where it was read, as what is added to it. */
export function terminalsDoubt({ halfWidthMm }: TerminalsInHand, roundingMm: number): Dimension {
  return inHandDimension({ pieces: [[0]], halfWidthMm }, roundingMm);
}

/** How far a maker's catalogue lies off, by his parts that were measured; it counts for those of his that were not. */
export const makersBiasSchema = z
  .array(
    z.strictObject({
      figure: z.enum(IN_HAND_FIGURES),
      /** What is added to what he says, mm. */
      biasMm: z.number().min(-400).max(400),
      /** Standard uncertainty of one further part of his about that, mm. */
      uncertaintyMm: z.number().min(0).max(400),
      /** How many of his parts were measured. */
      parts: z.int().min(2),
    }),
  )
  .max(IN_HAND_FIGURES.length)
  .default([]);
export type MakersBias = z.infer<typeof makersBiasSchema>[number];

type Measured = Parameters<typeof figuresOf>[0] & {
  readonly inHand: readonly InHand[];
  readonly boxes: BodyBoxes;
  readonly terminalsInHand: TerminalsInHand | null;
  readonly depthDatum: 'underside' | 'top' | 'notStated';
  readonly roundingMm: number;
};

/**
 * What a further piece measures: the mean of the pieces, and how far pieces lie apart. With one piece only, another may be off by what the
 * catalogue rounds to.
 *
 * @param roundingMm of the catalogue, a half-width
 */
export function inHandDimension(
  { pieces, halfWidthMm }: Pick<InHand, 'pieces' | 'halfWidthMm'>,
  roundingMm: number,
): Dimension {
  const means = pieces.map(meanOf);
  const valueMm = meanOf(means);
  const hand = pooledRepeatability({ halfWidthMm }, pieces);
  const ofReading = hand.deviationMm / Math.sqrt(Math.min(...pieces.map(({ length }) => length)));
  const common = halfWidthMm * Math.sqrt(SHARED_SHARE / 3);
  if (pieces.length === 1) {
    const [own, further] = [ofReading, roundingMm / Math.sqrt(3)];
    const uncertaintyMm = Math.hypot(own, further, common);
    return {
      valueMm,
      uncertaintyMm,
      degreesOfFreedom: freedomOf(uncertaintyMm, own, hand.degreesOfFreedom),
      origin: 'takenHere',
    };
  }
  const apart = Math.max(deviationOf(means), ofReading) * Math.sqrt(1 + 1 / means.length);
  const uncertaintyMm = Math.hypot(apart, common);
  return {
    valueMm,
    uncertaintyMm,
    degreesOfFreedom: freedomOf(uncertaintyMm, apart, means.length - 1),
    origin: 'takenHere',
  };
}

/** Welch-Satterthwaite where only one contribution has degrees of freedom. */
function freedomOf(whole: number, part: number, freedom: number | null): number | null {
  return freedom === null || part === 0 ? null : freedom * (whole / part) ** 4;
}

/** Of a sample, mm; 0 of one. */
function deviationOf(values: readonly number[]): number {
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((sum, each) => sum + (each - mean) ** 2, 0) / Math.max(1, values.length - 1));
}

/** Shown intervals hold 95 of 100 (JCGM 100:2008, 6.3.3). */
const CONFIDENCE = 0.95;

/** Half-width of the interval that is shown of what scatters so, mm. */
export function shownReachMm({
  uncertaintyMm,
  degreesOfFreedom,
}: Pick<Dimension, 'uncertaintyMm' | 'degreesOfFreedom'>): number {
  return uncertaintyMm * coverageFactor(CONFIDENCE, degreesOfFreedom, 0);
}

/** The speaker with what was measured in place of what its catalogue says. */
export function asKnown<Speaker extends Measured>(speaker: Speaker): Speaker {
  const placed = speaker.terminalsInHand ? { ...speaker, boxes: speaker.terminalsInHand.boxes } : speaker;
  return speaker.inHand.reduce<Speaker>((known, each) => {
    const found = withFigure(known, each.figure, meanOf(each.pieces.map(meanOf)));
    return each.figure === 'depth' ? { ...found, depthDatum: 'underside' } : found;
  }, placed);
}

/** What is taken off a depth that the catalogue gives, as a share of the flange, so that it counts from the underside. */
type DatumShares = Readonly<Record<Measured['depthDatum'], number>>;
/** As it is read: where nobody says what a depth counts from, it is compared as it stands. */
const AS_READ: DatumShares = { underside: 0, notStated: 0, top: 1 };

/**
 * By how much what was measured is more than what the catalogue says, mm; what it does not say differs from nothing.
 *
 * @param shares how the catalogue's depths are counted
 */
export function differencesOf(
  speaker: Measured,
  shares: DatumShares = AS_READ,
): Readonly<Partial<Record<InHandFigure, number>>> {
  const said = figuresOf(speaker);
  const found: Partial<Record<InHandFigure, number>> = {};
  for (const each of speaker.inHand) {
    const listed = said[each.figure];
    if (listed === undefined) continue;
    const above = each.figure === 'depth' ? shares[speaker.depthDatum] * (speaker.flangeThicknessMm ?? 0) : 0;
    found[each.figure] = meanOf(each.pieces.map(meanOf)) - (listed - above);
  }
  return found;
}

/** The same against what the fit counts with: a maker's other depths are counted in this way, and it is added to them. */
export function differencesFromCounted(speaker: Measured): ReturnType<typeof differencesOf> {
  return differencesOf(speaker, DATUM_SHARE);
}

/** From so many of a maker's parts on his others are taken to be off alike: two say nothing of how far they scatter (common practice, no source). */
export const LEAST_MEASURED = 3;

/**
 * Pools the differences of one maker's parts. What a further part of his is off by is their mean, with s · √(1 + 1/n).
 *
 * @param differences of his parts from what is counted with, figure by figure, mm
 */
export function poolDifferences(differences: readonly ReturnType<typeof differencesOf>[]): MakersBias[] {
  return IN_HAND_FIGURES.flatMap((figure): MakersBias[] => {
    const of = differences.flatMap((each) => each[figure] ?? []);
    if (of.length < LEAST_MEASURED) return [];
    const uncertaintyMm = deviationOf(of) * Math.sqrt(1 + 1 / of.length);
    return [{ figure, biasMm: rounded(meanOf(of)), uncertaintyMm: rounded(uncertaintyMm), parts: of.length }];
  });
}

/** To a thousandth: less is nobody's measure, and every figure of a maker's parts would change with each reading. */
function rounded(mm: number): number {
  return Number(mm.toFixed(3)) + 0;
}

/** A figure that nobody measured, with what its maker's other parts say of his figures. */
export function withBias({ biasMm, uncertaintyMm, parts }: MakersBias, listed: Dimension): Dimension {
  const whole = Math.hypot(listed.uncertaintyMm, uncertaintyMm);
  return {
    valueMm: listed.valueMm + biasMm,
    uncertaintyMm: whole,
    degreesOfFreedom: freedomOf(whole, uncertaintyMm, parts - 1),
    origin: listed.origin,
  };
}

/** The word of a figure as it is read in the hand, and from where. */
export const IN_HAND_WORDS: Readonly<Record<InHandFigure, string>> = {
  cutout: 'Across what enters the hole',
  flange: 'Across the flange',
  flangeThickness: 'Thickness of the flange',
  depth: 'Depth from the underside of the flange',
  frontHeight: 'Front height above the flange',
  magnet: 'Across the magnet',
  boltCircle: 'Circle of the screw holes, middle to middle',
};
