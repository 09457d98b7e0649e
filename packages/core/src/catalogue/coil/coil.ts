/** Coils in the way to a speaker. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownNumber, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';

export const COIL_CORES = ['air', 'ferrite', 'iron'] as const;

export const coilSchema = z.strictObject({
  kind: z.literal('coil'),
  ...orderable,
  core: z.enum(COIL_CORES),
  millihenry: z.number().min(0.01).max(100),
  /** Of its wire, at direct current; it adds to the load. */
  wireOhm: z.number().min(0).max(10).nullable(),
  tolerancePercent: z.number().positive().max(50).nullable(),
});

const specs: readonly Spec[] = [
  choice('core', 'Core', COIL_CORES),
  number('millihenry', 'Inductance, mH', '0.47'),
  knownNumber('wireOhm', 'Resistance of its wire, Ω', '0.3', { without: 'what it takes of the power' }),
  knownNumber('tolerancePercent', 'Tolerance, ± %', '5'),
];

export const coilEntry = goodsEntry(
  coilSchema,
  specs,
  ({ millihenry }) => ({ millihenry }),
  ({ core, millihenry, wireOhm }) =>
    `${printed(millihenry)} mH, ${core} core, ${wireOhm === null ? 'resistance not stated' : `${printed(wireOhm)} Ω`}`,
);
