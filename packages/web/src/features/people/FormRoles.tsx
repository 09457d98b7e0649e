/** What a person may do: one role or more. */
import { ROLES } from '@low-quarry/core/model';
import { useId } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { ROLE_WORDS } from '../../text/roleWords';

type FormRolesProps<Typed extends FieldValues, Read> = {
  readonly control: Control<Typed, unknown, Read>;
  readonly name: FieldPath<Typed>;
};

export function FormRoles<Typed extends FieldValues, Read>({ control, name }: FormRolesProps<Typed, Read>) {
  const note = useId();
  const { field, fieldState } = useController({ control, name });
  const roles: readonly string[] = field.value;
  return (
    <fieldset className="flex flex-col" aria-describedby={note}>
      <legend className="font-semibold">Roles</legend>
      {ROLES.map((role, at) => (
        <label key={role} className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            // Where a refusal leads to.
            ref={at === 0 ? field.ref : undefined}
            className="size-6 shrink-0 accent-action"
            checked={roles.includes(role)}
            onBlur={field.onBlur}
            onChange={({ target }) =>
              field.onChange(ROLES.filter((each) => (each === role ? target.checked : roles.includes(each))))
            }
          />
          <span>
            {ROLE_WORDS[role].name} <span className="text-muted">· {ROLE_WORDS[role].may}</span>
          </span>
        </label>
      ))}
      <p id={note} className="font-semibold text-hits">
        {fieldState.error?.message}
      </p>
    </fieldset>
  );
}
