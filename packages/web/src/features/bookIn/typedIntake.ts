/** What is asked of a car as it is typed: an amount is a line of text until it is read. */
import { putJob } from '@low-quarry/core/contracts/jobs';
import { type IntakeFacts, intakeFactsSchema, questionSchema } from '@low-quarry/core/model';
import { CONSENT_KINDS } from '@low-quarry/core/order';
import type { Control } from 'react-hook-form';
import { z } from 'zod';

export const intakeTypedSchema = intakeFactsSchema.extend({
  budgetMinor: z.string(),
  /** Days, or what is typed for them and cannot be read. */
  dueOn: z.string().nullable(),
  questions: z.array(
    z.object({ ...questionSchema.shape, askedOn: z.string().nullable(), answeredOn: z.string().nullable() }),
  ),
  consents: z.record(z.enum(CONSENT_KINDS), z.string()),
});
export type IntakeTyped = z.output<typeof intakeTypedSchema>;
export type IntakeControl = Control<IntakeTyped, unknown, IntakeFacts>;

const amountTyped = z.string().transform((text, context) => {
  const typed = text.trim().replace(',', '.');
  if (typed === '') return null;
  const amount = Number(typed);
  if (Number.isFinite(amount) && amount >= 0) return Math.round(amount * 100);
  context.addIssue(`“${text.slice(0, 20)}” was read. Type an amount such as 420 or 420.50, or leave it empty.`);
  return z.NEVER;
});

const factsSchema = putJob.body.omit({ version: true });

const typedFacts = intakeTypedSchema.extend({ budgetMinor: amountTyped });

/** What is typed, as the shop takes it; all of it is there, so that no default is asked for. */
export const readIntakeSchema = typedFacts.pipe(
  factsSchema as unknown as z.ZodType<IntakeFacts, z.output<typeof typedFacts>>,
) as unknown as z.ZodType<IntakeFacts, IntakeTyped>;

export function toIntakeTyped(facts: IntakeFacts): IntakeTyped {
  const { budgetMinor, consents } = facts;
  return {
    ...facts,
    budgetMinor: budgetMinor === null ? '' : String(budgetMinor / 100),
    consents: Object.fromEntries(CONSENT_KINDS.map((kind) => [kind, consents[kind] ?? ''])) as IntakeTyped['consents'],
  };
}
