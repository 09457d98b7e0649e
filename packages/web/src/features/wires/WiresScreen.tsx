/** How does the signal come to each speaker, and what of it has nobody seen? */
import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import {
  CAR_FACTS,
  carFactWords,
  hasEarlier,
  isOnlyHeard,
  jobTitle,
  knownFact,
  type OpeningRecord,
  placeLabel,
  polarityWeight,
  polarityWords,
} from '@low-quarry/core/model';
import { isSecondPlugUndecided, WIRE_FACTS } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { connectorsQuery } from '../../api/connectorsQuery';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { presenceWords, SECOND_PLUG_WORDS } from '../../text/words';
import { OpenChecks } from '../../ui/OpenChecks';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { VerdictMark } from '../../ui/VerdictMark';
import { jobQuery } from '../jobs/jobsQueries';
import { OpenMark } from '../jobs/OpeningStateLine';
import { pointAddress } from '../rail/pointAddress';
import { Rail } from '../rail/Rail';
import { railView } from '../rail/railView';
import { CarChannels } from './CarChannels';

export function WiresScreen() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const connectors = useQuery(connectorsQuery);
  return (
    <Shell
      title="Wires"
      crumbs={crumbsTo('wire', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      rail={<Rail jobId={jobId} station="wire" />}
    >
      <Answered query={job} what="the job">
        {({ job: car, openings }) => (
          <>
            <CarChannels job={car} openings={openings} />
            <CarWires job={car} openings={openings} />
            <Answered query={connectors} what="the connectors">
              {({ connectors: known }) => <OpeningWires jobId={jobId} openings={openings} connectors={known} />}
            </Answered>
          </>
        )}
      </Answered>
    </Shell>
  );
}

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
  readonly jobId: string;
  readonly openings: readonly OpeningWithState[];
  readonly connectors: readonly ConnectorRecord[];
};

function OpeningWires({ jobId, openings, connectors }: OpeningWiresProps) {
  const doKeysProve = useQuery(shopSettingsQuery).data?.polarityProof === 'testOrKey';
  const isProved = ({ polarity }: OpeningRecord) => polarityWeight(polarity, doKeysProve) === 'tested';
  const there = openings.filter(({ record: { presence } }) => presence !== 'blank' && presence !== 'notThere');
  return (
    <section aria-label="The openings">
      <h2 className="border-b border-ink text-[18px] font-bold">The openings</h2>
      {there.length === 0 && <Empty>No opening of this car is noted yet: its wires follow from its openings.</Empty>}
      <ul>
        {there.map((opening) => {
          const { id, record, state } = opening;
          const mark = markOf(opening);
          const open = state.kind === 'chosen' ? state.open.filter(({ check }) => WIRE_CHECKS.has(check)) : [];
          return (
            <li key={id} className="border-b border-hairline">
              <Link to={addressOf('measure', { jobId, openingId: id })} className={`${ROW} border-b-0`}>
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
                      Hold: what it carries must go on working. How is decided where its speaker is chosen.
                    </span>
                  )}
                </span>
              </Link>
              <div className="pl-7">
                <OpenChecks open={open} behind={record.behind} />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const WIRE_CHECKS: ReadonlySet<string> = new Set(['connector', 'chime', 'wireWay']);

function markOf({ record, state }: OpeningWithState): 'clears' | 'measure' | 'hold' {
  if (isSecondPlugUndecided({ record, state })) return 'hold';
  const { wiring, secondPlug } = record;
  return wiring.kind === 'unknown' || secondPlug === 'notLooked' || hasEarlier(record, 'plugCut')
    ? 'measure'
    : 'clears';
}

function plugWords(record: OpeningRecord, connectors: readonly ConnectorRecord[]): string {
  const { wiring } = record;
  if (hasEarlier(record, 'plugCut')) return 'cut off before; the wires have to be joined';
  if (wiring.kind === 'unknown') return `not looked at. ${capital(presenceWords(record))}`;
  if (wiring.kind === 'noWires') return 'none, no wires come here';
  return connectors.find(({ id }) => id === wiring.connectorId)?.name ?? wiring.connectorId;
}
