/** What is being written to the open checks of a choice, before it is sent. */

import type { OpenCheck } from '@low-quarry/core/order';
import { type Answer, CURE_IDS, CURES, type NewAnswer, newAnswerSchema, takesReason } from '@low-quarry/core/order';
import { z } from 'zod';

const draftSchema = z.object({ cure: z.enum(CURE_IDS).nullable(), words: z.string(), leave: z.string() });
export type AnswerDraft = z.infer<typeof draftSchema>;

/** By opening, then by check. */
export const answerDraftsSchema = z.record(z.string(), z.record(z.string(), draftSchema));
export type AnswerDrafts = z.infer<typeof answerDraftsSchema>;

const NOTHING: AnswerDraft = { cure: null, words: '', leave: '' };

/** What stands in the fields: what is being written, else what was answered before, to this finding or another one. */
export function draftOf(drafts: AnswerDrafts, openingId: string, open: OpenCheck): AnswerDraft {
  const said = open.answer ?? open.outgrown;
  return drafts[openingId]?.[open.check] ?? (said ? fromAnswer(said, open) : NOTHING);
}

export function withDraft(drafts: AnswerDrafts, openingId: string, open: OpenCheck, draft: AnswerDraft): AnswerDrafts {
  return { ...drafts, [openingId]: { ...drafts[openingId], [open.check]: draft } };
}

function fromAnswer(said: Answer, open: OpenCheck): AnswerDraft {
  if (said.kind === 'reason') return takesReason(open) ? { ...NOTHING, words: said.words } : NOTHING;
  return open.cures.includes(said.cure) ? { cure: said.cure, words: said.words, leave: said.leave ?? '' } : NOTHING;
}

export type DraftErrors = { readonly words?: string; readonly leave?: string };

/** What is wrong with an answer that was begun; nothing where none was: it stays open. */
export function draftErrors(open: OpenCheck, draft: AnswerDraft): DraftErrors {
  const answer = toNewAnswer(open, draft);
  const issues = (answer && newAnswerSchema.safeParse(answer).error?.issues) || [];
  return Object.fromEntries(issues.map(({ path, message }) => [String(path[0]), message]));
}

/** The answer to send; null where none was begun. */
export function toNewAnswer(open: OpenCheck, draft: AnswerDraft): NewAnswer | null {
  if (!isBegun(open, draft)) return null;
  const { check } = open;
  const words = draft.words.trim();
  if (draft.cure === null) return { kind: 'reason', check, words };
  return {
    kind: 'cure',
    check,
    cure: draft.cure,
    words,
    leave: CURES[draft.cure].asksLeave ? draft.leave.trim() : null,
  };
}

function isBegun(open: OpenCheck, { cure, words }: AnswerDraft): boolean {
  if (open.countsFor === 'arrival') return false;
  return takesReason(open) ? words.trim() !== '' : cure !== null;
}
