/** What is right of this part or vehicle? The record as the open formats describe it. */
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useParams } from 'react-router';
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button, LinkButton } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { useKept } from '../../ui/useKept';
import { type LibraryKind, libraryQuery, useCorrect } from './libraryQueries';

const draftSchema = z.object({ version: z.int(), text: z.string() });

export function CorrectScreen() {
  const { kind = '', id = '' } = useParams();
  const known: LibraryKind = kind === 'vehicle' ? 'vehicle' : 'part';
  const record = useQuery(libraryQuery(known, id));
  return (
    <Shell
      title={`Correct ${id}`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/library', label: 'Library' },
        { to: `/library/${known}/${id}`, label: id },
      ]}
      aside={<LinkButton to={`/history?kind=${known}&record=${id}`}>History</LinkButton>}
    >
      <Answered query={record} what="the record">
        {(answer) => <Form kind={known} id={id} version={answer.version} record={answer.record} />}
      </Answered>
    </Shell>
  );
}

function Form({
  kind,
  id,
  version,
  record,
}: {
  readonly kind: LibraryKind;
  readonly id: string;
  readonly version: number;
  readonly record: Readonly<Record<string, unknown>>;
}) {
  const fresh = () => ({ version, text: JSON.stringify(record, null, 2) });
  const { state, keep, settle, broughtBack } = useKept(`library.${id}`, draftSchema, fresh);
  const { text } = state;
  const [unread, setUnread] = useState<string | null>(null);
  const correct = useCorrect(kind, id);
  const errors = Object.entries(problemFields(correct.error));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    try {
      const json = JSON.parse(text) as Record<string, unknown>;
      setUnread(null);
      correct.mutate(
        { version: state.version, record: json },
        { onSuccess: (saved) => settle({ version: saved.version, text: JSON.stringify(saved.record, null, 2) }) },
      );
    } catch (error) {
      setUnread(`This is not JSON: ${error instanceof Error ? error.message : ''}`);
    }
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <BroughtBack show={broughtBack} onDrop={() => settle(fresh())} />
      {version > state.version && !correct.isPending && (
        <p className="border-l-4 border-measure bg-paper px-3 py-2">
          Somebody else corrected it meanwhile; the history shows what. Yours is on version {state.version}.{' '}
          <button type="button" className="text-action underline" onClick={() => settle(fresh())}>
            Take theirs, drop mine
          </button>{' '}
          or{' '}
          <button type="button" className="text-action underline" onClick={() => keep({ ...state, version })}>
            put mine on top of it
          </button>
        </p>
      )}
      <Field label="Record, JSON" hint={`Version ${state.version}. Lengths in mm, angles in degrees.`} error={unread}>
        {(ids) => (
          <textarea
            {...ids}
            rows={24}
            spellCheck={false}
            value={text}
            onChange={({ target }) => keep({ ...state, text: target.value })}
            className={`${INPUT} py-2 font-mono text-[13px] leading-5`}
          />
        )}
      </Field>
      {errors.length > 0 && (
        <ul role="alert" className="border-l-4 border-hits bg-paper px-3 py-2 text-hits">
          {errors.map(([path, message]) => (
            <li key={path}>
              <strong>{path}:</strong> {message}
            </li>
          ))}
        </ul>
      )}
      <FormError>{problemSentence(correct.error)}</FormError>
      <Button kind="main" type="submit" className="self-start" disabled={correct.isPending}>
        Save the correction
      </Button>
    </form>
  );
}
