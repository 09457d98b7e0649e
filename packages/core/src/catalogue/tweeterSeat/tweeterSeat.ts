/** What holds a tweeter where the vehicle has no seat for it. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { lengthMm, outlineSchema } from '../outline';
import { choice, knownLength, knownOutline, length, number, rounding, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { outlineWords } from '../words/partWords';

export const SEAT_FIXINGS = ['flush', 'surface', 'housing'] as const;

export const tweeterSeatSchema = z.strictObject({
  kind: z.literal('tweeterSeat'),
  ...orderable,
  fixing: z.enum(SEAT_FIXINGS),
  /** The tweeter that it holds, across. */
  holdsMm: lengthMm,
  /** The hole that it goes into; null for what goes into none. */
  holeMm: lengthMm.nullable(),
  outer: outlineSchema.nullable(),
  /** Behind the surface that it lies on. */
  depthMm: z.number().min(0).max(200).nullable(),
  /** How far it turns the tweeter from straight out. */
  angleDeg: z.number().min(0).max(90).default(0),
});

const specs: readonly Spec[] = [
  choice('fixing', 'How it holds', SEAT_FIXINGS),
  length('holdsMm', 'Tweeter it holds'),
  knownLength('holeMm', 'Hole it goes into', { hint: 'Empty for what goes into none.' }),
  knownOutline('outer', 'Outside'),
  knownLength('depthMm', 'Depth behind the surface', { without: 'the room behind' }),
  number('angleDeg', 'Turns the tweeter by, °', '20'),
  rounding,
];

export const tweeterSeatEntry = goodsEntry(
  tweeterSeatSchema,
  specs,
  ({ holdsMm, fixing }) => ({ holdsMm, fixing }),
  ({ fixing, holdsMm, holeMm, outer, depthMm, angleDeg }) =>
    [
      `${fixing}, for a tweeter of ${printed(holdsMm)} mm`,
      ...(holeMm === null ? [] : [`into a hole of ${printed(holeMm)} mm`]),
      ...(outer ? [`${outlineWords(outer)} across`] : []),
      depthMm === null ? 'depth not stated' : `${printed(depthMm)} mm deep`,
      ...(angleDeg === 0 ? [] : [`turned by ${printed(angleDeg)}°`]),
    ].join(', '),
);
