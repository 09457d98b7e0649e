/** What comes next for a car, and how much is open of it. */
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import { openPoints } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { shopDay } from '../../text/shopDays';
import { VerdictMark } from '../../ui/VerdictMark';
import { pointAddress } from '../rail/pointAddress';

export function NextPoint({ job }: { readonly job: JobInList }) {
  const shop = useQuery(shopSettingsQuery);
  const points = openPoints(job, job.openings, shop.data, shopDay);
  const [first] = points;
  if (!first) return <p className="font-semibold text-clears">Nothing is open.</p>;
  const count = points.length === 1 ? '1 point open' : `${points.length} points open`;
  return (
    <Link
      to={pointAddress(first.settledAt, job.id, job.vehicle.id)}
      className="flex min-h-12 items-center gap-2 hover:bg-paper"
    >
      <VerdictMark verdict={points.some(({ isHeld }) => isHeld) ? 'hold' : 'measure'} hidden />
      <span>
        <span className="font-semibold text-action">{first.words}</span> <span className="text-muted">{count}</span>
      </span>
    </Link>
  );
}
