/** What is done now? One step fills the screen: done by a press, by the space bar, or by a foot switch that types. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { jobTitle, type Panel, type ShopSettings } from '@low-quarry/core/model';
import { nextStep } from '@low-quarry/core/plan';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { ConnectionBanner } from '../../api/ConnectionBanner';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { Answered, Empty } from '../../ui/states';
import { useScreenAwake } from '../../ui/useScreenAwake';
import { jobQuery } from '../jobs/jobsQueries';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import { aboutWords } from './planView';
import { StepAtHand } from './StepAtHand';
import { useCarInBay } from './useCarInBay';
import { usePlan } from './usePlan';

export function StepsScreen() {
  useScreenAwake();
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  return (
    <div className="flex min-h-dvh flex-col">
      <ConnectionBanner />
      <Answered query={job} what="the job">
        {(answer) => <WithPanels {...answer} />}
      </Answered>
    </div>
  );
}

function WithPanels({ job, openings }: { readonly job: Job; readonly openings: readonly OpeningWithState[] }) {
  const vehicle = useQuery(vehicleQuery(job.vehicle.id));
  const shop = useQuery(shopSettingsQuery);
  return (
    <Answered query={vehicle} what="the vehicle’s panels">
      {({ record: { panels } }) => <Steps {...{ job, openings, panels }} shop={shop.data ?? null} />}
    </Answered>
  );
}

type StepsProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly panels: readonly Panel[];
  /** Null while it is on its way. */
  readonly shop: ShopSettings | null;
};

function Steps({ job: told, openings, panels, shop }: StepsProps) {
  const { car, atHand } = useCarInBay(told, openings, shop);
  const { job, worked, held } = car;
  const { states, otherSide } = usePlan(car, panels, shop);
  const [address, setAddress] = useSearchParams();
  const wanted = address.get('at');
  // What is open stays on the screen when somebody else does it elsewhere: it says so there.
  const [first] = useState(() => nextStep(states)?.step.id ?? null);
  const shown = states.find(({ step }) => step.id === (wanted ?? first)) ?? nextStep(states);
  const isOpen = ({ kind }: (typeof states)[number]) => kind === 'open' || kind === 'again';
  const open = states.filter(isOpen);
  const minutes = open.reduce((sum, { step }) => sum + step.minutes, 0);
  const go = (id: string | null) => setAddress(id === null ? {} : { at: id }, { replace: true });
  const title = jobTitle(job);
  useEffect(() => {
    document.title = `Step by step, ${title} · Low Quarry`;
  }, [title]);
  const at = shown ? states.indexOf(shown) : -1;
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-x-6 border-b-2 border-ink px-4 py-1">
        <strong className="text-[18px]">{job.registration || title}</strong>
        <span>
          {states.length - open.length} of {states.length} steps
          {open.length > 0 && `, ${aboutWords(minutes)} left`}
        </span>
        <Link
          to={addressOf('build', { jobId: job.id })}
          className="inline-flex min-h-12 items-center text-action underline"
        >
          All steps
        </Link>
      </header>
      {states.length > 0 && open.length === 0 && (
        <p className="border-b border-hairline bg-paper px-4 py-2 font-semibold text-clears">
          ✓ Nothing of the plan is open.{' '}
          <Link className="text-action underline" to={addressOf('handOver', { jobId: job.id })}>
            On to the hand-over
          </Link>
        </p>
      )}
      {held.map((words) => (
        <p key={words} className="border-b border-hairline bg-paper px-4 py-2 font-semibold text-hold">
          ◆ Hold: {words}
        </p>
      ))}
      {shown ? (
        <StepAtHand
          key={shown.step.id}
          {...{ job, states, worked, panels, atHand, at, go }}
          state={shown}
          otherSide={otherSide.get(shown.step.id) ?? null}
        />
      ) : (
        <main className="p-4">
          <h1>Step by step</h1>
          <Empty>
            Nothing is to be built in yet: a speaker is chosen for no opening, or what is chosen is held back.
          </Empty>
        </main>
      )}
    </>
  );
}
