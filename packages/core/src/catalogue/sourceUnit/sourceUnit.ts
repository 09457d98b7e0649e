/** Source units: the radio that everything hangs on. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { channelPowersSchema } from '../channelPower';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { box, ids, knownNumber, powers, rounding, type Spec } from '../specs/Spec';
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

const specs: readonly Spec[] = [
  knownNumber('leastOhm', 'Least load of a channel, Ω', '4', { without: 'whether it stands the load' }),
  knownNumber('lineOutputs', 'Line outputs, pairs', '2'),
  box('box', 'What goes into the slot', 'the room in the slot'),
  ids('connectorIds', 'Connectors at its back'),
  rounding,
  powers('powers', 'Power'),
];

export const sourceUnitEntry = goodsEntry(
  sourceUnitSchema,
  specs,
  () => ({}),
  ({ powers, lineOutputs, box }) =>
    [
      powers.length === 0 ? 'power not stated' : powerWords(powers),
      lineOutputs === null ? 'line outputs not stated' : `${lineOutputs} line output${lineOutputs === 1 ? '' : 's'}`,
      box ? boxWords(box) : 'size not stated',
    ].join(', '),
  ({ connectorIds }) => connectorIds.map((id) => ({ field: 'connectorIds', id })),
);
