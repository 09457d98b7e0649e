/** The stations of a job with what is open at each, and where each of them is. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type OpenPoint, openPoints, RAIL, type RailStation, railOf, type ShopWishes } from '@low-quarry/core/stations';
import { addressOf } from '../../stations/addressOf';
import { shopDay } from '../../text/shopDays';

const STATION_WORDS: Readonly<Record<RailStation, string>> = {
  bookIn: 'Book in',
  measure: 'Measure',
  match: 'Match',
  wire: 'Wire',
  order: 'Order',
  build: 'Build',
  handOver: 'Hand over',
};

export type RailStop = {
  readonly station: RailStation;
  readonly label: string;
  readonly to: string;
  readonly state: 'untouched' | 'done' | 'open' | 'held';
  readonly open: number;
};

export type RailView = { readonly stops: readonly RailStop[]; readonly points: readonly OpenPoint[] };

/** A job that has ended has no open points. */
export function railView(job: Job, openings: readonly OpeningWithState[], shop?: ShopWishes): RailView {
  const points = job.ended ? [] : openPoints(job, openings, shop, shopDay);
  const rail = railOf(points);
  const stops = RAIL.map((station): RailStop => {
    const { open, isHeld } = rail[station];
    const state = open > 0 ? (isHeld ? 'held' : 'open') : isBegun(station, job, openings) ? 'done' : 'untouched';
    return { station, label: STATION_WORDS[station], to: stopAddress(station, job.id, openings, points), state, open };
  });
  return { stops, points };
}

/** Nothing is open where there is nothing yet, either: that is not done. */
function isBegun(station: RailStation, { baseline, bay }: Job, openings: readonly OpeningWithState[]): boolean {
  if (station === 'bookIn') return true;
  if (station === 'handOver') return Object.keys(baseline.after).length > 0;
  if (station === 'order') return openings.some(({ state }) => state.kind === 'chosen');
  if (station === 'build')
    return Object.keys(bay.steps).length > 0 || openings.some(({ record }) => record.build.length > 0);
  return openings.length > 0;
}

/** Of an opening's station the first opening that has something open there; else the first. */
function stopAddress(
  station: RailStation,
  jobId: string,
  openings: readonly OpeningWithState[],
  points: readonly OpenPoint[],
): string {
  if (station !== 'measure' && station !== 'match') return addressOf(station, { jobId });
  const settled = points
    .filter((point) => point.station === station)
    .flatMap(({ settledAt }) => ('openingId' in settledAt ? settledAt.openingId : []));
  const openingId = settled[0] ?? openings[0]?.id;
  return openingId === undefined ? addressOf('job', { jobId }) : addressOf(station, { jobId, openingId });
}
