/** Small sounders that carry warning sounds on where the speaker that did is gone. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { box, knownNumber, rounding, type Spec } from '../specs/Spec';
import { boxWords } from '../words/boxWords';

export const sounderSchema = z.strictObject({
  kind: z.literal('sounder'),
  ...orderable,
  impedanceOhm: z.number().positive().max(1000).nullable(),
  rmsW: z.number().positive().max(100).nullable(),
  /** The band that it is heard in. */
  fromHz: z.number().min(20).max(20_000).nullable(),
  toHz: z.number().min(20).max(20_000).nullable(),
  box: boxSchema.nullable(),
});

const specs: readonly Spec[] = [
  knownNumber('impedanceOhm', 'Impedance, Ω', '8', { without: 'the load' }),
  knownNumber('rmsW', 'Power, RMS, W', '1'),
  knownNumber('fromHz', 'Heard from, Hz', '400'),
  knownNumber('toHz', 'Heard to, Hz', '6000'),
  box('box', 'Its size', 'its place'),
  rounding,
];

export const sounderEntry = goodsEntry(
  sounderSchema,
  specs,
  () => ({}),
  ({ impedanceOhm, fromHz, toHz, box }) =>
    [
      impedanceOhm === null ? 'impedance not stated' : `${impedanceOhm} Ω`,
      fromHz === null || toHz === null ? 'band not stated' : `${fromHz} to ${toHz} Hz`,
      box ? boxWords(box) : 'size not stated',
    ].join(', '),
);
