/** Amplifiers that stand apart from the radio. */
import { z } from 'zod';
import { boxSchema } from '../box';
import { channelPowersSchema } from '../channelPower';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { box, knownNumber, number, powers, rounding, type Spec, some } from '../specs/Spec';
import { boxWords } from '../words/boxWords';
import { powerWords } from '../words/powerWords';

export const AMPLIFIER_INPUTS = ['low level', 'high level', 'digital'] as const;

export const amplifierSchema = z.strictObject({
  kind: z.literal('amplifier'),
  ...orderable,
  channels: z.int().min(1).max(16),
  powers: channelPowersSchema,
  /** The least load of a channel; null where nobody says. */
  leastOhm: z.number().positive().max(32).nullable(),
  /** Of two channels joined; null where they cannot be, or nobody says. */
  leastBridgedOhm: z.number().positive().max(32).nullable().default(null),
  inputs: z.array(z.enum(AMPLIFIER_INPUTS)).max(AMPLIFIER_INPUTS.length).default([]),
  /** What its maker says of the fuse in its supply. */
  fuseA: z.number().positive().max(500).nullable().default(null),
  box: boxSchema.nullable(),
});

const specs: readonly Spec[] = [
  number('channels', 'Channels', '4'),
  knownNumber('leastOhm', 'Least load of a channel, Ω', '2', { without: 'whether it stands the load' }),
  knownNumber('leastBridgedOhm', 'Least load bridged, Ω', '4', { hint: 'Empty: not to be bridged, or nobody says.' }),
  some('inputs', 'Inputs', AMPLIFIER_INPUTS),
  knownNumber('fuseA', 'Fuse in its supply, A', '30', { hint: 'As its maker says.' }),
  box('box', 'Its box', 'its place'),
  rounding,
  powers('powers', 'Power'),
];

export const amplifierEntry = goodsEntry(
  amplifierSchema,
  specs,
  ({ channels }) => ({ channels }),
  ({ channels, powers, leastOhm, box }) =>
    [
      `${channels} channel${channels === 1 ? '' : 's'}`,
      powers.length === 0 ? 'power not stated' : powerWords(powers),
      leastOhm === null ? 'least load not stated' : `stands ${leastOhm} Ω`,
      box ? boxWords(box) : 'size not stated',
    ].join(', '),
);
