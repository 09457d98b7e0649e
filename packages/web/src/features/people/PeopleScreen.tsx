/** Who works here, and what may they do? */
import { type PersonInList, personSchema } from '@low-quarry/core/contracts/people';
import { SHORTEST_PASSWORD } from '@low-quarry/core/contracts/sessions';
import type { Role } from '@low-quarry/core/model';
import { PERSON_FIELDS, type PersonState } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { rolesWords } from '../../text/roleWords';
import { whenWords } from '../../text/whenWords';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { useConflict } from '../../ui/useConflict';
import { peopleQuery, useCreatePerson, usePutPerson, useResetPassword } from './peopleQueries';
import { RolesField } from './RolesField';

export function PeopleScreen() {
  const people = useQuery(peopleQuery);
  return (
    <Shell
      title="People"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/people', label: 'People' },
      ]}
      aside={<NewPerson />}
    >
      <Answered query={people} what="the people">
        {({ people: all }) => (
          <ul className="border-t border-ink">
            {all.map((person) => (
              <li
                key={person.id}
                className="flex flex-wrap items-center justify-between gap-x-6 border-b border-hairline py-2"
              >
                <span>
                  <strong className="text-[17px]">{person.name}</strong>, {rolesWords(person.roles)}
                  {!person.active && <strong className="text-hold"> · has left, cannot sign in</strong>}
                  <br />
                  <span className="text-muted">{seenWords(person)}</span>
                </span>
                <ChangePerson person={person} />
              </li>
            ))}
          </ul>
        )}
      </Answered>
    </Shell>
  );
}

function seenWords({ lastSeenAt, sessions, hasPin }: PersonInList): string {
  const seen = lastSeenAt ? `last seen ${whenWords(lastSeenAt, new Date())}` : 'not signed in anywhere';
  const where = sessions > 0 ? `, signed in at ${sessions} ${sessions === 1 ? 'place' : 'places'}` : '';
  return `${seen}${where} · ${hasPin ? 'has a PIN' : 'no PIN'}`;
}

function NewPerson() {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="Somebody new"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="main" {...props}>
          Add somebody
        </Button>
      )}
    >
      <NewPersonForm onDone={() => setOpen(false)} />
    </Layer>
  );
}

function NewPersonForm({ onDone }: { readonly onDone: () => void }) {
  const [name, setName] = useState('');
  const [roles, setRoles] = useState<readonly Role[]>(['fitter']);
  const [password, setPassword] = useState('');
  const create = useCreatePerson();
  const errors = problemFields(create.error);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create.mutate({ name, roles: [...roles], password }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <TextField label="Name" value={name} autoComplete="off" error={errors.name} onType={setName} />
      <RolesField roles={roles} error={errors.roles} onChange={setRoles} />
      <TextField
        label="First password"
        value={password}
        autoComplete="off"
        hint={`At least ${SHORTEST_PASSWORD} characters. Tell them; they change it under My sign-in.`}
        error={errors.password}
        onType={setPassword}
      />
      <FormError>{problemSentence(create.error)}</FormError>
      <Button kind="main" type="submit" disabled={create.isPending}>
        Add {name.trim() || 'somebody'}
      </Button>
    </form>
  );
}

function ChangePerson({ person }: { readonly person: PersonInList }) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title={person.name}
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="quiet" {...props}>
          Change<span className="sr-only"> {person.name}</span>
        </Button>
      )}
    >
      <div className="flex flex-col gap-6">
        <PersonForm person={person} onDone={() => setOpen(false)} />
        <PasswordReset person={person} />
      </div>
    </Layer>
  );
}

function toState({ name, roles, active }: Pick<PersonInList, 'name' | 'roles' | 'active'>): PersonState {
  return { name, roles, active };
}

function PersonForm({ person, onDone }: { readonly person: PersonInList; readonly onDone: () => void }) {
  const [base] = useState(() => toState(person));
  const [version] = useState(person.version);
  const [name, setName] = useState(person.name);
  const [roles, setRoles] = useState<readonly Role[]>(person.roles);
  const [active, setActive] = useState(person.active);
  const put = usePutPerson(person.id);
  const errors = problemFields(put.error);
  const { panel, send } = useConflict<PersonState>({
    fields: PERSON_FIELDS,
    read: (current) => {
      const read = personSchema.safeParse(current);
      return read.success ? { version: read.data.version, record: toState(read.data) } : null;
    },
    save: (on, state, onError) =>
      put.mutate({ version: on, ...state, roles: state.roles as Role[] }, { onError, onSuccess: onDone }),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    send(version, base, { name, roles, active });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <TextField label="Name" value={name} autoComplete="off" error={errors.name} onType={setName} />
      <RolesField roles={roles} error={errors.roles} onChange={setRoles} />
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="size-6 accent-action"
          checked={active}
          onChange={({ target }) => setActive(target.checked)}
        />
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
          Save {name.trim() || 'the person'}
        </Button>
      )}
    </form>
  );
}

function PasswordReset({ person }: { readonly person: PersonInList }) {
  const [password, setPassword] = useState('');
  const reset = useResetPassword(person.id);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    reset.mutate(password, { onSuccess: () => setPassword('') });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 border-t border-ink pt-3" noValidate>
      <h2>They forgot their password</h2>
      <TextField
        label="New password"
        value={password}
        autoComplete="off"
        hint={`At least ${SHORTEST_PASSWORD} characters. Signs ${person.name} out everywhere.`}
        error={problemFields(reset.error).newPassword}
        onType={setPassword}
      />
      <FormError>{problemSentence(reset.error)}</FormError>
      <Button type="submit" className="self-start" disabled={reset.isPending || !password}>
        Give {person.name} this password
      </Button>
      <p role="status" className="font-semibold text-clears">
        {reset.isSuccess && `${person.name} has a new password.`}
      </p>
    </form>
  );
}
