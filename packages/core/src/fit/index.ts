/**
 * Whether a speaker fits an opening, with which brackets and rings, and what to do where it does not. A **candidate** is a speaker with its
 * layers; a **check** asks it one question; a **judgement** is all checks with the placement they were asked at; a **ranking** is the best
 * candidate of every speaker. **Advice** is what to measure, order or change next. `README.md` leads through the files.
 */

export { type Advice, type AdviceOptions, advise, type Change, changeKey, type Question } from './advice/advice';
export { sameWorks } from './advice/benchChanges';
export { type HeightRange, heightRange } from './advice/heightRange';
export {
  candidateMeasurements,
  type NextMeasurement,
  type NextOptions,
  nextMeasurements,
} from './advice/nextMeasurement';
export { bestStack } from './bestStack';
export {
  CHECK_IDS,
  type Check,
  type CheckId,
  COUNTS_FOR,
  type CountsFor,
  graver,
  type Nearest,
  type OpeningDimensionKey,
  VERDICTS_BY_RANK,
  type Verdict,
} from './Check';
export { bringsMore, type Carried, carriedBesides, toBeKept } from './carriedBesides';
export { checkLabel, checkPlace, fallOutWords, VERDICT_WORDS } from './checkWords';
export type { Judgement, Mount } from './Judgement';
export { harnessFor, judgeCandidate, judgeWithHarness } from './judgeCandidate';
export { holeOf, outsideOf } from './layout/LayerShape';
export { obstacleBox, obstacleRod } from './layout/obstacleSolids';
export { madeRings, ringOf, ringThicknessMm } from './layout/rings';
export { DATUM_SHARE, speakerShape } from './layout/SpeakerShape';
export { sheetFit } from './layout/sheetFit';
export { MOST_LAYERS } from './layout/slots';
export { SHOULDER_DOUBT } from './layout/typicalShoulders';
export { behindClearanceMm } from './margins/checks/depth';
export { type OpeningFacts, openingHolds } from './margins/checks/facts';
export { frontAskedMm, frontClearanceMm } from './margins/checks/front';
export { placeWords } from './margins/checks/place';
export { freeVerdict, freeWords } from './margins/checks/staysFree';
export type { LayerPlace } from './mates/placements';
export { openForOpening } from './openForOpening';
export { CatalogueIndex } from './search/CatalogueIndex';
export { FitEngine } from './search/FitEngine';
export { groundRing, isSameHeight, spacerAt, suitableSpacers, WHAT_IF_ID, withGroundRing } from './search/groundRing';
export { type PackedRanking, packRanking, unpackRanking } from './search/packRanking';
export type { FirstLook, RankedSpeaker, RankedStack, Ranking } from './search/Ranking';
export { findLayer, raisedMm } from './search/stacks';
export { chooseServing, type Serves, servesOf } from './servesMost';
export {
  ASSUMABLE,
  type Assumable,
  type Behind,
  type Candidate,
  COPIED_FIXINGS,
  FIXINGS,
  type FitBracket,
  type FitCatalogue,
  type FitLayer,
  type FitObstacle,
  type FitOpening,
  type FitRules,
  type FitSpacer,
  type FitSpeaker,
  type Fixing,
  FRONT_KINDS,
  type FrontKind,
  type MadeFace,
  OBSTACLE_KINDS,
  type ObstacleKind,
  type PinsBeyond,
  type ProudThing,
  type SheetDefaults,
} from './shapes';
export { whereItFits } from './whereItFits';
export { housed } from './work/housed';
export { DRILL_PLAY_MM, farthestEdgeMm, ROOM_FOR_DOUBT_MM, throatFor } from './work/ownPlate';
export {
  CAR_WORKS,
  type CarWork,
  CLOTH_MM,
  isCarWork,
  MOST_FILED_MM,
  MOST_THINNED_MM,
  minutesOf,
  type PlateFigures,
  WORK_FACTS,
  type Work,
} from './work/Work';
export { type Worked, withWork } from './work/withWork';
export { effortWords, workWords } from './work/workWords';
