/** The way to a station: all jobs, then what it is found under. */
import { fillPath } from '../api/fillPath';
import type { Crumb } from '../ui/Shell';
import { STATIONS, type StationId, type StationOf } from './stationTable';

const JOBS: Crumb = { to: '/', label: 'Jobs' };

/** @param names of what is on the way, where they are known by now; else it is called by what it is */
export function crumbsTo<Id extends StationId>(
  station: Id,
  of: StationOf<Id>,
  names: Partial<Readonly<Record<StationId, string | undefined>>>,
): readonly Crumb[] {
  return [
    JOBS,
    ...wayTo(station).map((id) => ({
      to: fillPath(STATIONS[id].path, filledIn(id, of)),
      label: names[id] ?? STATIONS[id].crumb,
    })),
  ];
}

function wayTo(station: StationId): readonly StationId[] {
  const { under } = STATIONS[station];
  return under === null ? [station] : [...wayTo(under), station];
}

/** Of the ids those that stand in its path: the others would become its query. */
function filledIn(id: StationId, of: Readonly<Record<string, string>>): Record<string, string> {
  const { path } = STATIONS[id];
  return Object.fromEntries(Object.entries(of).filter(([name]) => path.includes(`:${name}`)));
}
