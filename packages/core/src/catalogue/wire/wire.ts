/** Wire by the metre: conductors of one size. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { printed } from '../words/figures';

export const wireSchema = z.strictObject({
  kind: z.literal('wire'),
  ...orderable,
  conductors: z.int().min(1).max(12),
  /** Of one conductor. */
  areaMm2: z.number().min(0.1).max(120),
  /** In a pack. */
  lengthM: z.number().positive().max(1000),
});

export const wireEntry = goodsEntry(
  'Wire',
  wireSchema,
  ({ conductors, areaMm2 }) => ({ conductors, areaMm2 }),
  ({ conductors, areaMm2, lengthM }) => `${conductors} × ${printed(areaMm2)} mm², ${printed(lengthM)} m in a pack`,
);
