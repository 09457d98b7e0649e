/** What is used up: solder, tape, ties, glue, paint against rust. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, line, type Spec } from '../specs/Spec';
import { apart } from '../words/partWords';

export const CONSUMABLE_TYPES = [
  'solder',
  'heatShrink',
  'tape',
  'cableTie',
  'adhesive',
  'sealant',
  'rustPaint',
  'cleaner',
  'threadLock',
  'sleeve',
  'grommet',
] as const;

export const consumableSchema = z.strictObject({
  kind: z.literal('consumable'),
  ...orderable,
  type: z.enum(CONSUMABLE_TYPES),
  /** Such as 19 mm × 25 m or 50 ml; empty where nobody says. */
  amount: z.string().trim().max(60, 'Type at most 60 characters.'),
});

const specs: readonly Spec[] = [
  choice('type', 'Type', CONSUMABLE_TYPES),
  line('amount', 'How much', { hint: 'Such as 19 mm × 25 m; empty where nobody says.' }),
];

export const consumableEntry = goodsEntry(
  consumableSchema,
  specs,
  ({ type }) => ({ type }),
  ({ type, amount }) => [apart(type), amount || 'amount not stated'].join(', '),
);
