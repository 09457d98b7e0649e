/** Tools that a step names. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, line, type Spec } from '../specs/Spec';
import { apart } from '../words/partWords';

export const TOOL_TYPES = [
  'trimTool',
  'driver',
  'bit',
  'wrench',
  'drillBit',
  'holeSaw',
  'nibbler',
  'file',
  'rivetTool',
  'crimpTool',
  'solderingIron',
  'heatGun',
  'meter',
  'measuringTool',
  'protection',
] as const;

export const toolSchema = z.strictObject({
  kind: z.literal('tool'),
  ...orderable,
  type: z.enum(TOOL_TYPES),
  /** Such as T20 or 8 mm; empty for what has no size. */
  size: z.string().trim().max(40, 'Type at most 40 characters.'),
});

const specs: readonly Spec[] = [
  choice('type', 'Type', TOOL_TYPES),
  line('size', 'Size', { hint: 'Such as T20 or 8 mm; empty for what has none.' }),
];

export const toolEntry = goodsEntry(
  toolSchema,
  specs,
  ({ type, size }) => ({ type, size }),
  ({ type, size }) => [apart(type), size].filter(Boolean).join(' '),
);
