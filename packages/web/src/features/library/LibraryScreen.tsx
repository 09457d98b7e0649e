/** Which part of the library is wrong, and what is right? */
import { PART_KINDS, partKindWord } from '@low-quarry/core/catalogue';
import { FOUND_A_PAGE, PARTS_PACK_PATH, partsTable } from '@low-quarry/core/contracts/findParts';
import { TABLE_FORMATS } from '@low-quarry/core/contracts/tableFormats';
import type { Unreadable } from '@low-quarry/core/contracts/unreadable';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { fillPath } from '../../api/fillPath';
import { useMay } from '../../api/me';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { catalogueQuery } from '../../catalogue/catalogueQueries';
import { readPage, useAddress, withParams, writePage } from '../../ui/address';
import { DownloadLink, LinkButton } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Pages } from '../../ui/Pages';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { useAsked } from '../../ui/useRested';
import { foundPartsQuery } from './foundPartsQuery';
import { ImportParts } from './ImportParts';
import { FoundTable } from './narrow/FoundTable';
import { Narrow, narrowWords } from './narrow/Narrow';
import { askedOf, narrows, readNarrowed } from './narrow/narrowed';

const KINDS = [['', 'All kinds'], ...PART_KINDS.map((kind) => [kind, partKindWord(kind)] as const)] as const;

export function LibraryScreen() {
  const mayAdd = useMay('parts');
  const mayChange = useMay('library');
  const catalogue = useQuery(catalogueQuery);
  const [search, changeAddress] = useAddress();
  const find = search.get('find') ?? '';
  const askedKind = search.get('kind');
  const kind = PART_KINDS.find((each) => each === askedKind) ?? '';
  const narrowed = readNarrowed(search);
  const { columns, by, order } = narrowed;
  const { unit } = useSettings();
  const page = readPage(search);
  const currency = useQuery(shopSettingsQuery).data?.currency ?? '';
  const asked = { find: useAsked(find), ...(kind && { kind }), ...askedOf(narrowed) };
  const parts = useQuery(foundPartsQuery({ ...asked, page }));
  const set = (changes: Readonly<Record<string, string | null>>) =>
    changeAddress((before) => withParams(before, { page: null, ...changes }));
  return (
    <Shell
      title="Parts"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
      ]}
      aside={
        <div className="flex flex-wrap gap-3">
          <LinkButton to={`/plot?${search}`}>Plot</LinkButton>
          <LinkButton to="/shelf">Shelf</LinkButton>
          <LinkButton to="/serving">What to keep in stock</LinkButton>
          <LinkButton to="/disagreements">Where they disagree</LinkButton>
          {mayAdd && (
            <>
              {mayChange && <LinkButton to="/supplier-list">Bring in a supplier’s list</LinkButton>}
              {mayChange && <LinkButton to="/doubts">Doubtful figures</LinkButton>}
              <LinkButton to={`/new-parts${kind && `?kind=${kind}`}`}>New parts by hand</LinkButton>
              <ImportParts />
              <DownloadLink href={PARTS_PACK_PATH}>Download all as a parts pack</DownloadLink>
            </>
          )}
        </div>
      }
    >
      <p className="max-w-2xl">
        Parts as their makers describe them. A correction is judged by at once; what is chosen stays chosen and says
        what changed.
      </p>
      <div className="grid max-w-4xl gap-3 sm:grid-cols-[2fr_1fr]">
        <TextField label="Find" type="search" value={find} onType={(text) => set({ find: text || null })} />
        <Choice label="Kind" value={kind} options={KINDS} onChange={(next) => set({ kind: next || null })} />
      </div>
      <Narrow narrowed={narrowed} currency={currency} onChange={set} />
      <Answered query={parts} what="the parts">
        {({ found, total, isLike }) => (
          <section aria-label="Parts" className="flex flex-col gap-1">
            <h2>
              Parts, {total.toLocaleString('en')}
              {catalogue.data && ` of ${catalogue.data.listed.size.toLocaleString('en')}`}
            </h2>
            {narrows(narrowed) && (
              <p className="font-semibold text-measure">Only: {narrowWords(narrowed, unit, currency)}.</p>
            )}
            {isLike && (
              <p className="font-semibold text-measure">None has “{find}” in it. These are written like it:</p>
            )}
            <Unreadables unreadable={catalogue.data?.unreadable ?? []} />
            {columns.length > 0 && found.length > 0 ? (
              <FoundTable
                {...{ found, columns, currency, by, order }}
                onOrder={(next, way) => set({ by: next, order: way === 'down' ? 'down' : null })}
              />
            ) : (
              <Rows
                rows={found.map(({ id, kind, label, says }) => ({
                  id,
                  name: label,
                  what: [partKindWord(kind), says].filter(Boolean).join(': '),
                }))}
                find={find}
              />
            )}
            {total > 0 && (
              <p className="flex flex-wrap items-center gap-3 pt-3">
                <span>All {total.toLocaleString('en')} of this list, a row for each offer:</span>
                {TABLE_FORMATS.map((format) => (
                  <DownloadLink key={format} href={fillPath(partsTable.path, { ...asked, find, format })}>
                    {format.toUpperCase()}
                  </DownloadLink>
                ))}
              </p>
            )}
            <Pages
              page={page}
              pageSize={FOUND_A_PAGE}
              total={total}
              what="parts"
              onPage={(next) => changeAddress((before) => withParams(before, { page: writePage(next) }))}
            />
          </section>
        )}
      </Answered>
    </Shell>
  );
}

type Row = { readonly id: string; readonly name: string; readonly what?: string };

function Unreadables({ unreadable }: { readonly unreadable: readonly Unreadable[] }) {
  if (unreadable.length === 0) return null;
  return (
    <ul aria-label="Parts that cannot be read" className="border-l-4 border-hits bg-paper px-3 py-2">
      {unreadable.map(({ id, why }) => (
        <li key={id} className="flex flex-wrap items-center gap-x-4">
          <span className="font-semibold text-hits">
            {id} cannot be read ({why}): nothing that names it is judged.
          </span>
          <Link to={`/history?kind=part&record=${id}`} className="flex min-h-12 items-center text-action underline">
            Bring an earlier state back
          </Link>
        </li>
      ))}
    </ul>
  );
}

function Rows({ rows, find }: { readonly rows: readonly Row[]; readonly find: string }) {
  if (rows.length === 0) return <Empty>{find === '' ? 'There is none.' : `None has “${find}” in it.`}</Empty>;
  return (
    <ul className="grid gap-x-6 border-t border-ink sm:grid-cols-2">
      {rows.map(({ id, name, what }) => (
        <li key={id} className="border-b border-hairline">
          <Link to={`/parts/${id}`} className="flex min-h-12 flex-col justify-center py-1 text-action">
            {name}
            <span className="text-[13px] leading-4 text-muted">{what ? `${what} · ${id}` : id}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
