/** What a wire ends in, or is joined by. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownLength, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { apart } from '../words/partWords';

export const TERMINAL_TYPES = ['blade', 'ring', 'lug', 'butt', 'heatShrink'] as const;

export const terminalSchema = z
  .strictObject({
    kind: z.literal('terminal'),
    ...orderable,
    type: z.enum(TERMINAL_TYPES),
    /** Of a blade; the hole of a ring or a lug; null for what has neither. */
    sizeMm: z.number().min(1).max(30).nullable(),
    /** The least and the greatest wire it is made for. */
    wireFromMm2: z.number().min(0.1).max(120),
    wireToMm2: z.number().min(0.1).max(120),
    /** Of what is crimped on to the wire; null where nobody says. */
    barrelMm: z.number().positive().max(80).nullable().default(null),
  })
  .refine(({ wireFromMm2, wireToMm2 }) => wireFromMm2 <= wireToMm2, {
    path: ['wireToMm2'],
    message: 'It is made for wires from the lesser to the greater: type one that is no less.',
  });

const specs: readonly Spec[] = [
  choice('type', 'Type', TERMINAL_TYPES),
  knownLength('sizeMm', 'Blade, or hole of a ring', { hint: 'Empty for what has neither.' }),
  number('wireFromMm2', 'Wire from, mm²', '0.5'),
  number('wireToMm2', 'Wire to, mm²', '1.5'),
  knownLength('barrelMm', 'Barrel, length'),
];

export const terminalEntry = goodsEntry(
  terminalSchema,
  specs,
  ({ type, sizeMm }) => ({ type, sizeMm }),
  ({ type, sizeMm, wireFromMm2, wireToMm2 }) =>
    `${apart(type)}${sizeMm === null ? '' : ` ${printed(sizeMm)} mm`}, for wire of ${printed(wireFromMm2)} to ${printed(wireToMm2)} mm²`,
);
