/** What is known of the speaker that is in a place before anything is done: whether it plays, what a meter says of its coil, what one sees. */
import { z } from 'zod';
import { FAULT_TESTS, MOST_OHM_READINGS } from '../sound';

export const PLAYS_LABELS = {
  notTried: 'Not heard alone yet',
  plays: 'Plays',
  silent: 'Silent',
  crackles: 'Crackles, buzzes or comes and goes',
} as const;
export const PLAYS = Object.keys(PLAYS_LABELS) as [keyof typeof PLAYS_LABELS, ...(keyof typeof PLAYS_LABELS)[]];

export const DAMAGE_LABELS = {
  torn: 'Cone or surround torn',
  rubbing: 'Coil rubs when the cone is pressed',
  loose: 'Glue has let go',
  rusted: 'Terminals rusted or broken',
} as const;
export type Damage = keyof typeof DAMAGE_LABELS;
export const DAMAGES = Object.keys(DAMAGE_LABELS) as [Damage, ...Damage[]];

export const CAPACITORS = ['notLooked', 'yes', 'no'] as const;

const MOST_OHM = 1e9;

const controlOhmSchema = z.number().min(0).max(100, 'Type at most 100 Ω.').nullable();

export const oldSpeakerSchema = z.strictObject({
  plays: z.enum(PLAYS),
  /** As it is marked; null where nothing says it. */
  nominalOhm: z.number().min(0.5, 'Type 0.5 Ω or more.').max(100, 'Type at most 100 Ω.').nullable(),
  readings: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('ohm'), ohm: z.number().min(0).max(MOST_OHM) }),
        z.strictObject({ kind: z.literal('over') }),
      ]),
    )
    .max(MOST_OHM_READINGS),
  /** The readings as they were typed. */
  entered: z.string().max(200),
  /** What the meter shows with its probes held together. */
  leadOhm: z.number().min(0).max(10, 'Type at most 10 Ω.'),
  capacitor: z.enum(CAPACITORS),
  /** A speaker whose coil is known, read by the same meter. */
  control: z
    .strictObject({ knownOhm: controlOhmSchema, readOhm: controlOhmSchema })
    .default({ knownOhm: null, readOhm: null }),
  damage: z.array(z.enum(DAMAGES)).max(DAMAGES.length),
  /** Tests of what else it may be, in the order in which they were made. */
  trials: z
    .array(z.strictObject({ test: z.enum(FAULT_TESTS), isShown: z.boolean() }))
    .max(FAULT_TESTS.length)
    .default([]),
  takenBy: z.string().max(80).nullable(),
  takenAt: z.iso.datetime().nullable(),
});
export type OldSpeaker = z.infer<typeof oldSpeakerSchema>;

export const OLD_SPEAKER_NOT_TESTED: OldSpeaker = {
  plays: 'notTried',
  nominalOhm: null,
  readings: [],
  entered: '',
  leadOhm: 0,
  capacitor: 'notLooked',
  control: { knownOhm: null, readOhm: null },
  damage: [],
  trials: [],
  takenBy: null,
  takenAt: null,
};

/** Whether it is heard to be wrong. */
export function isHeardWrong({ plays }: OldSpeaker): boolean {
  return plays === 'silent' || plays === 'crackles';
}
