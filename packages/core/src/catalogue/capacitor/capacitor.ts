/** Capacitors in the way to a speaker. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownNumber, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';

/** Those that stand a signal of both signs. */
export const CAPACITOR_TYPES = ['bipolar electrolytic', 'film'] as const;

export const capacitorSchema = z.strictObject({
  kind: z.literal('capacitor'),
  ...orderable,
  type: z.enum(CAPACITOR_TYPES),
  microfarad: z.number().min(0.01).max(10_000),
  tolerancePercent: z.number().positive().max(50).nullable(),
  volt: z.number().positive().max(1000).nullable(),
});

const specs: readonly Spec[] = [
  choice('type', 'Type', CAPACITOR_TYPES),
  number('microfarad', 'Capacitance, µF', '100'),
  knownNumber('tolerancePercent', 'Tolerance, ± %', '10'),
  knownNumber('volt', 'Voltage, V', '50'),
];

export const capacitorEntry = goodsEntry(
  capacitorSchema,
  specs,
  ({ microfarad }) => ({ microfarad }),
  ({ type, microfarad, tolerancePercent, volt }) =>
    [
      `${printed(microfarad)} µF ${type}`,
      ...(tolerancePercent === null ? [] : [`± ${printed(tolerancePercent)} %`]),
      volt === null ? 'voltage not stated' : `${printed(volt)} V`,
    ].join(', '),
);
