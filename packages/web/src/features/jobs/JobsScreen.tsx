/** Which cars are here, and how far is each? */
import type { JobInList, OpeningState } from '@low-quarry/core/contracts/jobs';
import { placeLabel } from '@low-quarry/core/model/place';
import { WEEKDAYS } from '@low-quarry/core/model/shop';
import { vehicleName } from '@low-quarry/core/model/vehicle';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { shopQuery } from '../../api/sharedQueries';
import { useAddress, withParams } from '../../ui/address';
import { LinkButton } from '../../ui/Button';
import { INPUT } from '../../ui/Field';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty } from '../../ui/states';
import { BookIn } from './BookIn';
import { dueWords, isDueWhenClosed } from './dueWords';
import { jobsQuery } from './jobsQueries';
import { jobTitle } from './jobTitle';
import { StateMark } from './OpeningStateLine';
import { openingStateView } from './openingStateView';

export function JobsScreen() {
  const jobs = useQuery(jobsQuery);
  const shop = useQuery(shopQuery);
  const [search, changeAddress] = useAddress();
  const mayBook = useMay('jobs');
  const words = search.get('find') ?? '';
  return (
    <Shell
      title="Jobs"
      crumbs={[{ to: '/', label: shop.data?.name ?? 'Jobs' }]}
      aside={
        <span className="flex flex-wrap gap-2">
          <LinkButton to="/will-it-fit">Will this one fit?</LinkButton>
          {mayBook && <BookIn />}
        </span>
      }
    >
      <Answered query={jobs} what="the jobs">
        {({ jobs: all }) =>
          all.length === 0 ? (
            <Empty>
              <p>No car is booked in. Book the first one in: everything else follows from its openings.</p>
            </Empty>
          ) : (
            <>
              <label className="flex max-w-md flex-col gap-1">
                <span className="font-semibold">Find a car</span>
                <input
                  type="search"
                  value={words}
                  placeholder="Number, customer, vehicle, registration"
                  onChange={({ target }) =>
                    changeAddress((before) => withParams(before, { find: target.value || null }))
                  }
                  className={INPUT}
                />
              </label>
              <JobList
                jobs={all.filter((job) => matches(job, words))}
                words={words}
                openOn={shop.data?.workingHours.days ?? WEEKDAYS}
              />
            </>
          )
        }
      </Answered>
    </Shell>
  );
}

function JobList({
  jobs,
  words,
  openOn,
}: {
  readonly jobs: readonly JobInList[];
  readonly words: string;
  readonly openOn: readonly string[];
}) {
  if (jobs.length === 0) return <Empty>No job has “{words}” in it.</Empty>;
  return (
    <ul className="border-t border-ink">
      {jobs.map((job) => (
        <li
          key={job.id}
          className="grid gap-x-6 gap-y-1 border-b border-hairline py-3 md:grid-cols-[minmax(220px,1fr)_3fr]"
        >
          <div>
            <Link
              to={`/jobs/${job.id}`}
              className="inline-flex min-h-8 items-center text-[17px] font-bold text-action underline-offset-2 hover:underline"
            >
              {jobTitle(job)}
            </Link>
            <p>
              {job.customer} <span className="text-muted">· job {job.number}</span>
            </p>
            <p className="text-muted">
              {job.vehicle.trim} · {dueWords(job.dueOn, new Date())}
              {isDueWhenClosed(job.dueOn, openOn) && (
                <strong className="text-measure">, when the shop is closed</strong>
              )}
            </p>
          </div>
          <Openings job={job} />
        </li>
      ))}
    </ul>
  );
}

function Openings({ job }: { readonly job: JobInList }) {
  const { unit } = useSettings();
  if (job.openings.length === 0) return <p className="text-muted">This vehicle has no openings in the library.</p>;
  return (
    <ul className="grid content-start gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
      {job.openings.map(({ id, record, state }) => {
        const { headline, detail } = openingStateView(state, record, unit);
        return (
          <li key={id}>
            <Link
              to={`/jobs/${job.id}/openings/${id}${state.kind === 'toMeasure' ? '' : '/fit'}`}
              className="flex min-h-12 items-center gap-2 py-1 hover:bg-paper"
            >
              <StateMark state={state} record={record} />
              <span className="min-w-0">
                <span className="block font-semibold">{placeLabel(record)}</span>
                <span className="line-clamp-2 text-[13px] leading-4 text-muted" title={`${headline}. ${detail}`}>
                  {listWords(state, headline, detail)}
                </span>
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}

/** A choice says its verdict; where nothing is chosen, what is in the way says more than the word. */
function listWords({ kind }: OpeningState, headline: string, detail: string): string {
  if (kind === 'chosen') return headline;
  return kind === 'nothingChosen' ? detail : `${headline}. ${detail}`;
}

function matches({ number, customer, registration, vehicle }: JobInList, words: string): boolean {
  const text = `${number} ${customer} ${registration} ${vehicleName(vehicle)}`.toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
