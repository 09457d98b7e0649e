/** Source units: the radio that everything hangs on. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { channelPowersSchema } from '../channelPower';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { boxWords } from '../words/boxWords';
import { powerWords } from '../words/powerWords';

export const sourceUnitSchema = z.strictObject({
  kind: z.literal('sourceUnit'),
  ...orderable,
  /** Of its own amplifier; none where it has none or nobody says. */
  powers: channelPowersSchema,
  leastOhm: z.number().positive().max(32).nullable(),
  /** Pairs of outputs for an amplifier. */
  lineOutputs: z.int().min(0).max(8).nullable(),
  /** What goes into the slot, its front left out. */
  box: boxSchema.nullable(),
  /** Ids of the connectors at its back. */
  connectorIds: z.array(z.string().min(1).max(80)).max(12).default([]),
});

export const sourceUnitEntry = goodsEntry(
  'Source unit',
  sourceUnitSchema,
  () => ({}),
  ({ powers, lineOutputs, box }) =>
    [
      powers.length === 0 ? 'power not stated' : powerWords(powers),
      lineOutputs === null ? 'line outputs not stated' : `${lineOutputs} line output${lineOutputs === 1 ? '' : 's'}`,
      box ? boxWords(box) : 'size not stated',
    ].join(', '),
  ({ connectorIds }) => connectorIds.map((id) => ({ field: 'connectorIds', id })),
);
