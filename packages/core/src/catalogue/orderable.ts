/** What every part of the catalogue has, whatever its kind: what it is called and what it costs to order. */
import { z } from 'zod';
import { type Dimension, rectangular } from '../uncertainty';

export const orderable = {
  id: z.string().min(1).max(80),
  maker: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  supplier: z.string().min(1).max(80),
  packSize: z.int().min(1).max(1000),
  packPriceMinor: z.int().min(0),
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
  return { id: record.id, name: partName(record), pieceCostMinor: Math.round(record.packPriceMinor / record.packSize) };
}

/** Reads the lengths of a record as its catalogue rounds them. */
export function catalogueLength({ roundingMm }: Orderable): ReadLength {
  return (valueMm) => rectangular(valueMm, roundingMm, 'catalogue');
}
export type ReadLength = (valueMm: number) => Dimension;
