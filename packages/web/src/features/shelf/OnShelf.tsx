/** What does the shop have of this part, and where? */
import { useQuery } from '@tanstack/react-query';
import { useMay } from '../../api/me';
import { late } from '../../ui/late';
import { Answered, Loading } from '../../ui/states';
import { Lots } from './Lots';
import { shelfQuery } from './shelfQueries';

const NewLot = late(
  () => import('./NewLot').then((code) => code.NewLot),
  () => <Loading what="the form" />,
);

export function OnShelf({ partId }: { readonly partId: string }) {
  const shelf = useQuery(shelfQuery({ part: partId }));
  const mayCount = useMay('shelf');
  return (
    <section aria-label="On the shelf" className="flex flex-col gap-3">
      <h2>On the shelf</h2>
      <Answered query={shelf} what="the shelf">
        {({ lots, total }) =>
          total === 0 ? (
            <p className="text-muted">Nobody has written down that any of it is there.</p>
          ) : (
            <>
              <Lots lots={lots} showPart={false} />
              {total > lots.length && <p>{total - lots.length} more lots of it stand under Shelf.</p>}
            </>
          )
        }
      </Answered>
      {mayCount && <NewLot partId={partId} />}
    </section>
  );
}
