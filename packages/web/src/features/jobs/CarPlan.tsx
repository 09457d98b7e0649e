/** The car from above with its openings, each a link marked with its state. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { VehicleRecord } from '@low-quarry/core/model';
import { placeLabel } from '@low-quarry/core/model';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { PLAN, planLines, planPoint, planSides } from './carPlanLayout';
import { StateMark } from './OpeningStateLine';

type Vehicle = Pick<VehicleRecord, 'body' | 'cab' | 'steeringSide'>;

export function CarPlan({
  vehicle,
  openings,
  jobId,
}: {
  readonly vehicle: Vehicle;
  readonly openings: readonly OpeningWithState[];
  readonly jobId: string;
}) {
  return (
    <figure className="relative mx-auto w-full max-w-[380px]">
      <svg viewBox={`0 0 ${PLAN.width} ${PLAN.height}`} className="block w-full" aria-hidden="true">
        <Body vehicle={vehicle} />
        <text x={PLAN.width / 2} y="2.6" textAnchor="middle" fontSize="2.8" className="fill-muted">
          front
        </text>
        <text x="1" y={PLAN.height / 2} fontSize="2.8" className="fill-muted">
          left
        </text>
        <text x={PLAN.width - 1} y={PLAN.height / 2} textAnchor="end" fontSize="2.8" className="fill-muted">
          right
        </text>
      </svg>
      {openings.map(({ id, record, state }, index) => {
        const { x, y } = planPoint(vehicle, record.place, record.side);
        return (
          <Link
            key={id}
            to={addressOf('measure', { jobId, openingId: id })}
            title={placeLabel(record)}
            aria-label={`${index + 1}, ${placeLabel(record)}`}
            style={{ left: `${(x / PLAN.width) * 100}%`, top: `${(y / PLAN.height) * 100}%` }}
            className="absolute flex h-12 w-12 -translate-x-1/2 -translate-y-1/2 items-center justify-center"
          >
            <span className="flex h-8 items-center gap-1 border border-ink bg-paper px-1 font-bold">
              <StateMark state={state} record={record} />
              {index + 1}
            </span>
          </Link>
        );
      })}
      <figcaption className="sr-only">The car from above, front at the top, with its numbered openings.</figcaption>
    </figure>
  );
}

function Body({ vehicle }: { readonly vehicle: Vehicle }) {
  const { outline, details, seatRows, doorGaps } = planLines(vehicle);
  const { left, right } = planSides(vehicle);
  const middle = PLAN.width / 2;
  const [firstRow = 50] = seatRows;
  const wheelX = vehicle.steeringSide === 'left' ? middle - 9 : middle + 9;
  return (
    <g fill="none" className="stroke-ink" strokeWidth="0.35" strokeLinejoin="round">
      <path d={outline} className="fill-paper" strokeWidth="0.55" />
      {details.map((path) => (
        <path key={path} d={path} strokeWidth="0.28" />
      ))}
      {doorGaps.map((y) => (
        <path key={y} d={`M${left} ${y}h4M${right} ${y}h-4`} strokeWidth="0.3" />
      ))}
      {seatRows.map((y) => (
        <g key={y} className="stroke-muted" strokeWidth="0.28">
          <rect x={middle - 14} y={y} width="11" height="9" rx="2" />
          <rect x={middle + 3} y={y} width="11" height="9" rx="2" />
        </g>
      ))}
      <ellipse cx={wheelX} cy={firstRow - 4} rx="4.2" ry="1.3" className="stroke-muted" strokeWidth="0.45" />
    </g>
  );
}
