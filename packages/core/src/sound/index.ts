/**
 * What can be told of sound before anything is bought. So far the old speakers: readings of an ohmmeter as they are typed, and what they
 * tell of a **voice coil**; and the **fault tree**, which asks whether it is the speaker at all.
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
export { MOST_OHM_READINGS, type OhmReading, readOhms } from './readOhms';
export { type ImpedanceChange, impedanceChanges, impedanceWords } from './replacedImpedance';
