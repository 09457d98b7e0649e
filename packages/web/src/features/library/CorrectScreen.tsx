/** What is right of this part or vehicle? The record as the open formats describe it. */
import { keysOf } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useParams } from 'react-router';
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button, LinkButton } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { type LibraryKind, libraryQuery, useCorrect } from './libraryQueries';

const recordSchema = z.record(z.string(), z.unknown());
const versionedSchema = z.object({ version: z.int(), record: recordSchema });
const draftSchema = z.object({ version: z.int(), base: recordSchema, text: z.string() });
type Rec = z.infer<typeof recordSchema>;

function toDraft(version: number, record: Rec): z.infer<typeof draftSchema> {
  return { version, base: record, text: JSON.stringify(record, null, 2) };
}

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
  const fresh = () => toDraft(version, record);
  const { state, keep, settle, broughtBack } = useKept(`library.${id}`, draftSchema, fresh);
  const { text } = state;
  const [unread, setUnread] = useState<string | null>(null);
  const correct = useCorrect(kind, id);
  const errors = Object.entries(problemFields(correct.error));
  const typed = readRecord(text);
  const fields = keysOf(state.base, typed ?? {});
  const { conflict, panel, send, drop } = useConflict<Rec>({
    fields,
    read: (current) => versionedSchema.safeParse(current).data ?? null,
    save: (on, next, onError) =>
      correct.mutate(
        { version: on, record: next },
        { onError, onSuccess: (saved) => settle(toDraft(saved.version, saved.record)) },
      ),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setUnread(
      typed ? null : 'This is not an object in JSON. Put the record back as it was, then change what is wrong.',
    );
    if (typed) send(state.version, state.base, typed);
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <BroughtBack show={broughtBack} onDrop={() => settle(fresh())} />
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
      <FormError>{conflict ? null : problemSentence(correct.error)}</FormError>
      {conflict && panel && (
        <ConflictPanel
          what="this record"
          {...panel}
          onTakeTheirs={() => {
            drop();
            settle(toDraft(conflict.theirs.version, conflict.theirs.record));
          }}
        />
      )}
      <Button kind="main" type="submit" className="self-start" disabled={correct.isPending}>
        Save the correction
      </Button>
    </form>
  );
}

function readRecord(text: string): Rec | null {
  try {
    return recordSchema.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}
