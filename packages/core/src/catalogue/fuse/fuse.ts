/** Fuses. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { apart } from '../words/partWords';

/** Blades as ISO 8820-3 has them by size, strips that are bolted down, and glass. */
export const FUSE_TYPES = ['miniBlade', 'blade', 'maxiBlade', 'boltedStrip', 'glass'] as const;

export const fuseSchema = z.strictObject({
  kind: z.literal('fuse'),
  ...orderable,
  type: z.enum(FUSE_TYPES),
  ampere: z.number().positive().max(500),
});

const specs: readonly Spec[] = [choice('type', 'Type', FUSE_TYPES), number('ampere', 'Current, A', '30')];

export const fuseEntry = goodsEntry(
  fuseSchema,
  specs,
  ({ type, ampere }) => ({ type, ampere }),
  ({ type, ampere }) => `${apart(type)}, ${printed(ampere)} A`,
);
