/** Clips and pins that hold a panel, and are left in the door or on the floor when it comes off. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownLength, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { apart } from '../words/partWords';

export const PANEL_CLIP_TYPES = ['treeClip', 'pushPin', 'expandingPlug', 'crankClip'] as const;

export const panelClipSchema = z.strictObject({
  kind: z.literal('panelClip'),
  ...orderable,
  type: z.enum(PANEL_CLIP_TYPES),
  /** The hole in the metal it is made for; null for what goes into none. */
  holeMm: z.number().min(2).max(30).nullable(),
});

const specs: readonly Spec[] = [
  choice('type', 'Type', PANEL_CLIP_TYPES),
  knownLength('holeMm', 'Hole it is made for', { hint: 'Empty for what goes into none.' }),
];

export const panelClipEntry = goodsEntry(
  panelClipSchema,
  specs,
  ({ type, holeMm }) => ({ type, holeMm }),
  ({ type, holeMm }) => `${apart(type)}${holeMm === null ? '' : `, for a hole of ${printed(holeMm)} mm`}`,
);
