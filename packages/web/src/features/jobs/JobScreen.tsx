/** One car: what is known of each opening, and what comes next. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import { HOUSING_LABELS } from '@low-quarry/core/housing';
import { bodyWords, isOfBaseline, jobFactWords, jobTitle, placeLabel, yearsWords } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { useMay } from '../../api/me';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { FIXING_WORDS, presenceWords } from '../../text/words';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Empty, Loading } from '../../ui/states';
import { Photos } from '../photos/Photos';
import { originWords } from '../photos/shownPhoto';
import { Rail } from '../rail/Rail';
import { AddOpening } from './AddOpening';
import { CarPlan } from './CarPlan';
import { ChangeJob } from './ChangeJob';
import { dueWords, endedWords } from './dueWords';
import { jobQuery } from './jobsQueries';
import { OpeningStateLine, StateMark } from './OpeningStateLine';

const OpenPoints = late(
  () => import('../rail/OpenPoints').then((code) => code.OpenPoints),
  () => <Loading what="what is open" />,
);
void OpenPoints.load();

export function JobScreen() {
  const { jobId = '' } = useParams();
  const query = useQuery(jobQuery(jobId));
  const job = query.data?.job;
  const mayChange = useMay('jobs');
  const title = job ? jobTitle(job) : 'Job';
  return (
    <Shell
      title={title}
      crumbs={crumbsTo('job', { jobId }, { job: title })}
      aside={
        <span className="flex flex-wrap gap-2">
          <LinkButton to={`/history?job=${jobId}`}>History</LinkButton>
          {mayChange && job && <ChangeJob job={job} />}
          <LinkButton to={addressOf('baseline', { jobId })}>What works today</LinkButton>
          <LinkButton to={addressOf('order', { jobId })}>Order list</LinkButton>
        </span>
      }
      rail={<Rail jobId={jobId} station={null} />}
    >
      <Answered query={query} what="the job">
        {(answer) => <Filled {...answer} />}
      </Answered>
    </Shell>
  );
}

function Filled({ job, openings }: { readonly job: Job; readonly openings: readonly OpeningWithState[] }) {
  const { vehicle } = job;
  const mayAdd = useMay('openings');
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(300px,2fr)_5fr]">
      <div className="order-2 lg:order-1">
        <CarPlan vehicle={vehicle} openings={openings} jobId={job.id} />
      </div>
      <div className="order-1 flex flex-col gap-4 lg:order-2">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <Fact
            name="Whose car"
            value={`${job.customer}, job ${job.number}, ${job.ended ? endedWords(job.ended).toLowerCase() : dueWords(job.dueOn, new Date())}`}
          />
          <Fact
            name="Vehicle"
            value={`${yearsWords(vehicle.years)}, ${bodyWords(vehicle).toLowerCase()}, steering on the ${vehicle.steeringSide}`}
          />
          <Fact name="Trim" value={vehicle.trim || 'Not known: it decides wiring and openings.'} />
          <Fact
            name="Audio package"
            value={vehicle.audioPackage || 'Not known: an amplifier decides load and bands.'}
          />
          <Fact name="Wanted" value={wantedWords(job)} />
          <Fact name="Stays" value={capital(jobFactWords('keeps', job.keeps))} />
        </dl>
        {!job.ended && <OpenPoints job={job} openings={openings} />}
        <h2>Openings, {openings.length}</h2>
        {openings.length === 0 ? (
          <Empty>
            No place of this car is noted yet. Add the first one: everything else follows from its openings.
          </Empty>
        ) : (
          <ol className="border-t border-ink">
            {openings.map((opening, index) => (
              <OpeningRow key={opening.id} opening={opening} number={index + 1} jobId={job.id} />
            ))}
          </ol>
        )}
        {mayAdd && (
          <span>
            <AddOpening jobId={job.id} openings={openings} />
          </span>
        )}
        <Photos
          subject={{ of: 'job', recordId: job.id, place: '' }}
          label={jobTitle(job)}
          originOf={(subject) => originWords(subject, (id) => placeOf(openings, id))}
          isLocked={(subject) => job.baseline.signed !== null && isOfBaseline(subject)}
        />
      </div>
    </div>
  );
}

function placeOf(openings: readonly OpeningWithState[], openingId: string): string | null {
  const opening = openings.find(({ id }) => id === openingId);
  return opening ? placeLabel(opening.record) : null;
}

function OpeningRow({
  opening: { id, record, state },
  number,
  jobId,
}: {
  readonly opening: OpeningWithState;
  readonly number: number;
  readonly jobId: string;
}) {
  const here = { jobId, openingId: id };
  return (
    <li className="grid grid-cols-[auto_auto_1fr] items-start gap-x-3 gap-y-1 border-b border-hairline py-2 sm:grid-cols-[auto_auto_minmax(150px,2fr)_4fr_auto]">
      <span className="w-5 pt-0.5 text-right font-bold">{number}</span>
      <span className="pt-1">
        <StateMark state={state} record={record} />
      </span>
      <div>
        <p className="font-semibold">{placeLabel(record)}</p>
        <p className="text-[13px] leading-4 text-muted">{foundWords(record)}</p>
      </div>
      <div className="col-start-3 sm:col-start-auto">
        <OpeningStateLine state={state} record={record} />
      </div>
      <div className="col-start-3 flex gap-4 sm:col-start-auto">
        <Link
          to={addressOf('measure', here)}
          aria-label={`Measure ${placeLabel(record)}`}
          className="inline-flex min-h-12 items-center text-action underline underline-offset-2"
        >
          Measure
        </Link>
        <Link
          to={addressOf('match', here)}
          aria-label={`What fits ${placeLabel(record)}`}
          className="inline-flex min-h-12 items-center text-action underline underline-offset-2"
        >
          What fits
        </Link>
      </div>
    </li>
  );
}

function wantedWords({ goals, wants }: Job): string {
  const said = [...(goals ? [capital(jobFactWords('goals', goals))] : []), ...(wants ? [wants] : [])];
  return said.join('. ') || 'Nobody has asked.';
}

/** "6.5 in, rivets"; of what is no speaker or only taken as usual, that. */
function foundWords(record: OpeningWithState['record']): string {
  const { nominalSize, fixing, presence, assumed, housing } = record;
  if (housing) return `${presenceWords(record)}. ${capital(HOUSING_LABELS[housing.as].toLowerCase())} planned`;
  if (presence === 'blank' || presence === 'notThere') return presenceWords(record);
  const size = nominalSize || 'size not known';
  if (assumed.includes('fixing')) return `${size}, usual for the body, not looked at`;
  const found = `${size}, ${FIXING_WORDS[fixing].toLowerCase()}`;
  return presence === 'empty' ? `${found}. ${presenceWords(record)}` : found;
}

function Fact({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <>
      <dt className="text-muted">{name}</dt>
      <dd>{value}</dd>
    </>
  );
}
