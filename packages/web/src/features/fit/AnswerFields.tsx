/** One check of a choice that does not clear: what it found, and what is said or done about it. */

import type { OpenCheck } from '@low-quarry/core/order';
import { CURES, liftWords, mayCure, NO_REASON_WORDS, takesReason } from '@low-quarry/core/order';
import { useId } from 'react';
import { Link } from 'react-router';
import { useMe } from '../../api/me';
import { Field, INPUT } from '../../ui/Field';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import type { AnswerDraft, DraftErrors } from './answerDrafts';

type AnswerFieldsProps = {
  readonly open: OpenCheck;
  /** Of the check and its side: "Front door, left: hits at the glass …". */
  readonly title: string;
  readonly draft: AnswerDraft;
  readonly errors: DraftErrors;
  /** Where the opening is looked at and measured. */
  readonly measureAt: string;
  readonly onChange: (draft: AnswerDraft) => void;
};

export function AnswerFields({ open, title, draft, errors, measureAt, onChange }: AnswerFieldsProps) {
  const { verdict, sentence, countsFor, answer, outgrown } = open;
  return (
    <fieldset className="flex flex-col gap-2 border-b border-hairline pb-3">
      <legend className={`flex items-start gap-2 font-semibold ${verdictColour(verdict)}`}>
        <span className="pt-0.5">
          <VerdictMark verdict={verdict} hidden size={14} />
        </span>
        {title}
      </legend>
      <p className="text-[13px] leading-4">{sentence}</p>
      {countsFor === 'arrival' ? (
        <p className="text-muted">It stays open until the part is here, and holds no order back.</p>
      ) : !takesReason(open) ? (
        <CureFields open={open} draft={draft} errors={errors} measureAt={measureAt} onChange={onChange} />
      ) : (
        <Words
          label="Why it is ordered all the same"
          hint="Left empty, it stays open and off the order list."
          error={errors.words}
          value={draft.words}
          onChange={(words) => onChange({ ...draft, words })}
        />
      )}
      {answer && <p className="text-[13px] leading-4 text-muted">Answered by {answer.by}.</p>}
      {outgrown && (
        <p className="text-[13px] leading-4 text-muted">
          {outgrown.by} answered this to another finding: “{outgrown.found.sentence}” It counts when it is chosen again.
        </p>
      )}
    </fieldset>
  );
}

function CureFields({ open, draft, errors, measureAt, onChange }: Omit<AnswerFieldsProps, 'title'>) {
  const { roles } = useMe();
  const name = useId();
  const { cures } = open;
  if (cures.length === 0)
    return (
      <p>
        {liftWords(cures)}{' '}
        <Link to={measureAt} className="text-action underline underline-offset-2">
          Look at the opening
        </Link>
        .
      </p>
    );
  if (!cures.some((id) => mayCure(id, roles)))
    return <p>{liftWords(cures)} The owner of the shop answers for that, and writes it here.</p>;
  const cure = draft.cure && CURES[draft.cure];
  return (
    <>
      <fieldset>
        <legend className="font-semibold">What is done about it</legend>
        <p className="text-[13px] leading-4 text-muted">{NO_REASON_WORDS}, only what is done.</p>
        {[null, ...cures].map((id) => (
          <label key={id} className="flex min-h-12 items-center gap-3 py-1">
            <input
              type="radio"
              name={name}
              checked={draft.cure === id}
              onChange={() => onChange({ ...draft, cure: id })}
              className="h-6 w-6 shrink-0 accent-action"
            />
            {id ? CURES[id].words : 'Nothing yet'}
          </label>
        ))}
      </fieldset>
      {cure && (
        <Words
          label={cure.evidence}
          error={errors.words}
          value={draft.words}
          onChange={(words) => onChange({ ...draft, words })}
        />
      )}
      {cure?.asksLeave && (
        <Field label="Leave of the vehicle’s owner" hint="Who gave it, and how." error={errors.leave}>
          {(ids) => (
            <input
              {...ids}
              maxLength={200}
              value={draft.leave}
              onChange={({ target }) => onChange({ ...draft, leave: target.value })}
              className={INPUT}
            />
          )}
        </Field>
      )}
    </>
  );
}

function Words({
  label,
  hint,
  error,
  value,
  onChange,
}: {
  readonly label: string;
  readonly hint?: string;
  readonly error: string | undefined;
  readonly value: string;
  readonly onChange: (words: string) => void;
}) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => (
        <textarea
          {...ids}
          rows={2}
          maxLength={500}
          value={value}
          onChange={({ target }) => onChange(target.value)}
          className={`${INPUT} py-2`}
        />
      )}
    </Field>
  );
}
