/** Which cars are here, and how far is each? */
import {
  JOB_LISTS,
  JOBS_A_PAGE,
  type JobInList,
  type JobListName,
  type OpeningState,
} from '@low-quarry/core/contracts/jobs';
import { jobTitle, placeLabel, WEEKDAYS, waitsFor } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { readPage, useAddress, withParams, writePage } from '../../ui/address';
import { LinkButton } from '../../ui/Button';
import { INPUT } from '../../ui/Field';
import { late } from '../../ui/late';
import { Pages } from '../../ui/Pages';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty } from '../../ui/states';
import { TakeOut } from '../../ui/TakeOut';
import { MOST_LETTERS, useAsked } from '../../ui/useRested';
import { BookIn } from '../bookIn/BookIn';
import { dueWords, endedWords, isDueWhenClosed } from './dueWords';
import { JobsFilter } from './JobsFilter';
import { DUE_WORDS, dueBy, type JobsFilterValue, NO_FILTER, readFilter, WAITING_WORDS } from './jobsFilterValue';
import { jobsQuery } from './jobsQueries';
import { StateMark } from './OpeningStateLine';
import { openingStateView } from './openingStateView';

/** As high as what comes: the list does not jump. */
const NextPoint = late(
  () => import('./NextPoint').then((code) => code.NextPoint),
  () => <p className="min-h-12" />,
);
void NextPoint.load();

export function JobsScreen() {
  const shop = useQuery(shopSettingsQuery);
  const [search, changeAddress] = useAddress();
  const mayBook = useMay('jobs');
  const words = search.get('find') ?? '';
  const list = JOB_LISTS.find((each) => each === search.get('list')) ?? 'open';
  const page = readPage(search);
  const find = useAsked(words);
  // What has ended is not due any more.
  const filter = list === 'open' ? readFilter(search) : NO_FILTER;
  const asked = {
    ...{ find, sort: filter.sort, dueBy: dueBy(filter.due, new Date()) },
    waits: filter.waiting === 'any' ? null : filter.waiting,
  };
  const jobs = useQuery(jobsQuery({ ...asked, list, page }));
  const change = (changes: Readonly<Record<string, string | null>>) =>
    changeAddress((before) => withParams(before, { page: null, ...changes }));
  return (
    <Shell
      title="Jobs"
      crumbs={[]}
      aside={
        <span className="flex flex-wrap gap-2">
          <LinkButton to="/will-it-fit">Will this one fit?</LinkButton>
          {mayBook && <BookIn />}
        </span>
      }
    >
      <Answered query={jobs} what="the jobs">
        {({ jobs: shown, total, counts }) =>
          counts.open + counts.ended === 0 ? (
            <Empty>
              <p>No car is booked in. Book the first one in: everything else follows from its openings.</p>
            </Empty>
          ) : (
            <>
              <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
                <label className="flex w-full max-w-md flex-col gap-1">
                  <span className="font-semibold">Find a car</span>
                  <input
                    type="search"
                    value={words}
                    maxLength={MOST_LETTERS}
                    placeholder="Number, customer, vehicle, registration"
                    onChange={({ target }) => change({ find: target.value || null })}
                    className={INPUT}
                  />
                </label>
                <fieldset className="flex gap-x-4">
                  <legend className="sr-only">Which jobs</legend>
                  {JOB_LISTS.map((each) => (
                    <button
                      key={each}
                      type="button"
                      aria-pressed={each === list}
                      onClick={() => change({ list: each === 'open' ? null : each })}
                      className={`min-h-12 border-b-4 px-1 ${each === list ? 'border-action font-bold text-ink' : 'border-transparent text-action'}`}
                    >
                      {LIST_WORDS[each]} {counts[each].toLocaleString('en')}
                    </button>
                  ))}
                </fieldset>
                {list === 'open' && <JobsFilter value={filter} onChange={change} />}
              </div>
              {shown.length === 0 ? (
                <Empty>{emptyWords(list, words, filter)}</Empty>
              ) : (
                <JobList jobs={shown} openOn={shop.data?.workingHours.days ?? WEEKDAYS} />
              )}
              {total > 0 && <TakeOut list="jobs" asked={{ jobs: list, ...asked }} />}
              <Pages
                page={page}
                pageSize={JOBS_A_PAGE}
                total={total}
                what="jobs"
                onPage={(next) => change({ page: writePage(next) })}
              />
            </>
          )
        }
      </Answered>
    </Shell>
  );
}

const LIST_WORDS: Readonly<Record<JobListName, string>> = { open: 'Open', ended: 'Ended' };
const EMPTY_WORDS: Readonly<Record<JobListName, string>> = {
  open: 'No job is open. Those that were handed over or given up are under “Ended”.',
  ended: 'No job has ended yet.',
};

function emptyWords(list: JobListName, words: string, { due, waiting }: JobsFilterValue): string {
  if (waiting !== 'any') return `No job of these waits for ${WAITING_WORDS[waiting]}.`;
  const one = due === 'any' ? 'No job of these' : `No job due ${DUE_WORDS[due]}`;
  if (words) return `${one} has “${words}” in it.`;
  return due === 'any' ? EMPTY_WORDS[list] : `No job is due ${DUE_WORDS[due]}. A car without a day is under “any day”.`;
}

function JobList({ jobs, openOn }: { readonly jobs: readonly JobInList[]; readonly openOn: readonly string[] }) {
  return (
    <ul className="border-t border-ink">
      {jobs.map((job) => (
        <li
          key={job.id}
          className="grid gap-x-6 gap-y-1 border-b border-hairline py-3 md:grid-cols-[minmax(220px,1fr)_3fr]"
        >
          <div>
            <Link
              to={addressOf('job', { jobId: job.id })}
              className="inline-flex min-h-8 items-center text-[17px] font-bold text-action underline-offset-2 hover:underline"
            >
              {jobTitle(job)}
            </Link>
            <p>
              {job.customer} <span className="text-muted">· job {job.number}</span>
            </p>
            <p className="text-muted">
              {job.vehicle.trim} · {job.ended ? endedWords(job.ended) : dueWords(job.dueOn, new Date())}
              {!job.ended && isDueWhenClosed(job.dueOn, openOn) && (
                <strong className="text-measure">, when the shop is closed</strong>
              )}
            </p>
            {!job.ended && <Waits job={job} />}
          </div>
          <div className="flex flex-col gap-1">
            {!job.ended && <NextPoint job={job} />}
            <Openings job={job} />
          </div>
        </li>
      ))}
    </ul>
  );
}

/** Whom nobody in the shop can hurry. */
function Waits({ job }: { readonly job: JobInList }) {
  const waits = waitsFor(job);
  if (waits.length === 0) return null;
  return <p className="font-semibold text-measure">Waits for {waits.map((of) => WAITING_WORDS[of]).join(', ')}</p>;
}

function Openings({ job }: { readonly job: JobInList }) {
  const { unit } = useSettings();
  if (job.openings.length === 0) return <p className="text-muted">No place of this car is noted yet.</p>;
  return (
    <ul className="grid content-start gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
      {job.openings.map(({ id, record, state }) => {
        const { headline, detail } = openingStateView(state, record, unit);
        return (
          <li key={id}>
            <Link
              to={addressOf(state.kind === 'toMeasure' ? 'measure' : 'match', { jobId: job.id, openingId: id })}
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
