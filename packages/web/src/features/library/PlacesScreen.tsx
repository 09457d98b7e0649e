/** Where does this speaker fit, of all openings of the library and of the open jobs? */
import { partName } from '@low-quarry/core/catalogue';
import { type PlacesOfPart, whereItFits } from '@low-quarry/core/contracts/whereItFits';
import { checkLabel } from '@low-quarry/core/fit';
import { printLength } from '@low-quarry/core/units';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { call } from '../../api/call';
import { VERDICT_WORDS } from '../../text/words';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered } from '../../ui/states';
import { TakeOut } from '../../ui/TakeOut';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { partQuery } from './libraryQueries';

/** Of whatever was corrected since, the answer is another: it is asked for each time. */
const placesQuery = (partId: string) =>
  queryOptions({
    queryKey: ['library', 'places', partId],
    queryFn: ({ signal }) => call(whereItFits, { params: { partId }, signal }),
    staleTime: 0,
  });

export function PlacesScreen() {
  const { id = '' } = useParams();
  const part = useQuery(partQuery(id));
  const places = useQuery(placesQuery(id));
  const name = part.data ? partName(part.data.record) : id;
  return (
    <Shell
      title={`Where ${name} fits`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: `/parts/${id}`, label: name },
        { to: `/parts/${id}/places`, label: 'Where it fits' },
      ]}
    >
      <Answered query={places} what="every opening judged">
        {(found) => (
          <>
            <Places {...found} />
            {found.places.length > 0 && <TakeOut list="places" asked={{ id }} />}
          </>
        )}
      </Answered>
    </Shell>
  );
}

function Places({ lacks, places, counts, unreadable }: PlacesOfPart) {
  const { unit } = useSettings();
  if (lacks.length > 0)
    return (
      <p>
        <strong className="text-measure">Not judged.</strong> Nobody wrote down: {lacks.join(', ')}.
      </p>
    );
  const { clears, measure, hold, hits } = counts;
  const told = clears + measure + hold;
  return (
    <>
      <p className="max-w-2xl">
        At the best of the shop’s brackets and rings, each opening as it is known: it clears {clears}, is to be measured
        at {measure}, is on hold at {hold}, and hits at {hits}.
        {unreadable > 0 && ` ${unreadable} records could not be read, and are not judged.`}
      </p>
      {told > places.length && <p>The surest {places.length} of them:</p>}
      <ul aria-label="Openings" className="border-t border-ink">
        {places.map(({ of, id, car, opening, behind, verdict, decidedBy, marginMm, stack }) => (
          <li
            key={`${of} ${id} ${opening}`}
            className="grid grid-cols-[16px_1fr_auto] gap-x-3 border-b border-hairline py-1.5"
          >
            <span className="pt-1">
              <VerdictMark verdict={verdict} />
            </span>
            <span>
              <Link
                to={of === 'job' ? `/jobs/${id}` : `/vehicles/${id}`}
                className="text-action underline underline-offset-2"
              >
                {of === 'job' && 'Open job: '}
                {car}
              </Link>
              , {opening}
              <span className="block text-[13px] leading-4 text-muted">
                {stack.length === 0 ? 'alone' : `with ${stack.join(' + ')}`}
              </span>
            </span>
            <span className={`text-right ${verdictColour(verdict)}`}>
              {VERDICT_WORDS[verdict]}
              <span className="block text-[13px] leading-4">
                {checkLabel(decidedBy, behind)}
                {marginMm !== null && `, ${printLength(marginMm, unit)} left`}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
