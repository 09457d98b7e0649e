/**
 * The records a shop keeps, as Zod schemas, and the shapes that `fit` makes of them. A **job** is a car with what is wanted; an **opening**
 * is one place for a speaker with what was **measured**, by which **source**; a **vehicle** is what the library has of openings before
 * anyone measured; the **shop** is its settings. **Access** says who may do what.
 */
export {
  asksPassword,
  mayDo,
  PASSWORD_COUNTS_MS,
  type Permission,
  ROLES,
  type Role,
  roleSchema,
  rolesSchema,
} from './access';
export {
  type AmplifierPlan,
  amplifierPlanSchema,
  amplifierPlanWords,
  type Bypass,
  PLAN_LEADS,
  PLAN_LEADS_LABELS,
  PLAN_SOUNDS,
  PLAN_SOUNDS_LABELS,
  PLAN_SOURCE_LABELS,
  PLAN_SOURCES,
  type PlanSource,
} from './amplifierPlan';
export {
  BAND_LABELS,
  BANDS,
  type Band,
  CHANNEL_WIRE_LABELS,
  CHANNEL_WIRES,
  type Channel,
  channelPowerWords,
  channelsSchema,
  channelWords,
  type DevicePlug,
  devicePlugsSchema,
  devicePlugWords,
  FED_BY,
  FED_BY_LABELS,
  JOINED,
  JOINED_LABELS,
  PLUG_CARRIES,
  PLUG_CARRIES_LABELS,
  PLUG_OF,
  PLUG_OF_LABELS,
  type PlugOf,
  POWER_RATING_LABELS,
  POWER_RATINGS,
  type Route,
  routesSchema,
  routeWords,
  type Space,
  spacesSchema,
  spaceWords,
} from './around';
export { asCarried } from './asCarried';
export {
  type Baseline,
  type BaselineSettings,
  baselineSchema,
  type Compared,
  comparedAtHandOver,
  functionsTried,
  type Listening,
  listeningSchema,
  listeningWords,
  MOST_LISTENED,
  NO_BASELINE,
  notHeard,
  type Signature,
  type Standing,
  signatureSchema,
  signatureWords,
  speakerKey,
  TRIED,
  TRIED_LABELS,
  type Tried,
  type TriedFunction,
  triedSchema,
  triedWords,
  untried,
} from './baseline';
export {
  type Bay,
  baySchema,
  bayWords,
  type Counted,
  countedWords,
  type FoundThing,
  foundThingSchema,
  foundWords,
  isBegunAt,
  isDone,
  markWords,
  NOTHING_DONE,
  openingStepId,
  panelMarks,
  panelStepId,
  panelsInFrontOf,
  type StepMark,
  stepMarkSchema,
  TORQUE_UNITS,
  type Torque,
  type TorqueUnit,
  torqueIn,
  torqueSchema,
  torqueWords,
} from './bay';
export { besidesAt } from './besidesAt';
export { firstScrewDeg } from './bolts';
export {
  BOOKING_STEP_MIN,
  type Booking,
  type Bookings,
  bookingSchema,
  bookingsSchema,
  bookingWords,
  LONGEST_BOOKING_MIN,
  MOST_AT_ONE_CAR,
  MOST_BOOKINGS,
  NOT_BOOKED,
} from './booking';
export {
  BUILD_STEP_LABELS,
  BUILD_STEPS,
  type Build,
  type BuildStep,
  buildWords,
} from './build';
export {
  CAR_FACT_KEYS,
  CAR_FACTS,
  type CarFact,
  type CarFactKey,
  type CarFacts,
  carFactSchema,
  carFactsSchema,
  carFactWords,
  type FactAskedAt,
  factsOfOtherVariant,
  knownFact,
  taughtFacts,
} from './carFacts';
export { cautionsFor, coverCautions, speakerCautions } from './cautions';
export { clockOf, hoursWords, minutesOf, WEEKDAYS, type Weekday } from './clock';
export { anticlockwise } from './corners';
export {
  CROSSOVER_AT_LABELS,
  CROSSOVER_ATS,
  CROSSOVER_COMES,
  CROSSOVER_COMES_LABELS,
  type Crossover,
  type CrossoverOutput,
  crossoversSchema,
  crossoverWords,
  liesWords,
  OUTPUT_LABELS,
  OUTPUT_LEAD_LABELS,
  OUTPUT_LEADS,
  type OutputLead,
  type OutputTo,
  outputWords,
  UNDECIDED_BOX,
} from './crossover';
export { isCurrency, NO_CURRENCY } from './currency';
export {
  EARLIER_WORK,
  EARLIER_WORKS,
  type Earlier,
  type EarlierWork,
  earlierWords,
  hasEarlier,
} from './earlierWork';
export { EXPECTATION_LABELS, EXPECTATIONS, type Expectation, expectationsFor } from './expectations';
export {
  countedFromMetal,
  FACE_NAMES,
  INWARDS,
  isReadFromFace,
  MOST_FACE_MM,
  OUTWARDS,
  rereadFromMetal,
} from './faces';
export { foamNeeds } from './foamNeeds';
export { fromSide } from './fromSide';
export {
  FUNCTION_GROUP_LABELS,
  FUNCTION_GROUPS,
  type FunctionGroup,
  functionGroup,
  functionLabel,
  functionsOf,
  MOST_FUNCTIONS,
  needsEverySpeaker,
  otherFunction,
  usualFunctions,
} from './functions';
export { GRADE_LABELS, GRADES, type Grade, isOnlyHeard, isSomebodysWord } from './grade';
export {
  CONSENT_LABELS,
  GOAL_LABELS,
  GOALS,
  type Goals,
  KEEP_LABELS,
  KEEPS,
  type Keep,
  LATER_HEEDS,
  LATER_LABELS,
  LATERS,
  LEAVE_LABELS,
  LEAVES,
  needsLeave,
  OWNER_LABELS,
  OWNERS,
  type Ownership,
  WEIGHT_LABELS,
  type Weight,
} from './intake';
export {
  type IntakeFacts,
  intakeFactsOf,
  intakeFactsSchema,
  JOB_END_WORDS,
  JOB_ENDS,
  JOB_FACT_KEYS,
  type JobEnd,
  type JobEnded,
  type JobFactKey,
  type JobFacts,
  type JobState,
  jobEndedSchema,
  jobFactLabel,
  jobFactsOf,
  jobFactsSchema,
  jobFactWords,
  jobStateSchema,
  jobTitle,
  newJobFactsSchema,
  typedJobFactsSchema,
} from './job';
export { layerIdsSchema, withLayerIds } from './layers';
export { lineFilterSchema, type OpeningLineFilter } from './lineFilter';
export { lineFilterWords } from './lineFilterWords';
export { FACES, type Face, FRONT_FACES, type FrontFace, isTakenHere, type Measurement, meanMm } from './measurement';
export { newOpening } from './newOpening';
export {
  CAPACITORS,
  DAMAGE_LABELS,
  DAMAGES,
  isHeardWrong,
  OLD_SPEAKER_NOT_TESTED,
  type OldSpeaker,
  PLAYS,
  PLAYS_LABELS,
} from './oldSpeaker';
export { coilOf, foundCause, oldSpeakerWords, trialsOf } from './oldSpeakerFound';
export {
  AIRBAGS,
  BEHIND,
  type FrontLayerRecord,
  MOUNT_MATERIALS,
  notedOpeningSchema,
  type ObstacleRecord,
  type OpeningRecord,
  openingFactsSchema,
  openingRecordSchema,
  PRESENCES,
  type Presence,
  type ProudRecord,
  SECOND_PLUGS,
} from './opening';
export { OPENING_DIMENSION_KEYS, OPENING_DIMENSIONS } from './openingDimensions';
export { aroundOfOtherVariant, carriedOverDoubts, openingsOfOtherVariant, SET_BACK_WORDS } from './otherVariant';
export {
  ATTACHED,
  ATTACHED_LABELS,
  type Attached,
  type AttachedKind,
  attachedSchema,
  attachedWords,
  BASE_LABELS,
  BASES,
  COMES_OFF,
  COMES_OFF_LABELS,
  COVER_LABELS,
  COVERS,
  FASTENER_LABELS,
  FASTENERS,
  type Fastener,
  type FastenerKind,
  type FirstThen,
  fastenerSchema,
  fastenerWords,
  HEAD_LABELS,
  HEADS,
  type Instruction,
  instructionSchema,
  instructionWords,
  isWebAddress,
  MOST_PANELS,
  newPanel,
  PANEL_KINDS,
  PANEL_LABELS,
  PANEL_SPOT_LABELS,
  PANEL_SPOTS,
  type Panel,
  type PanelKind,
  type PanelMark,
  type PanelSpot,
  panelAt,
  panelLabel,
  panelMarkSchema,
  panelNotLooked,
  panelSchema,
  RATING_LABELS,
  type Rating,
} from './panel';
export { orderOf, type PanelOrder, panelOrder } from './panelOrder';
export {
  BEFORE_WORK,
  isOfBaseline,
  isOfBay,
  MARK_LABELS,
  MOST_PHOTOS,
  marksWords,
  PHOTO_OF,
  type PhotoMark,
  type PhotoNotes,
  type PhotoOf,
  type PhotoState,
  type PhotoSubject,
  photoLabel,
  photoNotesSchema,
  photoPlaceOf,
  photoPlaceOfStep,
  photoStateSchema,
  photoSubjectSchema,
  pictureHashSchema,
} from './photo';
export {
  isBehindHinge,
  isInDash,
  isInDoor,
  mayHoldAirbag,
  type NamedPlace,
  needsSupplyOff,
  PLACE_LABELS,
  type Place,
  placeLabel,
  placeSchema,
  SIDES,
  type Side,
} from './place';
export {
  MOST_COLOUR,
  MOST_FACES,
  MOST_POSITIONS,
  MOST_ROWS,
  PAIR_CARRIES,
  PAIR_CARRIES_LABELS,
  type PairCarries,
  type PinPair,
  type PlugFace,
  pinsNotLooked,
  pinWords,
  plugName,
} from './plugFace';
export { pairLetter, pinMark, plugFaceWords, rowLengths, soundPins } from './plugFaceWords';
export {
  POLARITY_BY,
  POLARITY_LABELS,
  POLARITY_NOT_KNOWN,
  type Polarity,
  type PolarityBy,
  phaseWords,
  polaritySchema,
  polarityWeight,
  polarityWords,
  positivePin,
} from './polarity';
export {
  ANSWER_GRADE_LABELS,
  ANSWER_GRADES,
  ASKED_OF,
  ASKED_OF_LABELS,
  type AskedOf,
  MOST_QUESTIONS,
  type Question,
  questionSchema,
  questionsSchema,
} from './questions';
export {
  QUIETED_AREAS,
  type Quieted,
  type QuietedArea,
  quietedM2,
  quietedSchema,
  quietedWords,
} from './quieted';
export { type QuietedSheets, quietedSheets } from './quietedSheets';
export { QUIETED_SPOTS, type QuietedSpot, readSpots, spotsText, spotsWords } from './quietedSpots';
export { quietNeeds } from './quietNeeds';
export { readMeasurement } from './readMeasurement';
export { type FacePlace, readPlaces } from './readPlaces';
export { faultHold, isAssumed } from './replaced';
export { nameKey } from './sameName';
export { screwNeeds } from './screwNeeds';
export {
  DAY_ORDERS,
  type DayOrder,
  MOST_LIFTS,
  readingHalfWidthsMm,
  SETTINGS_DEFAULTS,
  type ShopSettings,
  SIGNATURES,
  settingsSchema,
  toFitRules,
} from './settings';
export { jobCode, lotCode, lotWords, MOST_ON_SHELF, type ShelfState, shelfStateSchema } from './shelf';
export { ageOf, type Good, goodFor, lineNeeds, type SmallNeed, smallNeeds } from './smallNeeds';
export { piecesOf, type SmallPart, smallPartsSchema } from './smallParts';
export { ORIGIN_LABELS, SOURCE_HALF_WIDTHS_MM, SOURCE_IDS, SOURCES, type SourceId, sourceSchema } from './source';
export { STOWED_KINDS, STOWED_LABELS, type Stowed, type StowedKind, stowedSchema, stowedWords } from './stowed';
export {
  behindFace,
  isOpeningThere,
  openingFacts,
  rimPlaceList,
  takesSpeaker,
  toDimension,
  toFitOpening,
} from './toFitOpening';
export {
  TWEETER_HOLD_KINDS,
  TWEETER_HOLDS,
  TWEETER_SEAT_KINDS,
  TWEETER_SEATS,
  type TweeterHold,
  type TweeterSeat,
  type TweeterSeatKind,
  tweeterSeatSchema,
  tweeterSeatWords,
  undoneWords,
} from './tweeterSeat';
export { usualChannels } from './usualChannels';
export {
  type BeganAs,
  BODIES,
  BODY_LABELS,
  type Body,
  bodyWords,
  CAB_LABELS,
  CABS,
  type Cab,
  type Dispute,
  doublePanel,
  doublePlace,
  isSameVariant,
  MOST_OPENINGS,
  type Variant,
  type VehicleRecord,
  variantSchema,
  vehicleLabel,
  vehicleName,
  vehicleSchema,
  type Years,
  yearsOverlap,
  yearsWords,
} from './vehicle';
export { WAITS, type Waits, waitsFor } from './waitsFor';
export { helpfulDimensions, missingDimensions, wantedDimensions } from './wantedDimensions';
export { worksSchema } from './work';
