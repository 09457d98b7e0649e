/**
 * The stations of a job on its rail, and the **open points** that keep each of them from being done: a point is a question or a piece of
 * work with what is at stake and the one place where it is settled.
 */
export {
  ASKED_AT,
  type AskedAt,
  type OpenPoint,
  openPoints,
  RAIL,
  type RailStation,
  railOf,
  type SettledAt,
} from './openPoints';
