/**
 * What is done about the maker's separate amplifier of one car: it stays, and what hangs on it has to suit it, or it is bypassed, and every channel of
 * it is fed anew. The car's own radio feeds an amplifier by line level and drives no speaker itself: past the amplifier something new feeds them.
 */
import { z } from 'zod';
import { channelPowerSchema, channelPowerWords, ohmSchema } from './around';

export const PLAN_SOURCE_LABELS = {
  newRadio: 'A new radio',
  addedAmplifier: 'An amplifier that is added',
} as const;
export type PlanSource = keyof typeof PLAN_SOURCE_LABELS;
export const PLAN_SOURCES = Object.keys(PLAN_SOURCE_LABELS) as [PlanSource, ...PlanSource[]];

export const PLAN_LEADS_LABELS = {
  atPlug: 'To its plug, then the car’s own wire',
  new: 'New wire to every speaker',
} as const;
export type PlanLeads = keyof typeof PLAN_LEADS_LABELS;
export const PLAN_LEADS = Object.keys(PLAN_LEADS_LABELS) as [PlanLeads, ...PlanLeads[]];

/** What became of warnings and voices when the amplifier was unplugged and each was tried. */
export const PLAN_SOUNDS_LABELS = {
  notTried: 'Nobody tried',
  heard: 'All heard with the amplifier unplugged',
  gone: 'Something is gone with it',
} as const;
export type PlanSounds = keyof typeof PLAN_SOUNDS_LABELS;
export const PLAN_SOUNDS = Object.keys(PLAN_SOUNDS_LABELS) as [PlanSounds, ...PlanSounds[]];

const reasonSchema = z.string().trim().max(200, 'Type at most 200 characters.').default('');

/** Null until somebody decided. */
export const amplifierPlanSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('keep'), reason: reasonSchema }),
    z.strictObject({
      kind: z.literal('bypass'),
      by: z.enum(PLAN_SOURCES),
      leads: z.enum(PLAN_LEADS),
      /** Of each channel of what feeds them instead; null where nobody says. */
      leastOhm: ohmSchema,
      power: channelPowerSchema,
      sounds: z.enum(PLAN_SOUNDS),
      reason: reasonSchema,
    }),
  ])
  .nullable();
export type AmplifierPlan = z.infer<typeof amplifierPlanSchema>;
export type Bypass = Extract<AmplifierPlan, { kind: 'bypass' }>;

/** "Bypassed: a new radio, to its plug, then the car’s own wire; stands 4 Ω; 20 W RMS; nobody tried the warnings". */
export function amplifierPlanWords(plan: AmplifierPlan): string {
  if (plan === null) return 'not decided';
  if (plan.kind === 'keep') return ['stays', plan.reason].filter(Boolean).join(': ');
  const { by, leads, leastOhm, power, sounds, reason } = plan;
  const said = [
    PLAN_SOURCE_LABELS[by].toLowerCase(),
    PLAN_LEADS_LABELS[leads].toLowerCase(),
    leastOhm === null ? 'least load not known' : `stands ${leastOhm} Ω`,
    power === null ? 'power not known' : channelPowerWords(power),
    `warnings and voices: ${PLAN_SOUNDS_LABELS[sounds].toLowerCase()}`,
    reason,
  ];
  return `bypassed: ${said.filter(Boolean).join('; ')}`;
}
