/** What happened, who did it, and what was it before? */
import type { Change } from '@low-quarry/core/contracts/history';
import { changeHeadline, changeSentences, RECORD_KINDS, RECORDS, type RecordKind } from '@low-quarry/core/records';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { whenWords } from '../../text/whenWords';
import { useAddress, withParams } from '../../ui/address';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { Shell } from '../../ui/Shell';
import { Empty, Loading } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { useAsked } from '../../ui/useRested';
import { historyQuery, useBringBack } from './historyQueries';
import { UndoPanel } from './UndoPanel';

const ALL = 'all';

export function HistoryScreen() {
  const [search, changeAddress] = useAddress();
  const find = search.get('find') ?? '';
  const kind = RECORD_KINDS.find((each) => each === search.get('kind'));
  const [record, job] = [search.get('record') ?? undefined, search.get('job') ?? undefined];
  const pages = useInfiniteQuery(historyQuery({ find: useAsked(find) || undefined, kind, record, job }));
  const changes = pages.data?.pages.flatMap((page) => page.changes) ?? [];
  const cars = Object.assign({}, ...(pages.data?.pages.map((page) => page.cars) ?? [])) as Record<string, string>;
  return (
    <Shell
      title={record && changes[0] ? `History of ${changes[0].label}` : job ? 'History of the job' : 'History'}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/history', label: 'History' },
      ]}
    >
      <UndoPanel />
      <div className="grid gap-3 sm:grid-cols-[2fr_1fr] lg:max-w-3xl">
        <TextField
          label="Find"
          type="search"
          value={find}
          hint="A name, a device, a number, a word of what was typed"
          onType={(text) => changeAddress((before) => withParams(before, { find: text || null }))}
        />
        <Choice<RecordKind | typeof ALL>
          label="What was changed"
          value={kind ?? ALL}
          options={[[ALL, 'Everything'], ...RECORD_KINDS.map((each) => [each, RECORDS[each].word] as const)]}
          onChange={(next) => changeAddress((before) => withParams(before, { kind: next === ALL ? null : next }))}
        />
      </div>
      {(record || job) && (
        <Link to="/history" className="inline-flex min-h-8 items-center self-start text-action underline">
          The whole history
        </Link>
      )}
      {pages.isError ? (
        <p role="alert">The history could not be loaded: {pages.error.message}</p>
      ) : !pages.data ? (
        <Loading what="the history" slow={pages.failureCount > 0} />
      ) : changes.length === 0 ? (
        <Empty>Nothing in the history is like that.</Empty>
      ) : (
        <ol aria-label="Changes" className="border-t border-ink">
          {changes.map((change) => (
            <ChangeRow key={change.id} change={change} car={(change.jobId && cars[change.jobId]) || null} />
          ))}
        </ol>
      )}
      {pages.hasNextPage && (
        <Button className="self-start" disabled={pages.isFetchingNextPage} onClick={() => pages.fetchNextPage()}>
          {pages.isFetchingNextPage ? 'Loading …' : 'Show earlier changes'}
        </Button>
      )}
    </Shell>
  );
}

function ChangeRow({ change, car }: { readonly change: Change; readonly car: string | null }) {
  const sentences = changeSentences(change);
  return (
    <li className="grid gap-x-6 border-b border-hairline py-2 md:grid-cols-[230px_1fr_auto]">
      <span className="text-muted">
        {whenWords(change.at, new Date())}
        <br />
        {change.deviceName}
      </span>
      <div className="min-w-0">
        <p>
          <strong>{change.personName}</strong> {changeHeadline(change)}
          {car && change.jobId && change.kind !== 'job' && (
            <>
              {' '}
              of{' '}
              <Link to={addressOf('job', { jobId: change.jobId })} className="text-action underline underline-offset-2">
                {car}
              </Link>
            </>
          )}
        </p>
        {sentences.length > 0 && (
          <ul className="text-[14px]">
            {sentences.map((sentence) => (
              <li key={sentence} className="break-words">
                {sentence}
              </li>
            ))}
          </ul>
        )}
      </div>
      <BringBack change={change} />
    </li>
  );
}

/** A job that is gone for good is gone, and an opening is not taken out of its job. */
function canComeBack({ kind, action, before }: Change): boolean {
  return action !== 'purged' && !(before === null && kind === 'opening');
}

function BringBack({ change }: { readonly change: Change }) {
  const [open, setOpen] = useState(false);
  const bring = useBringBack();
  if (!canComeBack(change)) return <span />;
  const send = (to: 'before' | 'after') =>
    bring.mutate({ changeId: change.id, to }, { onSuccess: () => setOpen(false) });
  return (
    <Layer
      title={change.label}
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="quiet" className="justify-self-start" {...props}>
          Look and bring back<span className="sr-only">: {change.label}</span>
        </Button>
      )}
    >
      <div className="flex flex-col gap-4">
        <p>
          {change.personName} {changeHeadline(change)}, {whenWords(change.at, new Date())}.
        </p>
        <div className="grid gap-4 sm:grid-cols-2">
          <State title="Before" state={change.before} />
          <State title="After" state={change.after} />
        </div>
        <p className="text-muted">Bringing a state back is a new change; nothing of the history is lost by it.</p>
        <FormError>{bring.error?.message ?? null}</FormError>
        <div className="flex flex-wrap gap-3">
          {change.before !== null && (
            <Button disabled={bring.isPending} onClick={() => send('before')}>
              Bring back what it was before
            </Button>
          )}
          {change.after !== null && (
            <Button disabled={bring.isPending} onClick={() => send('after')}>
              Bring back what it was after
            </Button>
          )}
        </div>
      </div>
    </Layer>
  );
}

/** Any state as it is kept, without reading anything into it. */
function State({ title, state }: { readonly title: string; readonly state: unknown }) {
  return (
    <section aria-label={title}>
      <h3 className="font-bold">{title}</h3>
      {state === null ? (
        <p className="text-muted">It was not there.</p>
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by the keyboard
        <pre tabIndex={0} className="max-h-64 overflow-auto border border-hairline p-2 text-[12px] leading-4">
          {JSON.stringify(state, null, 1)}
        </pre>
      )}
    </section>
  );
}
