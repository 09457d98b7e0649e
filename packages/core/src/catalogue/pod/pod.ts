/** Pods: a place for a speaker on a panel that has none. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { lengthMm, outlineSchema } from '../outline';
import { knownLength, knownNumber, number, outline, rounding, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { outlineWords } from '../words/partWords';

export const podSchema = z.strictObject({
  kind: z.literal('pod'),
  ...orderable,
  /** What lies on the panel. */
  base: outlineSchema,
  /** The hole for the speaker. */
  hole: outlineSchema,
  /** From the speaker's face to the panel; null where nobody says. */
  depthMm: lengthMm.nullable(),
  /** How far it turns the speaker from straight out. */
  angleDeg: z.number().min(0).max(90).default(0),
  volumeL: z.number().positive().max(100).nullable(),
});

const specs: readonly Spec[] = [
  outline('base', 'Base on the panel'),
  outline('hole', 'Hole for the speaker'),
  knownLength('depthMm', 'Depth inside', { without: 'the room behind' }),
  number('angleDeg', 'Turns the speaker by, °', '20'),
  knownNumber('volumeL', 'Volume, l', '1.2'),
  rounding,
];

export const podEntry = goodsEntry(
  podSchema,
  specs,
  ({ hole }) => ({ hole }),
  ({ base, hole, depthMm, angleDeg, volumeL }) =>
    [
      `base ${outlineWords(base)}`,
      `hole ${outlineWords(hole)}`,
      depthMm === null ? 'depth not stated' : `${printed(depthMm)} mm deep`,
      ...(angleDeg === 0 ? [] : [`turned by ${printed(angleDeg)}°`]),
      volumeL === null ? 'volume not stated' : `${printed(volumeL)} l`,
    ].join(', '),
);
