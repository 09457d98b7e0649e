/** Wire by the metre: conductors of one size. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { number, type Spec } from '../specs/Spec';
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

const specs: readonly Spec[] = [
  number('conductors', 'Conductors', '2'),
  number('areaMm2', 'Area of one, mm²', '1.5'),
  number('lengthM', 'Length in a pack, m', '10'),
];

export const wireEntry = goodsEntry(
  wireSchema,
  specs,
  ({ conductors, areaMm2 }) => ({ conductors, areaMm2 }),
  ({ conductors, areaMm2, lengthM }) => `${conductors} × ${printed(areaMm2)} mm², ${printed(lengthM)} m in a pack`,
);
