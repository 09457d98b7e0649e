/** A line typed at a step, and what becomes of it: a note, a reason to leave it out, something that the plan did not know. */
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';

type StepWordsProps = {
  readonly label: string;
  readonly hint: string;
  readonly most: number;
  readonly button: string;
  readonly atFirst?: string;
  /** Said where nothing is typed; null where nothing is something too. */
  readonly whenEmpty: string | null;
  readonly onKeep: (words: string) => void;
  readonly children?: ReactNode;
};

export function StepWords({ label, hint, most, button, atFirst = '', whenEmpty, onKeep, children }: StepWordsProps) {
  const [words, setWords] = useState(atFirst);
  const [error, setError] = useState<string | null>(null);
  const typed = words.trim();
  const form = useRef<HTMLFormElement>(null);
  // On a telephone it opens behind the buttons.
  useEffect(() => {
    form.current?.scrollIntoView({ block: 'center' });
  }, []);
  return (
    <form
      ref={form}
      className="flex max-w-xl flex-col gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (typed === '' && whenEmpty !== null) setError(whenEmpty);
        else if (typed.length > most) setError(`Type at most ${most} characters; ${typed.length} were read.`);
        else onKeep(typed);
      }}
    >
      <TextField
        label={label}
        hint={hint}
        value={words}
        error={error}
        autoComplete="off"
        onType={(next) => {
          setWords(next);
          setError(null);
        }}
      />
      {children}
      <Button type="submit" className="self-start">
        {button}
      </Button>
    </form>
  );
}
