import { fillPath } from '../api/fillPath';
import { STATIONS, type StationId, type StationOf } from './stationTable';

/** Where a station of a job, or of one of its openings, is. */
export function addressOf<Id extends StationId>(station: Id, of: StationOf<Id>): string {
  return fillPath(STATIONS[station].path, of);
}
