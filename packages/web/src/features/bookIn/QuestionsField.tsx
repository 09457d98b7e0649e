/** Questions that went outside: whom, when, what came back and what that is worth. */
import {
  ANSWER_GRADE_LABELS,
  ANSWER_GRADES,
  ASKED_OF,
  ASKED_OF_LABELS,
  MOST_QUESTIONS,
  type Question,
} from '@low-quarry/core/model';
import { useController, useFieldArray } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FormDay } from '../../ui/form/FormDay';
import { FormText } from '../../ui/form/FormText';
import type { IntakeControl } from './typedIntake';

const NEW_QUESTION: Question = {
  ...{ of: 'customer', question: '', askedOn: null, how: '', answer: '', answeredOn: null, grade: null },
};

export function QuestionsField({ control }: { readonly control: IntakeControl }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'questions' });
  return (
    <div className="flex flex-col gap-3">
      <p className="text-[13px] leading-4 text-muted">
        What only the customer, the owner, the maker or a seller can answer. Each is open until an answer came.
      </p>
      {fields.map(({ id }, at) => (
        <OneQuestion key={id} control={control} at={at} onRemove={() => remove(at)} />
      ))}
      {fields.length < MOST_QUESTIONS && (
        <Button className="self-start" onClick={() => append(NEW_QUESTION)}>
          Add a question
        </Button>
      )}
    </div>
  );
}

type OneQuestionProps = { readonly control: IntakeControl; readonly at: number; readonly onRemove: () => void };

function OneQuestion({ control, at, onRemove }: OneQuestionProps) {
  const of = useController({ control, name: `questions.${at}.of` });
  const grade = useController({ control, name: `questions.${at}.grade` });
  return (
    <fieldset className="grid gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-2">
      <legend className="mb-1 font-semibold">Question {at + 1}</legend>
      <div className="sm:col-span-2">
        <FormText control={control} name={`questions.${at}.question`} label="What is asked" autoComplete="off" />
      </div>
      <Choice
        label="Of whom"
        value={of.field.value}
        options={ASKED_OF.map((each) => [each, ASKED_OF_LABELS[each]])}
        onChange={of.field.onChange}
      />
      <FormDay control={control} name={`questions.${at}.askedOn`} label="Asked on" />
      <div className="sm:col-span-2">
        <FormText control={control} name={`questions.${at}.how`} label="How, and who exactly" autoComplete="off" />
      </div>
      <div className="sm:col-span-2">
        <FormText
          control={control}
          name={`questions.${at}.answer`}
          label="Answer"
          hint="Empty until it came."
          autoComplete="off"
        />
      </div>
      <FormDay control={control} name={`questions.${at}.answeredOn`} label="Answered on" />
      <Choice
        label="What the answer is worth"
        value={grade.field.value ?? ''}
        options={[['', 'Nothing said yet'], ...ANSWER_GRADES.map((each) => [each, ANSWER_GRADE_LABELS[each]] as const)]}
        error={grade.fieldState.error?.message ?? null}
        onChange={(value) => grade.field.onChange(value || null)}
      />
      <Button kind="quiet" className="justify-self-start" onClick={onRemove}>
        Take question {at + 1} off
      </Button>
    </fieldset>
  );
}
