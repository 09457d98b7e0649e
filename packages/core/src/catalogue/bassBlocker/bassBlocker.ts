/** Bass blockers: a filter in the lead of one small speaker. */
import { z } from 'zod';
import { filterSchema } from '../filter';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { filter, knownNumber, number, type Spec } from '../specs/Spec';
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

const specs: readonly Spec[] = [
  filter('filter', 'Filter'),
  number('atOhm', 'At a load of, Ω', '4', { hint: 'At twice the load its corner lies at half.' }),
  knownNumber('microfarad', 'Capacitor, µF', '100'),
];

export const bassBlockerEntry = goodsEntry(
  bassBlockerSchema,
  specs,
  ({ atOhm }) => ({ atOhm }),
  ({ filter, atOhm, microfarad }) =>
    `${filterWords(filter)} at ${printed(atOhm)} Ω, ${microfarad === null ? 'capacitor not stated' : `${printed(microfarad)} µF`}`,
);
