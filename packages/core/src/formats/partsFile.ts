/** A parts pack as a file: speakers, brackets, spacers, harness adapters, and the connectors they name. */
import { z } from 'zod';
import { connectorSchema, partSchema } from '../catalogue';

export const MOST_PARTS = 200_000;

export const partsFileSchema = z.strictObject({
  format: z.literal('parts'),
  version: z.literal(1),
  /** Every id once. */
  parts: z
    .array(partSchema)
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
