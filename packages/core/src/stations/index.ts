/**
 * The stations of a job on its rail, and the **open points** that keep each of them from being done: a point is a question or a piece of
 * work with what is at stake and the one place where it is settled.
 */

export { bypassHold } from './amplifierPoints';
export { type Progress, progressAt } from './buildPoints';
export { type CandidateChannel, type ChannelMarks, candidateChannel, channelMarks } from './candidateChannel';
export { WIRE_FACTS } from './carFactPoints';
export { type LevelLine, levelLines } from './carLevels';
export {
  type CarChannels,
  type ChannelJob,
  type ChannelOpening,
  type ChannelSheet,
  channelLoadOf,
  channelSheets,
  type PlayingOpening,
} from './channelSheets';
export { type CrossoverJob, type CrossoverSheet, crossoverSheets } from './crossoverSheets';
export { devicePlugPoints } from './devicePlugPoints';
export { type HeardSheet, heardSheet } from './heardSheet';
export { type JointLine, jointLines } from './joints';
export { likelyCrossovers } from './likelyCrossovers';
export { openPoints, railOf } from './openPoints';
export { orderHolds } from './orderHolds';
export { playsOf } from './playsOf';
export {
  ASKED_AT,
  type AskedAt,
  type OpenPoint,
  type PointJob,
  type PointOpening,
  RAIL,
  type RailStation,
  type SettledAt,
  type ShopWishes,
} from './point';
export { type StartValue, startValues } from './startValues';
export { type StowedSheet, stowedSheets } from './stowedSheets';
export { type SeatCheck, seatChecks } from './tweeterSeats';
export type { WireRun } from './WireRun';
export { isMoreUndecided } from './wirePoints';
export { type WiredJob, wireRuns } from './wireRuns';
export { wiringNeeds } from './wiringNeeds';
