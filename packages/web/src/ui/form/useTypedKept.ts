/** What is typed into a form is kept from the first letter; what the program puts there is not. */
import { useEffect, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

export function useTypedKept<Typed extends FieldValues, Read>(
  { subscribe }: UseFormReturn<Typed, unknown, Read>,
  keep: (typed: Typed) => void,
): void {
  const latest = useRef(keep);
  latest.current = keep;
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ name, values }) => {
          if (name !== undefined) latest.current(values);
        },
      }),
    [subscribe],
  );
}
