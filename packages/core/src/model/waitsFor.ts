/** Whom a job waits for: who was asked outside the shop and has not answered. */
import { needsLeave } from './intake';
import type { JobFacts } from './job';
import { ASKED_OF, type AskedOf } from './questions';

/** What a list of jobs may be asked for: anybody's answer, or somebody's. */
export const WAITS = ['anybody', ...ASKED_OF] as const;
export type Waits = (typeof WAITS)[number];

/** @returns each once, in the order of `ASKED_OF`; a question that nobody has asked yet waits for the shop itself */
export function waitsFor({ questions, ownership }: Pick<JobFacts, 'questions' | 'ownership'>): readonly AskedOf[] {
  const isAsked = (of: AskedOf) =>
    questions.some((question) => question.of === of && question.answer === '' && question.askedOn !== null) ||
    (of === 'owner' && needsLeave(ownership) && ownership.leave === 'asked');
  return ASKED_OF.filter(isAsked);
}
