/** What nothing may be begun, or given back, before: each leads to where it is settled. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { OpenPoint } from '@low-quarry/core/stations';
import { Link } from 'react-router';
import { VerdictMark } from '../../ui/VerdictMark';
import { pointAddress } from './pointAddress';
import { railView } from './railView';

type HeldPointsProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  /** Of those that hold. */
  readonly which: (point: OpenPoint) => boolean;
};

export function HeldPoints({ job, openings, which }: HeldPointsProps) {
  const held = railView(job, openings).points.filter((point) => point.isHeld && which(point));
  return held.map(({ id, words, stake, settledAt }) => (
    <Link
      key={id}
      to={pointAddress(settledAt, job.id, job.vehicle.id)}
      className="flex min-h-12 items-center gap-3 border-l-4 border-hold bg-paper px-3 py-2"
    >
      <VerdictMark verdict="hold" />
      <span>
        <span className="block font-semibold text-action">{words}</span>
        <span className="block text-[13px] leading-4 text-muted">{stake}</span>
      </span>
    </Link>
  ));
}
