/** What is open of a job, in the order in which it is best settled: each with what is at stake and the one place where it is settled. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { ASKED_AT, type AskedAt } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { Button, LinkButton } from '../../ui/Button';
import { VerdictMark } from '../../ui/VerdictMark';
import { pointAddress } from './pointAddress';
import { railView } from './railView';

/** More is asked for: the first ones are what comes next. */
const FIRST_SHOWN = 6;

const ASKED_WORDS: Readonly<Record<AskedAt, string>> = {
  telephone: 'Ask before the customer hangs up',
  counter: 'At the car, doors closed',
  doorOpen: 'With the doors open',
  panelOff: 'With the panel off',
  bay: 'In the bay, once the parts are here',
  handOver: 'Before the keys go back',
};

type OpenPointsProps = { readonly job: Job; readonly openings: readonly OpeningWithState[] };

/** What is worked out comes before what is done at the end. */
const GROUPS = [...ASKED_AT.filter((at) => at !== 'bay' && at !== 'handOver'), null, 'bay', 'handOver'] as const;

export function OpenPoints({ job, openings }: OpenPointsProps) {
  const [isAll, setAll] = useState(false);
  const shop = useQuery(shopSettingsQuery);
  const { points } = railView(job, openings, shop.data);
  const [jobId, vehicleId] = [job.id, job.vehicle.id];
  const [first] = points;
  if (!first) {
    return <p className="font-semibold text-clears">Nothing is open: everything that is chosen can be ordered.</p>;
  }
  const shown = isAll ? points : points.slice(0, FIRST_SHOWN);
  const groups = GROUPS.map((askedAt) => ({
    askedAt,
    points: shown.filter((point) => point.askedAt === askedAt),
  }));
  return (
    <section aria-label="Open points" className="flex flex-col gap-3">
      <LinkButton kind="main" to={pointAddress(first.settledAt, jobId, vehicleId)} className="self-start">
        Next: {first.words}
      </LinkButton>
      {groups.map(({ askedAt, points: group }) =>
        group.length === 0 ? null : (
          <div key={askedAt ?? 'worked out'}>
            <h2 className="text-[16px] font-bold">{askedAt ? ASKED_WORDS[askedAt] : 'To be decided'}</h2>
            <ul className="border-t border-ink">
              {group.map((point) => (
                <li key={point.id} className="border-b border-hairline">
                  <Link
                    to={pointAddress(point.settledAt, jobId, vehicleId)}
                    className="flex min-h-12 items-center gap-3 py-1 hover:bg-paper"
                  >
                    <VerdictMark verdict={point.isHeld ? 'hold' : 'measure'} />
                    <span>
                      <span className="block font-semibold text-action">{point.words}</span>
                      <span className="block text-[13px] leading-4 text-muted">{point.stake}</span>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </div>
        ),
      )}
      {points.length > shown.length && (
        <Button kind="quiet" className="self-start" onClick={() => setAll(true)}>
          Show all {points.length} open points
        </Button>
      )}
    </section>
  );
}
