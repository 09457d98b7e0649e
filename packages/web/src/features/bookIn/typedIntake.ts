/** What is asked of a car as it is typed: an amount is a line of text until it is read. */
import { putJob } from '@low-quarry/core/contracts/jobs';
import { type IntakeFacts, intakeFactsSchema, questionSchema } from '@low-quarry/core/model';
import { CONSENT_KINDS } from '@low-quarry/core/order';
import type { Control } from 'react-hook-form';
import { z } from 'zod';
import { amountText, amountTyped } from '../../text/typedAmount';

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
    budgetMinor: amountText(budgetMinor),
    consents: Object.fromEntries(CONSENT_KINDS.map((kind) => [kind, consents[kind] ?? ''])) as IntakeTyped['consents'],
  };
}
