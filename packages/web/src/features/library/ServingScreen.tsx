/** Which few speakers are worth keeping on the shelf, by the cars that came? */
import { SERVED_BY, type ServesMost, servesMost } from '@low-quarry/core/contracts/servesMost';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { useAddress, withParams } from '../../ui/address';
import { Choice } from '../../ui/Choice';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { TakeOut } from '../../ui/TakeOut';

type By = (typeof SERVED_BY)[number];

const BY_WORDS: Readonly<Record<By, string>> = {
  clears: 'Where it clears',
  measure: 'Where it clears, or is to be measured first',
};
const OPTIONS = SERVED_BY.map((by) => [by, BY_WORDS[by]] as const);

/** Of whatever was measured or corrected since, the answer is another: it is asked for each time. */
const servingQuery = (by: By) =>
  queryOptions({
    queryKey: ['library', 'serving', by],
    queryFn: ({ signal }) => call(servesMost, { params: { by }, signal }),
    staleTime: 0,
  });

export function ServingScreen() {
  const [search, changeAddress] = useAddress();
  const asked = search.get('by');
  const by = SERVED_BY.find((each) => each === asked) ?? 'clears';
  const serving = useQuery(servingQuery(by));
  return (
    <Shell
      title="What to keep in stock"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/serving', label: 'What to keep in stock' },
      ]}
    >
      <p className="max-w-2xl">
        The few speakers that together serve the most openings of the cars that came, each in openings of its own
        nominal size, at the best of the shop’s brackets and rings. What a speaker costs, and how it sounds, is not
        weighed.
      </p>
      <div className="max-w-md">
        <Choice
          label="A speaker serves an opening"
          value={by}
          options={OPTIONS}
          onChange={(next) => changeAddress((before) => withParams(before, { by: next === 'clears' ? null : next }))}
        />
      </div>
      <Answered query={serving} what="every speaker judged in every opening">
        {(found) => (
          <>
            <Serving {...found} by={by} />
            {found.chosen.length > 0 && <TakeOut list="serving" asked={{ by }} />}
          </>
        )}
      </Answered>
    </Shell>
  );
}

function Serving({ by, chosen, openings, served, older, speakers, ...left }: ServesMost & { readonly by: By }) {
  const together = chosen.reduce((sum, { adds }) => sum + adds, 0);
  const asides = asidesOf({ ...left, older });
  return (
    <>
      {chosen.length === 0 ? (
        <p className="max-w-2xl font-semibold text-measure">
          None of {speakers} speakers {by === 'clears' ? 'clears' : 'clears, or might clear,'} any of {openings}{' '}
          openings{by === 'clears' && openings > 0 ? ': look at those that are to be measured first.' : '.'}
        </p>
      ) : (
        <p className="max-w-2xl">
          {chosen.length} of {speakers} speakers {chosen.length === 1 ? 'serves' : 'serve'} {together} of {openings}{' '}
          openings; all {speakers} would serve {served}.
        </p>
      )}
      {asides.length > 0 && <p className="max-w-2xl text-muted">Left out are {asides.join('; ')}.</p>}
      <ol aria-label="Speakers to keep" className="border-t border-ink">
        {chosen.map(({ id, label, says, clears, measure, adds }, at) => (
          <li key={id} className="grid grid-cols-[2rem_1fr_auto] gap-x-3 border-b border-hairline py-1.5">
            <span className="pt-3 text-muted">{at + 1}</span>
            <span>
              <Link to={`/parts/${id}/places`} className="flex min-h-12 flex-col justify-center text-action">
                {label}
                <span className="text-[13px] leading-4 text-muted">{says}</span>
              </Link>
            </span>
            <span className="pt-3 text-right">
              <strong>adds {adds}</strong>
              <span className="block text-[13px] leading-4 text-muted">
                clears {clears}, to be measured at {measure}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </>
  );
}

function asidesOf({
  older,
  lacking,
  notToBeHad,
  unreadable,
}: Pick<ServesMost, 'older' | 'lacking' | 'notToBeHad' | 'unreadable'>) {
  return [
    ...(notToBeHad > 0 ? [`speakers that are made no more, or that nobody is known to sell: ${notToBeHad}`] : []),
    ...(lacking > 0 ? [`speakers without a figure that the fit needs: ${lacking}`] : []),
    ...(older > 0 ? [`openings of older jobs: ${older}`] : []),
    ...(unreadable > 0 ? [`records that cannot be read: ${unreadable}`] : []),
  ];
}
