/** Changes what somebody may do, says that they have left, or gives them a new password. */
import { type PersonInList, personSchema, putPerson, resetPassword } from '@low-quarry/core/contracts/people';
import { SHORTEST_PASSWORD } from '@low-quarry/core/contracts/sessions';
import type { Role } from '@low-quarry/core/model';
import { PERSON_FIELDS, type PersonState } from '@low-quarry/core/records';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useConflict } from '../../ui/useConflict';
import { FormRoles } from './FormRoles';
import { usePutPerson, useResetPassword } from './peopleQueries';

type PersonFormProps = { readonly person: PersonInList; readonly onDone: () => void };

const personFormSchema = putPerson.body.omit({ version: true });

export function PersonForms({ person, onDone }: PersonFormProps) {
  return (
    <div className="flex flex-col gap-6">
      <PersonForm person={person} onDone={onDone} />
      <PasswordReset person={person} />
    </div>
  );
}

function toState({ name, roles, active }: Pick<PersonInList, 'name' | 'roles' | 'active'>): PersonState {
  return { name, roles, active };
}

function PersonForm({ person, onDone }: PersonFormProps) {
  const [{ version, base }] = useState(() => ({ version: person.version, base: toState(person) }));
  const put = usePutPerson(person.id);
  const { control, handleSubmit, register, watch } = useCheckedForm(
    personFormSchema,
    { name: person.name, roles: person.roles, active: person.active },
    fieldProblems(put.error),
  );
  const { panel, send } = useConflict<PersonState>({
    fieldsOf: () => PERSON_FIELDS,
    read: (current) => {
      const read = personSchema.safeParse(current);
      return read.success ? { version: read.data.version, record: toState(read.data) } : null;
    },
    save: ({ version: on, record: state }, onError) =>
      put.mutate({ version: on, ...state, roles: state.roles as Role[] }, { onError, onSuccess: onDone }),
  });
  return (
    <form onSubmit={handleSubmit((typed) => send(version, base, typed))} className="flex flex-col gap-3" noValidate>
      <FormText control={control} name="name" label="Name" autoComplete="off" />
      <FormRoles control={control} name="roles" />
      <label className="flex min-h-12 items-center gap-3">
        <input type="checkbox" className="size-6 shrink-0 accent-action" {...register('active')} />
        <span>
          Works here{' '}
          <span className="text-muted">· whoever does not is signed out at once; what they did stays theirs</span>
        </span>
      </label>
      <FormError>{panel ? null : problemSentence(put.error)}</FormError>
      {panel ? (
        <ConflictPanel what={person.name} {...panel} onTakeTheirs={onDone} />
      ) : (
        <Button kind="main" type="submit" disabled={put.isPending}>
          Save {watch('name').trim() || 'the person'}
        </Button>
      )}
    </form>
  );
}

function PasswordReset({ person }: { readonly person: PersonInList }) {
  const change = useResetPassword(person.id);
  const { control, handleSubmit, reset } = useCheckedForm(
    resetPassword.body,
    { newPassword: '' },
    fieldProblems(change.error),
  );
  const submit = handleSubmit(({ newPassword }) => change.mutate(newPassword, { onSuccess: () => reset() }));
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 border-t border-ink pt-3" noValidate>
      <h2>They forgot their password</h2>
      <FormText
        control={control}
        name="newPassword"
        label="New password"
        autoComplete="off"
        hint={`At least ${SHORTEST_PASSWORD} characters. Signs ${person.name} out everywhere.`}
      />
      <FormError>{problemSentence(change.error)}</FormError>
      <Button type="submit" className="self-start" disabled={change.isPending}>
        Give {person.name} this password
      </Button>
      <p role="status" className="font-semibold text-clears">
        {change.isSuccess && `${person.name} has a new password.`}
      </p>
    </form>
  );
}
