/**
 * General mathematics that no ready library gives without Node or the DOM, or that a hot loop needs without objects: the distributions by
 * which an uncertainty is expanded (*normal*, *Student*, *rectangular with normal*), their **inverses**, a search for the least of a
 * function, a random source that starts from a **seed**, and every **tolerance** of the program in one file with its reason.
 */
export { AskedAgain } from './AskedAgain';
export { dayNumber, dayOfNumber } from './civilDays';
export { fnv1a } from './fnv1a';
export { inverse, invert } from './inverse';
export { leastBetween } from './leastBetween';
export { lnGamma } from './lnGamma';
export { median } from './median';
export { normalQuantile } from './normalQuantile';
export { readGrid, rectangularNormalCdf, rectangularNormalGrid, rectangularNormalQuantile } from './rectangularNormal';
export { seededRandom } from './seededRandom';
export { seldom } from './seldom';
export { studentTCdf, studentTQuantile } from './studentT';
export {
  ANGLE_STEP_RAD,
  CONTRADICTION_CHI_SQUARE,
  EDGE_SHARE,
  EXACT_MM,
  IMPROBABLE_SIGMAS,
  LIMIT_STEPS,
  NOTCH_REACH_RAD,
  READS_SAME_MM,
  ROUNDING_MM,
  SAME_ANGLE_RAD,
  SAME_PLACE_MM,
  STEP_MM,
} from './tolerances';
