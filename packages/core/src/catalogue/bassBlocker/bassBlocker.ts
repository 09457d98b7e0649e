/** Bass blockers: a filter in the lead of one small speaker. */
import { z } from 'zod';
import { filterSchema } from '../filter';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { printed } from '../words/figures';
import { filterWords } from '../words/filterWords';

export const bassBlockerSchema = z.strictObject({
  kind: z.literal('bassBlocker'),
  ...orderable,
  filter: filterSchema,
  /** The load at which its corner is where it says: at twice the load it lies at half. */
  atOhm: z.number().positive().max(32),
  microfarad: z.number().min(0.01).max(10_000).nullable(),
});

export const bassBlockerEntry = goodsEntry(
  'Bass blocker',
  bassBlockerSchema,
  ({ atOhm }) => ({ atOhm }),
  ({ filter, atOhm, microfarad }) =>
    `${filterWords(filter)} at ${printed(atOhm)} Ω, ${microfarad === null ? 'capacitor not stated' : `${printed(microfarad)} µF`}`,
);
