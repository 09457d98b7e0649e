/** What every part of the catalogue has, whatever its kind: what it is called and who offers it. */
import { z } from 'zod';
import { type Dimension, rectangular } from '../uncertainty';
import { claimsSchema } from './claims';
import { listedSchema } from './listed';
import { offersSchema, pieceCostMinor } from './offer';
import { piecesSchema } from './pieces';

export const MOST_ALIASES = 20;

export const orderable = {
  id: z.string().min(1).max(80),
  maker: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  /** The maker's own number for it; empty where nobody wrote it down. */
  number: z.string().trim().max(60, 'Type at most 60 characters.').default(''),
  /** Other names and numbers that mean this part. */
  aliases: z
    .array(z.string().trim().min(1).max(120, 'Type at most 120 characters a name.'))
    .max(MOST_ALIASES, `At most ${MOST_ALIASES} other names.`)
    .default([]),
  /** Whether somebody wrote down that its maker makes it no more. */
  isDiscontinued: z.boolean().default(false),
  /** Id of the part that took its place; null where none is known. */
  replacedBy: z.string().min(1).max(80).nullable().default(null),
  offers: offersSchema,
  /** What others say of where it fits. */
  claims: claimsSchema,
  /** What is in its box, besides itself and the screws that it says of itself; null where nobody wrote it down. */
  inBox: piecesSchema.nullable().default(null),
  listed: listedSchema,
  /** Half of what the catalogue rounds its lengths to, as the half-width of each. */
  roundingMm: z.number().min(0).max(10).default(0.5),
};
const orderableSchema = z.object(orderable);
export type Orderable = z.infer<typeof orderableSchema>;

/** What a part is called where its maker is not shown beside it. */
export function partName({ maker, name }: Pick<Orderable, 'maker' | 'name'>): string {
  return `${maker} ${name}`;
}

/** What the fit shows of a part and counts its price by. */
export function pieceOf(record: Orderable) {
  return { id: record.id, name: partName(record), pieceCostMinor: pieceCostMinor(record.offers) };
}

/** Reads the lengths of a record as its catalogue rounds them. */
export function catalogueLength({ roundingMm }: Orderable): ReadLength {
  return (valueMm) => rectangular(valueMm, roundingMm, 'catalogue');
}
export type ReadLength = (valueMm: number) => Dimension;
