/** What becomes of the maker's amplifier, as it is typed. */
import { type AmplifierPlan, amplifierPlanSchema, PLAN_LEADS, PLAN_SOUNDS, PLAN_SOURCES } from '@low-quarry/core/model';
import { z } from 'zod';
import { numberText, ohmTyped } from '../../panels/typedNumber';
import { powerOf, powerRead, powerTyped, toPowerTyped } from '../../panels/typedPower';

const choices = {
  kind: z.enum(['keep', 'bypass']).nullable(),
  by: z.enum(PLAN_SOURCES).nullable(),
  leads: z.enum(PLAN_LEADS).nullable(),
  sounds: z.enum(PLAN_SOUNDS),
  reason: z.string(),
};
export const planTypedSchema = z.object({ ...choices, leastOhm: z.string(), ...powerTyped });
export type PlanTyped = z.output<typeof planTypedSchema>;

/** What is typed of a bypass is kept while another answer is chosen, and not saved with it. */
export const readPlanSchema: z.ZodType<{ amplifierPlan: AmplifierPlan }, PlanTyped> = z
  .object({ ...choices, leastOhm: ohmTyped, ...powerRead })
  .transform(({ kind, by, leads, leastOhm, watt, rating, atOhm, sounds, reason }, context) => {
    const power = powerOf({ watt, rating, atOhm }, context);
    const missing = [
      ...(kind === 'bypass' && by === null ? [['by', 'Choose what feeds its channels instead.'] as const] : []),
      ...(kind === 'bypass' && leads === null ? [['leads', 'Choose where the new leads go.'] as const] : []),
    ];
    for (const [path, message] of missing) context.addIssue({ code: 'custom', path: [path], message });
    if (power === undefined || missing.length > 0) return z.NEVER;
    const plan = kind === 'bypass' ? { kind, by, leads, leastOhm, power, sounds, reason } : kind && { kind, reason };
    const read = amplifierPlanSchema.safeParse(plan);
    for (const { path, message } of read.error?.issues ?? [])
      context.addIssue({ code: 'custom', path: [...path.slice(-1)], message });
    return read.success ? { amplifierPlan: read.data } : z.NEVER;
  });

export function toPlanTyped(plan: AmplifierPlan): PlanTyped {
  const bypass = plan?.kind === 'bypass' ? plan : null;
  return {
    kind: plan?.kind ?? null,
    by: bypass?.by ?? null,
    leads: bypass?.leads ?? null,
    leastOhm: numberText(bypass?.leastOhm ?? null),
    ...toPowerTyped(bypass?.power ?? null),
    sounds: bypass?.sounds ?? 'notTried',
    reason: plan?.reason ?? '',
  };
}
