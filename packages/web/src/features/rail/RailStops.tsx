/** The stations of a job, each drawn like a bar: full where nothing is open, hatched where something is open. */
import type { RailStation } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { jobQuery } from '../jobs/jobsQueries';
import { RAIL_LIST, RailComing } from './RailComing';
import { type RailStop, railView } from './railView';

export function RailStops({ jobId, station }: { readonly jobId: string; readonly station: RailStation | null }) {
  const { data } = useQuery(jobQuery(jobId));
  const shop = useQuery(shopSettingsQuery);
  if (!data) return <RailComing />;
  const { stops } = railView(data.job, data.openings, shop.data);
  return (
    <nav aria-label="Stations" className="only-screen px-4">
      <ol className={RAIL_LIST}>
        {stops.map((stop) => (
          <li key={stop.station} className="min-w-0">
            <Stop stop={stop} isHere={stop.station === station} />
          </li>
        ))}
      </ol>
    </nav>
  );
}

function Stop({ stop: { label, to, state, open }, isHere }: { readonly stop: RailStop; readonly isHere: boolean }) {
  return (
    <Link
      to={to}
      aria-current={isHere ? 'step' : undefined}
      className="flex h-full min-h-14 flex-col justify-end gap-1 pb-1 hover:bg-paper"
    >
      <span className={`flex flex-wrap items-baseline gap-x-2 leading-4 ${isHere ? 'font-bold' : 'text-action'}`}>
        {label}
        <span className={`text-[13px] font-semibold ${COUNT_COLOURS[state]}`}>{STATE_WORDS[state](open)}</span>
      </span>
      <Bar state={state} />
    </Link>
  );
}

const STATE_WORDS: Readonly<Record<RailStop['state'], (open: number) => string>> = {
  untouched: () => 'not begun',
  done: () => 'nothing open',
  open: (open) => `${open} open`,
  held: (open) => `${open} open, held`,
};
const COUNT_COLOURS: Readonly<Record<RailStop['state'], string>> = {
  untouched: 'text-muted',
  done: 'text-clears',
  open: 'text-measure',
  held: 'text-hold',
};

const BARS: Readonly<Record<RailStop['state'], string>> = {
  untouched: 'border-dashed border-muted',
  done: 'border-ink bg-ink',
  open: 'border-measure rail-hatch',
  held: 'border-hold',
};

function Bar({ state }: Pick<RailStop, 'state'>) {
  return (
    <span aria-hidden="true" className={`relative block h-2 border ${BARS[state]}`}>
      {state === 'held' && (
        <span className="absolute -top-1 left-1/2 size-3.5 rotate-45 border border-hold bg-ground" />
      )}
    </span>
  );
}
