/** Which part or vehicle of the library is wrong, and what is right? */
import type { Unreadable } from '@low-quarry/core/contracts/catalogue';
import { partName } from '@low-quarry/core/model/parts';
import { vehicleName } from '@low-quarry/core/model/vehicle';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { catalogueQuery } from '../../api/sharedQueries';
import { useAddress, withParams } from '../../ui/address';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { vehiclesQuery } from '../jobs/jobsQueries';

/** More than can be read at once; then words narrow it down. */
const MOST_SHOWN = 100;

export function LibraryScreen() {
  const catalogue = useQuery(catalogueQuery);
  const vehicles = useQuery(vehiclesQuery);
  const [search, changeAddress] = useAddress();
  const find = search.get('find') ?? '';
  return (
    <Shell
      title="Library"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/library', label: 'Library' },
      ]}
    >
      <p className="max-w-2xl">
        Parts and vehicles as their makers describe them. A correction is judged by at once; what is chosen stays chosen
        and says what changed. Jobs keep the openings they began with.
      </p>
      <div className="max-w-md">
        <TextField
          label="Find"
          type="search"
          value={find}
          onType={(text) => changeAddress((before) => withParams(before, { find: text || null }))}
        />
      </div>
      <Answered query={vehicles} what="the vehicles">
        {({ vehicles: all, unreadable }) => (
          <Listed
            unreadable={unreadable}
            title="Vehicles"
            kind="vehicle"
            find={find}
            rows={all.map((each) => ({ id: each.id, name: `${vehicleName(each)}, ${each.years}, ${each.trim}` }))}
          />
        )}
      </Answered>
      <Answered query={catalogue} what="the catalogue">
        {({ parts, unreadable }) => (
          <Listed
            unreadable={unreadable}
            title="Parts"
            kind="part"
            find={find}
            rows={parts.map((part) => ({ id: part.id, name: partName(part) }))}
          />
        )}
      </Answered>
    </Shell>
  );
}

type Row = { readonly id: string; readonly name: string };

function Listed({
  title,
  kind,
  find,
  rows,
  unreadable,
}: {
  readonly title: string;
  readonly kind: 'part' | 'vehicle';
  readonly find: string;
  readonly rows: readonly Row[];
  readonly unreadable: readonly Unreadable[];
}) {
  const words = find.toLowerCase().split(/\s+/);
  const found = rows.filter(({ id, name }) => words.every((word) => `${id} ${name}`.toLowerCase().includes(word)));
  return (
    <section aria-label={title} className="flex flex-col gap-1">
      <h2>
        {title}, {found.length} of {rows.length}
      </h2>
      {unreadable.length > 0 && (
        <ul aria-label={`${title} that cannot be read`} className="border-l-4 border-hits bg-paper px-3 py-2">
          {unreadable.map(({ id, why }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-4">
              <span className="font-semibold text-hits">
                {id} cannot be read ({why}): nothing that names it is judged.
              </span>
              <Link
                to={`/history?kind=${kind}&record=${id}`}
                className="flex min-h-12 items-center text-action underline"
              >
                Bring an earlier state back
              </Link>
            </li>
          ))}
        </ul>
      )}
      {found.length === 0 ? (
        <Empty>{rows.length === 0 ? 'The library has none yet.' : `None has “${find}” in it.`}</Empty>
      ) : (
        <ul className="grid gap-x-6 border-t border-ink sm:grid-cols-2">
          {found.slice(0, MOST_SHOWN).map(({ id, name }) => (
            <li key={id} className="border-b border-hairline">
              <Link to={`/library/${kind}/${id}`} className="flex min-h-12 flex-col justify-center text-action">
                {name}
                <span className="text-[13px] leading-4 text-muted">{id}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {found.length > MOST_SHOWN && (
        <p className="text-muted">The first {MOST_SHOWN} are shown; a word more narrows it down.</p>
      )}
    </section>
  );
}
