/** What a person may do: one role or more. */
import { ROLES, type Role } from '@low-quarry/core/model';
import { useId } from 'react';
import { ROLE_WORDS } from '../../text/roleWords';

type RolesFieldProps = {
  readonly roles: readonly Role[];
  readonly error?: string | undefined;
  readonly onChange: (roles: readonly Role[]) => void;
};

export function RolesField({ roles, error, onChange }: RolesFieldProps) {
  const note = useId();
  return (
    <fieldset className="flex flex-col" aria-describedby={note}>
      <legend className="font-semibold">Roles</legend>
      {ROLES.map((role) => (
        <label key={role} className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-6 accent-action"
            checked={roles.includes(role)}
            onChange={({ target }) =>
              onChange(ROLES.filter((each) => (each === role ? target.checked : roles.includes(each))))
            }
          />
          <span>
            {ROLE_WORDS[role].name} <span className="text-muted">· {ROLE_WORDS[role].may}</span>
          </span>
        </label>
      ))}
      <p id={note} className="font-semibold text-hits">
        {error}
      </p>
    </fieldset>
  );
}
