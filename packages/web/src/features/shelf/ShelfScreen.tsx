/** What is in this shop already, where does it lie, and for which job? */
import { LOTS_A_PAGE } from '@low-quarry/core/contracts/shelf';
import { useQuery } from '@tanstack/react-query';
import { readPage, useAddress, withParams, writePage } from '../../ui/address';
import { LinkButton } from '../../ui/Button';
import { Pages } from '../../ui/Pages';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { TakeOut } from '../../ui/TakeOut';
import { TextField } from '../../ui/TextField';
import { useAsked } from '../../ui/useRested';
import { Lots } from './Lots';
import { shelfQuery } from './shelfQueries';

export function ShelfScreen() {
  const [search, changeAddress] = useAddress();
  const find = search.get('find') ?? '';
  const page = readPage(search);
  const shelf = useQuery(shelfQuery({ find: useAsked(find), page }));
  return (
    <Shell
      title="Shelf"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/shelf', label: 'Shelf' },
      ]}
      aside={
        <div className="flex flex-wrap gap-3">
          <LinkButton to="/scan">Scan</LinkButton>
          <LinkButton to={`/labels?of=lots${find && `&find=${encodeURIComponent(find)}`}`}>
            {find === '' ? 'Labels for all of it' : 'Labels for these'}
          </LinkButton>
        </div>
      }
    >
      <p className="max-w-2xl">
        What the shop has, as it was counted last. A part goes on the shelf from its own page; an order list takes from
        here what is put aside for its job.
      </p>
      <div className="max-w-xl">
        <TextField
          label="Find"
          type="search"
          value={find}
          hint="A part, a place, an order, or the number on a label."
          onType={(text) => changeAddress((before) => withParams(before, { page: null, find: text || null }))}
        />
      </div>
      <Answered query={shelf} what="the shelf">
        {({ lots, total }) => (
          <section aria-label="Lots" className="flex flex-col gap-1">
            <h2>
              {total.toLocaleString('en')} {total === 1 ? 'lot' : 'lots'}
            </h2>
            {lots.length === 0 ? (
              <Empty>{find === '' ? 'Nothing was put on the shelf yet.' : `None has “${find}” in it.`}</Empty>
            ) : (
              <Lots lots={lots} showPart />
            )}
            {total > 0 && <TakeOut list="shelf" asked={{ find }} />}
            <Pages
              page={page}
              pageSize={LOTS_A_PAGE}
              total={total}
              what="lots"
              onPage={(next) => changeAddress((before) => withParams(before, { page: writePage(next) }))}
            />
          </section>
        )}
      </Answered>
    </Shell>
  );
}
