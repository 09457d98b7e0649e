/** Resistors that turn a tweeter down or stand in for a load. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { knownNumber, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';

export const resistorSchema = z.strictObject({
  kind: z.literal('resistor'),
  ...orderable,
  ohm: z.number().min(0.01).max(10_000),
  /** What it may turn to heat; null where nobody says. */
  watt: z.number().positive().max(500).nullable(),
  tolerancePercent: z.number().positive().max(50).nullable(),
});

const specs: readonly Spec[] = [
  number('ohm', 'Resistance, Ω', '4.7'),
  knownNumber('watt', 'Power, W', '10', { without: 'how hot it becomes' }),
  knownNumber('tolerancePercent', 'Tolerance, ± %', '5'),
];

export const resistorEntry = goodsEntry(
  resistorSchema,
  specs,
  ({ ohm }) => ({ ohm }),
  ({ ohm, watt, tolerancePercent }) =>
    [
      `${printed(ohm)} Ω`,
      watt === null ? 'power not stated' : `${printed(watt)} W`,
      ...(tolerancePercent === null ? [] : [`± ${printed(tolerancePercent)} %`]),
    ].join(', '),
);
