/** Screws, nuts and rivets that hold a speaker, a ring or a panel. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownLength, line, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { apart } from '../words/partWords';

export const FASTENER_TYPES = ['tappingScrew', 'machineScrew', 'clipNut', 'rivetNut', 'blindRivet'] as const;
export const FASTENER_HEADS = ['pan', 'countersunk', 'flange', 'hex', 'none'] as const;

export const fastenerPartSchema = z.strictObject({
  kind: z.literal('fastener'),
  ...orderable,
  type: z.enum(FASTENER_TYPES),
  /** Of the thread, or of a rivet's body. */
  diameterMm: z.number().min(1).max(12),
  /** Below the head; null for a nut. */
  lengthMm: z.number().positive().max(120).nullable(),
  head: z.enum(FASTENER_HEADS),
  /** Such as M6 × 1; empty where nobody says, and for what cuts its own. */
  thread: z.string().trim().max(20, 'Type at most 20 characters.').default(''),
  /** What turns it, such as PH2 or T20; empty for what is set by a tool of its own. */
  driver: z.string().max(20),
});

const specs: readonly Spec[] = [
  choice('type', 'Type', FASTENER_TYPES),
  number('diameterMm', 'Diameter, mm', '4.2', { hint: 'Of the thread, or of a rivet’s body.' }),
  knownLength('lengthMm', 'Length below the head', { hint: 'Empty for a nut.' }),
  line('thread', 'Thread', { hint: 'Such as M6 × 1; empty for what cuts its own.' }),
  choice('head', 'Head', FASTENER_HEADS),
  line('driver', 'Turned by', { hint: 'Such as PH2 or T20; empty for what a tool of its own sets.' }),
];

export const fastenerEntry = goodsEntry(
  fastenerPartSchema,
  specs,
  ({ type, diameterMm, lengthMm }) => ({ type, diameterMm, lengthMm }),
  ({ type, diameterMm, lengthMm, head, thread, driver }) =>
    [
      `${apart(type)} ${printed(diameterMm)}${lengthMm === null ? '' : ` × ${printed(lengthMm)}`} mm`,
      ...(thread === '' ? [] : [`thread ${thread}`]),
      ...(head === 'none' ? [] : [`${head} head`]),
      ...(driver === '' ? [] : [driver]),
    ].join(', '),
);
