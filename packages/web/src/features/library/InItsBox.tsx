/** What comes with a part, and which sets it comes in. */
import { type PartRecord, partName } from '@low-quarry/core/catalogue';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { catalogueQuery } from '../../catalogue/catalogueQueries';
import { Answered } from '../../ui/states';
import { partSetsQuery } from './libraryQueries';

export function InItsBox({ record: { id, kind, inBox } }: { readonly record: PartRecord }) {
  const sets = useQuery(partSetsQuery(id));
  const catalogue = useQuery(catalogueQuery);
  return (
    <section aria-label="In its box" className="flex flex-col gap-1">
      <h2>{kind === 'set' ? 'What it is made of' : 'What is in its box'}</h2>
      {inBox === null && (
        <p className="text-measure">
          Nobody wrote it down: look into the box before screws, rings or grilles are ordered beside it.
        </p>
      )}
      {inBox?.length === 0 && <p>Nothing but itself.</p>}
      {inBox && inBox.length > 0 && (
        <ul className="border-t border-ink">
          {inBox.map(({ count, what, partId }) => {
            const part = partId === null ? undefined : catalogue.data?.listed.get(partId);
            return (
              <li key={`${what} ${partId}`} className="flex flex-wrap gap-x-2 border-b border-hairline py-1.5">
                <span>
                  {count} × {what}
                </span>
                {partId !== null && catalogue.data && <PieceOf id={partId}>{part ? partName(part) : null}</PieceOf>}
              </li>
            );
          })}
        </ul>
      )}
      {kind !== 'set' && (
        <Answered query={sets} what="the sets it comes in">
          {({ sets: found }) =>
            found.length > 0 && (
              <p>
                Also in a set:{' '}
                {found.map((set, at) => (
                  <span key={set.id}>
                    {at > 0 && ', '}
                    <Link to={`/parts/${set.id}`} className="text-action underline underline-offset-2">
                      {set.label}
                    </Link>{' '}
                    ({set.count} of it)
                  </span>
                ))}
              </p>
            )
          }
        </Answered>
      )}
    </section>
  );
}

function PieceOf({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  if (children === null) return <span className="font-semibold text-measure">{id} is not in the library</span>;
  return (
    <Link to={`/parts/${id}`} className="text-action underline underline-offset-2">
      {children}
    </Link>
  );
}
