/**
 * A parts pack as a file: parts of all kinds, and the connectors they name.
 *
 * In version 1 a part had one supplier, with pack and price, within itself; it is read as its offer.
 */
import { z } from 'zod';
import { connectorSchema, partSchema } from '../catalogue';
import { asToday } from './asToday';

export const MOST_PARTS = 200_000;

export const partsFileSchema = z.strictObject({
  format: z.literal('parts'),
  version: z.literal([1, 2]),
  /** Every id once. */
  parts: z
    .array(z.preprocess(asToday('part'), partSchema))
    .max(MOST_PARTS)
    .superRefine((parts, context) => {
      const known = new Set<string>();
      parts.forEach(({ id }, index) => {
        if (known.has(id))
          context.addIssue({ code: 'custom', path: [index, 'id'], message: 'use an id that no other part has' });
        known.add(id);
      });
    }),
  connectors: z.array(connectorSchema).default([]),
});
export type PartsFile = z.infer<typeof partsFileSchema>;
