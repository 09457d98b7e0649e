/** A labelled field with its hint and its error; what is inside is told both by id. */
import { type ReactNode, useId } from 'react';

export const INPUT =
  'min-h-12 w-full scroll-mt-4 scroll-mb-36 border border-muted bg-paper px-3 text-ink aria-invalid:border-2 aria-invalid:border-hits';

export type FieldIds = { readonly id: string; readonly 'aria-describedby': string; readonly 'aria-invalid': boolean };

type FieldProps = {
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  readonly error?: string | null | undefined;
  readonly children: (ids: FieldIds) => ReactNode;
};

/** The id of the label of what has this one. */
export function labelIdOf(id: string): string {
  return `${id}-label`;
}

export function Field({ label, hint, error, children }: FieldProps) {
  const id = useId();
  const note = `${id}-note`;
  return (
    <div className="flex flex-col gap-1">
      <label id={labelIdOf(id)} htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children({ id, 'aria-describedby': note, 'aria-invalid': Boolean(error) })}
      <p id={note} className={error ? 'font-semibold text-hits' : 'text-[13px] leading-4 text-muted'}>
        {error ?? hint}
      </p>
    </div>
  );
}
