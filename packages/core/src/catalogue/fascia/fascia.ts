/** Fascias that take a source unit in place of the vehicle's own. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { lengthMm } from '../outline';
import { knownLength, length, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';

export const fasciaSchema = z.strictObject({
  kind: z.literal('fascia'),
  ...orderable,
  /** Of the slot that it leaves for the source unit. */
  slotWidthMm: lengthMm,
  slotHeightMm: lengthMm,
  /** How far in the source unit may reach; null where nobody says. */
  slotDepthMm: lengthMm.nullable(),
  /** What it covers of the vehicle's opening. */
  coversWidthMm: z.number().positive().max(800).nullable(),
  coversHeightMm: z.number().positive().max(800).nullable(),
});

const specs: readonly Spec[] = [
  length('slotWidthMm', 'Slot, width'),
  length('slotHeightMm', 'Slot, height'),
  knownLength('slotDepthMm', 'Slot, depth', { without: 'the room for the source unit' }),
  knownLength('coversWidthMm', 'Covers, width'),
  knownLength('coversHeightMm', 'Covers, height'),
];

export const fasciaEntry = goodsEntry(
  fasciaSchema,
  specs,
  ({ slotWidthMm, slotHeightMm }) => ({ slotWidthMm, slotHeightMm }),
  ({ slotWidthMm, slotHeightMm, slotDepthMm }) =>
    `slot ${printed(slotWidthMm)} × ${printed(slotHeightMm)} mm, ${slotDepthMm === null ? 'depth not stated' : `${printed(slotDepthMm)} mm deep`}`,
);
