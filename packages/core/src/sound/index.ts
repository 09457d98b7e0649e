/**
 * What can be told of sound before anything is bought. So far the old speakers: readings of an ohmmeter as they are typed, and what they
 * tell of a **voice coil**; and the **fault tree**, which asks whether it is the speaker at all; and a channel's **network**, what its amplifier sees and
 * what reaches each driver.
 */
export { coilWords } from './coilWords';
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
export { type CoilJudgement, type CoilTest, isCoilDead, isCoilUnknown, judgeCoil, NOMINAL_OHMS } from './judgeCoil';
export type { NetworkPart } from './network/parts';
export { audibleFrequencies, leastImpedance, solveNetwork } from './network/solveNetwork';
export { MOST_OHM_READINGS, type OhmReading, readOhms } from './readOhms';
export { type ImpedanceChange, impedanceChanges, impedanceWords } from './replacedImpedance';
