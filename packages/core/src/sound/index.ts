/**
 * What can be told of sound before anything is bought. So far the old speakers: readings of an ohmmeter as they are typed, and what they
 * tell of a **voice coil**; the **fault tree**, which asks whether it is the speaker at all; a **network** of drivers, coils and capacitors, what its
 * amplifier sees and what reaches each driver; a **channel**, the loads that hang on it and the checks of load, band and power; and its **response**, what
 * of it arrives at the seat, against what was there.
 */

export type { Band } from './bands';
export {
  CHANNEL_CHECKS,
  type Channel as JudgedChannel,
  type ChannelCheck,
  type ChannelCheckId,
  labelsOf,
} from './channel/Channel';
export { type ImpedanceBand, impedanceBand } from './channel/channelImpedance';
export { HEARD_DB, type Level, levelDifference, levelOf, USUAL_FACTORY_LEVEL } from './channel/channelLevels';
export {
  type Before,
  type ChannelLoad,
  type FromCrossover,
  type KnownLoad,
  knownLoads,
} from './channel/channelNetwork';
export { type DriverKind, type DriverRanges, driverRanges, type Electrics } from './channel/electrics';
export { judgeChannel } from './channel/judgeChannel';
export { LEAST_OF_NOMINAL } from './channel/loadCheck';
export { newWireCheck } from './channel/wireCheck';
export { coilWords } from './coilWords';
export {
  type CrossoverCheck,
  type CrossoverCheckId,
  type JudgedCrossover,
  type JudgedOutput,
  judgeCrossover,
  type OutputEnd,
} from './crossover/judgeCrossover';
export {
  CAUSE_WORDS,
  causesLeft,
  FAULT_TESTS,
  type FaultCause,
  type FaultTrial,
  faultAnswers,
  faultTestLabel,
  faultTestMinutes,
  nextFaultTest,
} from './faultTree';
export {
  exactFilter,
  exactHz,
  type FilterAsked,
  type FilterCorner,
  type FilterOrder,
  madeFilter,
} from './filter/designFilter';
export { type ESeries, eSeries, nearestOf } from './filter/eSeries';
export { type FilterEffect, filterEffect, type Likely, peakVolts } from './filter/filterEffect';
export { type FilterLevel, type FilterLevelBand, filterLevel, filterLevelBand } from './filter/filterLevel';
export { isEmptyFilter, type LineFilter, lineJoints, linePartsWords } from './filter/LineFilter';
export { usualHighPass } from './filter/usualCorner';
export { type CoilJudgement, type CoilTest, isCoilDead, isCoilUnknown, judgeCoil, NOMINAL_OHMS } from './judgeCoil';
export type { NetworkPart } from './network/parts';
export { audibleFrequencies, leastImpedance, solveNetwork } from './network/solveNetwork';
export { MOST_OHM_READINGS, type OhmReading, readOhms } from './readOhms';
export { type ImpedanceChange, impedanceChanges, impedanceWords } from './replacedImpedance';
export { type ChannelResponse, channelResponse, type HeardRange, type RangeChange } from './response/channelResponse';
export type { HeardChannel } from './response/drawResponses';
