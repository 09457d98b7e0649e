/**
 * Housings that the shop builds: a pod on a closed panel, a wedge under a speaker that has to look elsewhere, a cup for a tweeter. What is drawn here
 * is the outside and the inside of one; how a speaker fits in it is `fit`'s, and how it is cut is `template`'s.
 */
export { type FaceFrame, faceFrame, fromFace, toFace, turnedToFace } from './frame';
export { type FreeFinding, staysFree } from './free';
export {
  FREE_KINDS,
  type FreeKind,
  type FreeThere,
  HOUSING_KINDS,
  HOUSING_LABELS,
  type Housing,
  type HousingKind,
  housingSchema,
  housingWords,
  STAYS_FREE,
  type StaysFree,
} from './Housing';
export { type BoreMm, boreOf, volumeL } from './room';
export { AROUND, LEAST_RIM_MM, type PlaceMm, type Shell, shellOf } from './shell';
