/** Who works here, and what may they do? */
import type { PersonInList } from '@low-quarry/core/contracts/people';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { rolesWords } from '../../text/roleWords';
import { whenWords } from '../../text/whenWords';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { peopleQuery } from './peopleQueries';

const NewPersonForm = late(() => import('./NewPersonForm').then((code) => code.NewPersonForm));
const PersonForms = late(() => import('./PersonForms').then((code) => code.PersonForms));

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
      <PersonForms person={person} onDone={() => setOpen(false)} />
    </Layer>
  );
}
