/** Which of these parts is it to be: where do they differ? */
import { type PartKind, type PartRecord, partKindWord, partName } from '@low-quarry/core/catalogue';
import { useQueries, useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ProblemError } from '../../../api/call';
import { Button } from '../../../ui/Button';
import { Shell } from '../../../ui/Shell';
import { Answered, Loading } from '../../../ui/states';
import { TextField } from '../../../ui/TextField';
import { useAsked } from '../../../ui/useRested';
import { foundPartsQuery } from '../foundPartsQuery';
import { partQuery } from '../libraryQueries';
import { ComparedDrawing, LETTERS, LineSample } from './ComparedDrawing';
import { comparedAddress, comparedRows, MOST_COMPARED } from './compared';

/** So many that were found are offered. */
const OFFERED = 8;

export function CompareScreen() {
  const [search, setSearch] = useSearchParams();
  const ids = [...new Set(search.getAll('part'))].slice(0, MOST_COMPARED);
  const show = (next: readonly string[]) => setSearch(new URLSearchParams(next.map((id) => ['part', id])));
  const takeAway = (id: string) => show(ids.filter((each) => each !== id));
  const queries = useQueries({ queries: ids.map((id) => partQuery(id)) });
  const parts = queries.flatMap(({ data }) => (data ? [data.record] : []));
  const kind = parts[0]?.kind;
  const alike = parts.filter((part) => part.kind === kind);
  const others = parts.filter((part) => part.kind !== kind);
  const missing = ids.flatMap((id, at) => (queries[at]?.error ? [{ id, why: whyNot(queries[at].error) }] : []));
  return (
    <Shell
      title="Parts compared"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: comparedAddress(ids), label: 'Compared' },
      ]}
    >
      {missing.map(({ id, why }) => (
        <Beside key={id} onTakeAway={() => takeAway(id)} what={id}>
          “{id}” cannot be shown: {why}
        </Beside>
      ))}
      {others.map((part) => (
        <Beside key={part.id} onTakeAway={() => takeAway(part.id)} what={partName(part)}>
          {partName(part)} is another kind, {partKindWord(part.kind).toLowerCase()}: it stands beside none of these.
        </Beside>
      ))}
      {queries.some(({ isPending }) => isPending) && <Loading what="the parts" />}
      {alike.length > 0 && <Compared parts={alike} onTakeAway={(id) => show(ids.filter((each) => each !== id))} />}
      {ids.length < MOST_COMPARED ? (
        <AddOne kind={kind ?? ''} taken={ids} onAdd={(id) => show([...ids, id])} />
      ) : (
        <p className="text-muted">{MOST_COMPARED} at most: take one away to look at another.</p>
      )}
    </Shell>
  );
}

function whyNot(error: Error): string {
  const isGone = error instanceof ProblemError && error.problem.status === 404;
  return isGone ? 'there is no such part.' : error.message;
}

type BesideProps = { readonly what: string; readonly onTakeAway: () => void; readonly children: ReactNode };

/** What was asked for and stands in no column. */
function Beside({ what, onTakeAway, children }: BesideProps) {
  return (
    <div role="alert" className="flex flex-wrap items-center gap-3 font-semibold text-measure">
      <p>{children}</p>
      <Button onClick={onTakeAway} aria-label={`Take ${what} away`}>
        Take away
      </Button>
    </div>
  );
}

type ComparedProps = { readonly parts: readonly PartRecord[]; readonly onTakeAway: (id: string) => void };

function Compared({ parts, onTakeAway }: ComparedProps) {
  const rows = comparedRows(parts);
  const differing = rows.filter(({ differs }) => differs);
  const same = rows.filter(({ differs }) => !differs);
  return (
    <>
      <ComparedDrawing parts={parts} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keys. */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="Values side by side">
        <table className="w-full min-w-[36rem] text-left">
          <thead>
            <tr className="border-b border-ink align-bottom">
              <th scope="col" className="pr-4 font-normal text-muted">
                {parts.length > 1 && 'Differences over A'}
              </th>
              {parts.map((part, at) => (
                <th key={part.id} scope="col" className="pr-4 pb-1">
                  <span className="flex items-center gap-2">
                    {LETTERS[at]} <LineSample at={at} />
                  </span>
                  <Link to={`/parts/${part.id}`} className="flex min-h-12 items-center text-action">
                    {partName(part)}
                  </Link>
                  <Button onClick={() => onTakeAway(part.id)} aria-label={`Take ${partName(part)} away`}>
                    Take away
                  </Button>
                </th>
              ))}
            </tr>
          </thead>
          {parts.length > 1 && (
            <Rows
              title={differing.length > 0 ? 'They differ in' : 'They differ in nothing that is known'}
              rows={differing}
            />
          )}
          <Rows title={parts.length > 1 ? 'The same in all' : 'Its figures'} rows={parts.length > 1 ? same : rows} />
        </table>
      </section>
    </>
  );
}

type RowsProps = { readonly title: string; readonly rows: ReturnType<typeof comparedRows> };

function Rows({ title, rows }: RowsProps) {
  const [first] = rows;
  return (
    <tbody>
      <tr>
        <th scope="colgroup" colSpan={(first?.cells.length ?? 1) + 1} className="pt-4 pb-1">
          {title}
        </th>
      </tr>
      {rows.map(({ key, label, cells, differs }) => (
        <tr key={key} className="border-b border-hairline align-top">
          <th scope="row" className="sticky left-0 max-w-28 bg-ground py-1.5 pr-4 font-normal text-muted sm:max-w-none">
            {label}
          </th>
          {cells.map(({ words, over }, at) => (
            <td
              // biome-ignore lint/suspicious/noArrayIndexKey: The cells of a row are the parts in their order.
              key={at}
              className={`py-1.5 pr-4 ${words === 'not stated' ? 'text-measure' : differs ? 'font-semibold' : ''}`}
            >
              {words}
              {over && <span className="font-normal text-muted"> ({over})</span>}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
}

type AddOneProps = {
  readonly kind: PartKind | '';
  readonly taken: readonly string[];
  readonly onAdd: (id: string) => void;
};

function AddOne({ kind, taken, onAdd }: AddOneProps) {
  const [find, type] = useState('');
  const asked = useAsked(find);
  const query = useQuery({ ...foundPartsQuery({ find: asked, ...(kind && { kind }) }), enabled: asked.trim() !== '' });
  const what = kind === '' ? 'part' : partKindWord(kind).toLowerCase();
  return (
    <section aria-label={`Add a ${what}`} className="flex max-w-2xl flex-col gap-2">
      <TextField label={`Add a ${what}`} type="search" value={find} onType={type} />
      {asked.trim() !== '' && (
        <Answered query={query} what="the parts">
          {({ found }) => {
            const free = found.filter(({ id }) => !taken.includes(id)).slice(0, OFFERED);
            if (free.length === 0) return <p>None has “{asked}” in it, or it stands here already.</p>;
            return (
              <ul aria-label="Found">
                {free.map(({ id, label, says }) => (
                  <li key={id} className="border-b border-hairline">
                    <button
                      type="button"
                      className="flex min-h-12 w-full flex-col justify-center py-1 text-left text-action"
                      onClick={() => {
                        type('');
                        onAdd(id);
                      }}
                    >
                      {label}
                      <span className="text-[13px] leading-4 text-muted">{says}</span>
                    </button>
                  </li>
                ))}
              </ul>
            );
          }}
        </Answered>
      )}
    </section>
  );
}
