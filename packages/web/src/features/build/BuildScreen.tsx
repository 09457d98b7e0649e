/** What is done next at each opening, with what, and what can hurt? */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  ageOf,
  foamNeeds,
  jobTitle,
  type Panel,
  placeLabel,
  quietNeeds,
  SETTINGS_DEFAULTS,
  type ShopSettings,
  type SmallNeed,
  screwNeeds,
  smallNeeds,
} from '@low-quarry/core/model';
import { isBeforeWork } from '@low-quarry/core/plan';
import { wiringNeeds } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { useScreenAwake } from '../../ui/useScreenAwake';
import { jobQuery } from '../jobs/jobsQueries';
import { OpeningStateLine } from '../jobs/OpeningStateLine';
import { LaterHeeds } from '../orders/LaterHeeds';
import { SmallNeeds } from '../orders/SmallNeeds';
import { HeldPoints } from '../rail/HeldPoints';
import { Rail } from '../rail/Rail';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import { Cutting } from './Cutting';
import { FoundThings } from './FoundThings';
import { OpeningBuild } from './OpeningBuild';
import { PlanOfCar } from './PlanOfCar';
import { Quieting } from './quieting/Quieting';
import { StuckBay } from './StuckBay';
import type { BayAtHand } from './useBay';
import { type CarAtHand, useCarInBay } from './useCarInBay';
import { usePlan } from './usePlan';

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

function Filled({
  job: stored,
  openings: told,
}: {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
}) {
  const shop = useQuery(shopSettingsQuery);
  const { car, atHand } = useCarInBay(stored, told, shop.data ?? null);
  const { job, openings, worked, left, joints } = car;
  return (
    <>
      <div className={SCREEN}>
        {worked.length === 0 && (
          <Empty>
            Nothing is to be built in yet: a speaker is chosen for no opening, or what is chosen is held back.
          </Empty>
        )}
        <HeldPoints job={job} openings={openings} which={isBeforeWork} />
        <FoundThings job={job} atHand={atHand} />
        {job.ownership.putBack && <Heed what="To be put back, keep and label">{job.ownership.putBack}</Heed>}
        {job.lostWithoutSupply && <Heed what="Lost when the battery is off">{job.lostWithoutSupply}</Heed>}
        <LaterHeeds later={job.later} />
        {atHand.stuck && <StuckBay job={job} stuck={atHand.stuck} />}
      </div>
      {worked.length > 0 && (
        <Needs
          car={car}
          small={wiringNeeds(job, openings, worked, shop.data ?? SETTINGS_DEFAULTS)}
          atHand={atHand}
          shop={shop.data ?? null}
        />
      )}
      <div className={SCREEN}>
        {worked.length > 0 && <Quieting job={job} />}
        {worked.length > 0 && <Cutting jobId={job.id} />}
        <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start">
          {worked.map((opening) => (
            <OpeningBuild
              key={opening.id}
              opening={opening}
              bay={atHand.bay}
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
  readonly car: CarAtHand['car'];
  readonly small: readonly SmallNeed[];
  readonly atHand: BayAtHand;
  /** Null while it is on its way. */
  readonly shop: ShopSettings | null;
};

/** Also of the panels that come off, which only the vehicle's own record has. */
function Needs({ car, small, atHand, shop }: NeedsProps) {
  const { job, worked } = car;
  const vehicle = useQuery(vehicleQuery(job.vehicle.id));
  return (
    <Answered query={vehicle} what="the vehicle’s panels">
      {({ record: { panels } }) => (
        <>
          <Planned {...{ car, panels, atHand, shop }} />
          <div className={SCREEN}>
            <SmallNeeds
              needs={[
                ...smallNeeds(
                  worked.map(({ record }) => record),
                  panels,
                  ageOf(job.vehicle.years, new Date().getFullYear()),
                ),
                ...foamNeeds(worked.map(({ record }) => record)),
                ...screwNeeds(
                  worked.flatMap(({ record, state }) =>
                    state.kind === 'chosen' ? [{ record, open: state.open }] : [],
                  ),
                ),
                ...quietNeeds(job.quieted),
                ...small,
              ]}
            />
          </div>
        </>
      )}
    </Answered>
  );
}

function Planned({ car, panels, atHand, shop }: Omit<NeedsProps, 'small'> & { readonly panels: readonly Panel[] }) {
  const plan = usePlan(car, panels, shop);
  return <PlanOfCar job={car.job} held={car.held} {...{ plan, atHand, shop }} />;
}

function Heed({ what, children }: { readonly what: string; readonly children: string }) {
  return (
    <p className="border-l-4 border-measure bg-paper px-3 py-2">
      <strong>{what}:</strong> {children}
    </p>
  );
}
