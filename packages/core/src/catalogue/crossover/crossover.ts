/** Crossovers: what sends to each speaker of a set what it is made for, in a box that must go somewhere. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { branchesSchema } from '../filter';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { box, branches, knownNumber, numbers, rounding, type Spec } from '../specs/Spec';
import { boxWords } from '../words/boxWords';
import { printed } from '../words/figures';
import { branchWords } from '../words/filterWords';

export const crossoverSchema = z.strictObject({
  kind: z.literal('crossover'),
  ...orderable,
  branches: branchesSchema,
  /** The positions of the switch that turns the tweeter down, against no switch; none where there is no switch. */
  levelsDb: z.array(z.number().min(-24).max(12)).max(8).default([]),
  /** What it is made for; null where nobody says. */
  impedanceOhm: z.number().positive().max(32).nullable(),
  rmsW: z.number().positive().max(5000).nullable(),
  box: boxSchema.nullable(),
});

const specs: readonly Spec[] = [
  box('box', 'Its box', 'its place behind the panel'),
  numbers('levelsDb', 'Level switch, dB', '0, -2, -4'),
  knownNumber('impedanceOhm', 'Made for, Ω', '4'),
  knownNumber('rmsW', 'Power, RMS, W', '60', { hint: 'Only RMS compares.' }),
  rounding,
  branches('branches', 'Filters'),
];

export const crossoverEntry = goodsEntry(
  crossoverSchema,
  specs,
  () => ({}),
  ({ branches, levelsDb, box }) =>
    [
      branches.length === 0 ? 'filters not stated' : branchWords(branches),
      ...(levelsDb.length === 0 ? [] : [`switch ${levelsDb.map(printed).join('/')} dB`]),
      box ? boxWords(box) : 'size not stated',
    ].join(', '),
);
