/** What is done next at each opening, with what, and what can hurt? */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  jobTitle,
  placeLabel,
  SETTINGS_DEFAULTS,
  type ShopSettings,
  type SmallNeed,
  smallNeeds,
} from '@low-quarry/core/model';
import {
  channelSheets,
  jointLines,
  type OpenPoint,
  orderHolds,
  wireRuns,
  wiringNeeds,
} from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Empty, Loading } from '../../ui/states';
import { useScreenAwake } from '../../ui/useScreenAwake';
import { jobQuery } from '../jobs/jobsQueries';
import { OpeningStateLine } from '../jobs/OpeningStateLine';
import { LaterHeeds } from '../orders/LaterHeeds';
import { SmallNeeds } from '../orders/SmallNeeds';
import { HeldPoints } from '../rail/HeldPoints';
import { Rail } from '../rail/Rail';
import { railView } from '../rail/railView';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import { OpeningBuild } from './OpeningBuild';
import type { PlanWires } from './planView';

export function BuildScreen() {
  useScreenAwake();
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  return (
    <Shell
      title="In the bay"
      crumbs={crumbsTo('build', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      rail={<Rail jobId={jobId} station="build" />}
    >
      <Answered query={job} what="the job">
        {(answer) => <Filled {...answer} />}
      </Answered>
    </Shell>
  );
}

/** On paper is the work card alone. */
const SCREEN = 'only-screen flex flex-col gap-4';

function Filled({ job, openings: told }: { readonly job: Job; readonly openings: readonly OpeningWithState[] }) {
  const shop = useQuery(shopSettingsQuery);
  const wishes = shop.data ?? SETTINGS_DEFAULTS;
  const holds = orderHolds(job, told, wishes);
  const openings = told.map((opening) => withHold(opening, holds.get(opening.id)));
  const worked = openings.filter(isWorkedOn);
  const left = openings.filter((opening) => !isWorkedOn(opening));
  const channels = channelSheets(job, openings, wishes.confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  const joints = jointLines(sheets, openings, worked, wishes.schools.splice);
  const runs = wireRuns(job, sheets, openings, worked);
  const held = railView(job, openings).points.filter((point) => point.isHeld && isBeforeWork(point));
  return (
    <>
      <div className={SCREEN}>
        {worked.length === 0 && (
          <Empty>
            Nothing is to be built in yet: a speaker is chosen for no opening, or what is chosen is held back.
          </Empty>
        )}
        <HeldPoints job={job} openings={openings} which={isBeforeWork} />
        {job.ownership.putBack && <Heed what="To be put back, keep and label">{job.ownership.putBack}</Heed>}
        {job.lostWithoutSupply && <Heed what="Lost when the battery is off">{job.lostWithoutSupply}</Heed>}
        <LaterHeeds later={job.later} />
      </div>
      {worked.length > 0 && (
        <Needs
          job={job}
          openings={worked}
          wires={wiringNeeds(job, openings, worked, wishes)}
          plan={{ joints, runs }}
          held={held.map(({ words }) => words)}
          shop={shop.data ?? null}
        />
      )}
      <div className={SCREEN}>
        {worked.length > 0 && <p>A step can be ticked when the one before it is: the panel closes last.</p>}
        <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start">
          {worked.map((opening) => (
            <OpeningBuild
              key={opening.id}
              opening={opening}
              vehicleId={job.vehicle.id}
              joints={joints.filter(({ openingId }) => openingId === opening.id)}
            />
          ))}
        </div>
        {left.length > 0 && (
          <section aria-label="Not worked on">
            <h2 className="border-b border-ink text-[18px] font-bold">Not worked on, as it stands</h2>
            <ul>
              {left.map(({ id, record, state }) => (
                <li key={id} className="border-b border-hairline py-1">
                  <Link
                    to={addressOf('match', { jobId: job.id, openingId: id })}
                    className="inline-flex min-h-12 items-center font-semibold text-action underline"
                  >
                    {placeLabel(record)}
                  </Link>
                  <OpeningStateLine state={state} record={record} />
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </>
  );
}

type NeedsProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly wires: readonly SmallNeed[];
  readonly plan: PlanWires;
  readonly held: readonly string[];
  /** Null while it is on its way. */
  readonly shop: ShopSettings | null;
};

/** Also of the panels that come off, which only the vehicle's own record has. */
function Needs({ job, openings, wires, plan, held, shop }: NeedsProps) {
  const vehicle = useQuery(vehicleQuery(job.vehicle.id));
  return (
    <Answered query={vehicle} what="the vehicle’s panels">
      {({ record: { panels } }) => (
        <>
          <div className={SCREEN}>
            <SmallNeeds
              needs={[
                ...smallNeeds(
                  openings.map(({ record }) => record),
                  panels,
                ),
                ...wires,
              ]}
            />
          </div>
          <PlanOfCar {...{ job, openings, panels, held, shop }} wires={plan} />
        </>
      )}
    </Answered>
  );
}

/** Read by whoever opens it: it comes behind the screen. */
const PlanOfCar = late(
  () => import('./PlanOfCar').then((code) => code.PlanOfCar),
  () => <Loading what="the plan" />,
);

/** What holds the work itself. */
function isBeforeWork({ station }: OpenPoint): boolean {
  return station === 'bookIn' || station === 'build';
}

function Heed({ what, children }: { readonly what: string; readonly children: string }) {
  return (
    <p className="border-l-4 border-measure bg-paper px-3 py-2">
      <strong>{what}:</strong> {children}
    </p>
  );
}

/** What its channel does not feed or stand is not built in either. */
function withHold(opening: OpeningWithState, hold: string | undefined): OpeningWithState {
  const { state } = opening;
  if (hold === undefined || state.kind !== 'chosen' || state.heldBack !== null) return opening;
  return { ...opening, state: { ...state, heldBack: hold } };
}

/** What has begun is shown to its end, whatever became of the choice. */
function isWorkedOn({ record, state }: OpeningWithState): boolean {
  return record.build.length > 0 || (state.kind === 'chosen' && state.heldBack === null);
}
