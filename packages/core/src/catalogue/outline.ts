/** Round and oval outlines of parts, as records and as the shapes that the checks work on. */
import { z } from 'zod';
import type { PartOutline } from '../geometry';
import type { ReadLength } from './orderable';

export const lengthMm = z.number().positive().max(400);

export const outlineSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('circle'), diameterMm: lengthMm }),
  z.strictObject({ kind: z.literal('oval'), lengthMm, widthMm: lengthMm }),
]);

export function toOutline(outline: z.infer<typeof outlineSchema>, length: ReadLength): PartOutline {
  return outline.kind === 'circle'
    ? { kind: 'circle', diameter: length(outline.diameterMm) }
    : { kind: 'oval', length: length(outline.lengthMm), width: length(outline.widthMm) };
}
