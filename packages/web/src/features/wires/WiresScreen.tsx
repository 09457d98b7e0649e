/** How does the signal come to each speaker, and what of it has nobody seen? */
import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  behindFace,
  CAR_FACTS,
  carFactWords,
  hasEarlier,
  isOnlyHeard,
  jobTitle,
  knownFact,
  type OpeningRecord,
  phaseWords,
  placeLabel,
  polarityWeight,
  polarityWords,
  positivePin,
  takesSpeaker,
} from '@low-quarry/core/model';
import { channelLoadOf, isMoreUndecided, WIRE_FACTS } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { connectorsQuery } from '../../api/connectorsQuery';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { PlugFaceDrawing } from '../../drawing/PlugFaceDrawing';
import { useOutbox } from '../../outbox/OutboxProvider';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { SECOND_PLUG_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { late } from '../../ui/late';
import { OpenChecks } from '../../ui/OpenChecks';
import { Shell } from '../../ui/Shell';
import { Answered, Empty, Loading } from '../../ui/states';
import { VerdictMark } from '../../ui/VerdictMark';
import { jobQuery } from '../jobs/jobsQueries';
import { OpenMark } from '../jobs/OpeningStateLine';
import { pointAddress } from '../rail/pointAddress';
import { Rail } from '../rail/Rail';
import { railView } from '../rail/railView';
import { openingPart } from './channelWay';
import { LineFilterLine } from './filter/LineFilterLine';
import { pinLines, plugWords, WIRE_CHECKS } from './plugWords';
import { SeatLine } from './seat/SeatLine';

export function WiresScreen() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const connectors = useQuery(connectorsQuery);
  const shop = useQuery(shopSettingsQuery);
  return (
    <Shell
      title="Wires"
      crumbs={crumbsTo('wire', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      rail={<Rail jobId={jobId} station="wire" />}
      aside={job.data && <Button onClick={() => window.print()}>Print the sheet</Button>}
    >
      <Answered query={job} what="the job">
        {(answer) => (
          <WithWhatWaits answer={answer}>
            {({ job: whole, openings }) => (
              <>
                <div className="only-screen flex flex-col gap-4">
                  <CarChannels job={whole} openings={openings} />
                  <CarWires job={whole} openings={openings} />
                  <Answered query={connectors} what="the connectors">
                    {({ connectors: known }) => <OpeningWires job={whole} openings={openings} connectors={known} />}
                  </Answered>
                </div>
                {connectors.data && shop.data && (
                  <WiresSheet
                    job={whole}
                    openings={openings}
                    connectors={connectors.data.connectors}
                    shop={shop.data}
                  />
                )}
              </>
            )}
          </WithWhatWaits>
        )}
      </Answered>
    </Shell>
  );
}

type WiredCar = { readonly job: Job; readonly openings: readonly OpeningWithState[] };
type WithWhatWaitsProps = { readonly answer: WiredCar; readonly children: (car: WiredCar) => ReactNode };

/** What was pressed here counts at once, also while the server is away. */
function WithWhatWaits({ answer, children }: WithWhatWaitsProps) {
  const { entries } = useOutbox();
  const openings = answer.openings.map((opening) => {
    const last = entries.findLast((entry) => entry.kind === 'saveOpening' && entry.openingId === opening.id);
    return last?.kind === 'saveOpening' ? { ...opening, record: last.record } : opening;
  });
  const decided = DECIDED_HERE.map((of) => {
    const last = entries.findLast(
      (entry) => entry.kind === 'saveRecord' && entry.of === of && entry.recordId === answer.job.id,
    );
    // What waits was read by its own schema.
    return last?.kind === 'saveRecord' ? (last.record as Partial<Job>) : {};
  });
  return children({ job: Object.assign({}, answer.job, ...decided), openings });
}

/** Of the job, what is decided on this screen. */
const DECIDED_HERE: readonly string[] = ['amplifierPlan', 'crossovers', 'stowed'];

/** What judges and draws them comes behind the screen. */
const CarChannels = late(
  () => import('./CarChannels').then((code) => code.CarChannels),
  () => <Loading what="the channels" />,
);
void CarChannels.load();

/** On paper only: it comes behind the screen. */
const WiresSheet = late(
  () => import('./WiresSheet').then((code) => code.WiresSheet),
  () => <p className="only-print">The sheet is still on its way here: print once more in a moment.</p>,
);

const ROW = 'flex min-h-12 items-center gap-3 border-b border-hairline py-1.5 hover:bg-paper';

/** What is the same for the whole car. */
function CarWires({ job, openings }: { readonly job: Job; readonly openings: readonly OpeningWithState[] }) {
  const { points } = railView(job, openings);
  return (
    <section aria-label="The car">
      <h2 className="border-b border-ink text-[18px] font-bold">The car</h2>
      <ul>
        {WIRE_FACTS.map((key) => {
          const fact = knownFact(key, job.found, job.vehicle.facts);
          const isSeen = fact !== undefined && !isOnlyHeard(fact.grade);
          const isAsked = points.some(({ id }) => id === `fact ${key}`);
          return (
            <li key={key}>
              <Link to={pointAddress({ kind: 'facts', key }, job.id, job.vehicle.id)} className={ROW}>
                {isSeen || isAsked ? <VerdictMark verdict={isSeen ? 'clears' : 'measure'} hidden /> : <OpenMark />}
                <span>
                  <span className="block">
                    <strong>{CAR_FACTS[key].label}:</strong> {fact ? carFactWords(key, fact) : 'not looked'}
                    {!isSeen && !isAsked && '. Nothing of this job hangs on it'}
                  </span>
                  {!isSeen && (
                    <span className="block text-[13px] leading-4 text-muted">Where to look: {CAR_FACTS[key].look}</span>
                  )}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

type OpeningWiresProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly connectors: readonly ConnectorRecord[];
};

function OpeningWires({ job, openings, connectors }: OpeningWiresProps) {
  const doKeysProve = useQuery(shopSettingsQuery).data?.polarityProof === 'testOrKey';
  const isProved = ({ polarity }: OpeningRecord) => polarityWeight(polarity, doKeysProve) === 'tested';
  const plays = openings.filter((opening) => channelLoadOf(opening) !== null);
  const there = openings.filter(({ record }) => takesSpeaker(record));
  return (
    <section aria-label="The openings">
      <h2 className="border-b border-ink text-[18px] font-bold">The openings</h2>
      {there.length === 0 && <Empty>No opening of this car is noted yet: its wires follow from its openings.</Empty>}
      {plays.length > 0 && (
        <p>
          {phaseWords(
            plays.map(({ record: { polarity } }) => polarity),
            doKeysProve,
          )}
        </p>
      )}
      <ul>
        {there.map((opening) => {
          const { id, record, state } = opening;
          const mark = markOf(opening);
          const load = channelLoadOf(opening);
          const open = state.kind === 'chosen' ? state.open.filter(({ check }) => WIRE_CHECKS.has(check)) : [];
          return (
            <li key={id} id={openingPart(id)} tabIndex={-1} className="border-b border-hairline">
              <Link to={addressOf('measure', { jobId: job.id, openingId: id })} className={`${ROW} border-b-0`}>
                <VerdictMark verdict={mark} hidden />
                <span>
                  <strong className="block text-action">{placeLabel(record)}</strong>
                  <span className="block">Plug: {plugWords(record, connectors)}.</span>
                  <span className="block">Second plug: {SECOND_PLUG_WORDS[record.secondPlug].toLowerCase()}.</span>
                  <span className={`block ${isProved(record) ? '' : 'text-measure'}`}>
                    Positive wire: {polarityWords(record.polarity)}.
                  </span>
                  {mark === 'hold' && (
                    <span className="block font-semibold text-hold">
                      Hold: what comes to it besides its own sound must go on working. How is decided where its speaker
                      is chosen.
                    </span>
                  )}
                </span>
              </Link>
              <div className="pl-7">
                {record.plugFaces.map((face, at) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: which plug it is, is its place in the list.
                  <figure key={at} className="flex flex-wrap items-start gap-x-4 gap-y-1 pb-2">
                    <span aria-hidden="true">
                      <PlugFaceDrawing face={face} positivePin={at === 0 ? positivePin(record.polarity) : null} />
                    </span>
                    <figcaption className="max-w-prose pt-3">{pinLines(record)[at]}</figcaption>
                  </figure>
                ))}
                {load && <LineFilterLine {...{ opening, load }} car={{ job, openings }} watt={wattOf(job, record)} />}
                <SeatLine job={job} opening={opening} />
                <OpenChecks open={open} behind={behindFace(record)} />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** RMS of the one channel that feeds it; null where nobody says, or more than one is said to. */
function wattOf({ vehicle: { channels } }: Job, record: OpeningRecord): number | null {
  const [channel, ...more] = (channels ?? []).filter(({ places }) => places.includes(placeLabel(record)));
  return more.length === 0 && channel?.power?.rating === 'RMS' ? channel.power.watt : null;
}

function markOf({ record, state }: OpeningWithState): 'clears' | 'measure' | 'hold' {
  if (isMoreUndecided({ record, state })) return 'hold';
  const { wiring, secondPlug } = record;
  return wiring.kind === 'unknown' || secondPlug === 'notLooked' || hasEarlier(record, 'plugCut')
    ? 'measure'
    : 'clears';
}
