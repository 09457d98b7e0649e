/**
 * The **catalogue**: what a shop can order. Every part has a *kind*, and a kind is one folder and one line of `PART_TABLE`. A part as a *record* is
 * what its maker states, in the units of a catalogue and rounded as it rounds; a part as a *shape* is what the fit works on, with the doubt that
 * the rounding leaves. A *listed* part is what lists need of it. Connectors are named by vehicles and by harness adapters.
 */
export { AMPLIFIER_INPUTS } from './amplifier/amplifier';
export { ENCLOSURES } from './bassBox/bassBox';
export { patternHolesOf } from './boltPattern';
export { type Box, boxSchema } from './box';
export { type BracketRecord, bracketSchema } from './bracket/bracket';
export { orderedId, STATE_MARK } from './bracket/snapOffs';
export { CAPACITOR_TYPES } from './capacitor/capacitor';
export {
  CLAIM_FINDINGS,
  CLAIM_SAYS,
  CLAIM_WORDS,
  type Claim,
  type ClaimFinding,
  claimFinding,
  isAbout as isClaimAbout,
  MOST_CLAIMS,
} from './claims';
export { COIL_CORES } from './coil/coil';
export { type ConnectorRecord, connectorSchema } from './connector';
export { CONSUMABLE_TYPES } from './consumable/consumable';
export { DEADENING_MATERIALS } from './deadeningSheet/deadeningSheet';
export { FASTENER_HEADS, FASTENER_TYPES } from './fastener/fastener';
export { BRANCH_TO, type Filter, filterSchema } from './filter';
export { FOAM_FORMS } from './foam/foam';
export { FUSE_TYPES } from './fuse/fuse';
export { type HarnessAdapterRecord, harnessAdapterSchema } from './harnessAdapter/harnessAdapter';
export { PART_KINDS, type PartKind, partKindWord } from './kindNames';
export {
  isJudgedSpeaker,
  isListedLayer,
  type ListedById,
  type ListedClaim,
  type ListedPart,
  type ListedSpeaker,
  snapOffNamed,
  toListedPart,
} from './ListedPart';
export { CONNECTOR_GENDERS } from './looseConnector/looseConnector';
export {
  COST_UNKNOWN,
  MOST_OFFERS,
  type Offer,
  offerKey,
  offerSchema,
  offersSchema,
  pieceCostMinor,
} from './offer';
export { MOST_ALIASES, partName } from './orderable';
export { PANEL_CLIP_TYPES } from './panelClip/panelClip';
export { newPartId } from './partIds';
export {
  isAtHand,
  namedConnectors,
  type PartRecord,
  partIdPrefix,
  partSays,
  partSchema,
  toFitCatalogue,
} from './partKinds';
export { FIGURE_SPECS } from './partSpecs';
export type { Pieces } from './pieces';
export { RATING_KINDS } from './rating';
export { SHEET_MATERIALS } from './sheet/sheet';
export { type SpacerRecord, spacerSchema } from './spacer/spacer';
export {
  type FigureDoubt,
  openDoubts,
  pertinentDoubts,
  SETTLED_BY,
  SETTLED_WORDS,
  settledAs,
  settledByHand,
} from './speaker/figureDoubts';
export {
  type FigureRange,
  type FigureRanges,
  RANGED,
  type Ranged,
  readRanges,
  writeRanges,
} from './speaker/figureRanges';
export {
  FIGURE_IDS,
  FIGURE_WORDS,
  type FigureId,
  type Figures,
  figureOfKey,
  figuresOf,
  withFigure,
} from './speaker/figures';
export {
  asKnown,
  differencesFromCounted,
  differencesOf,
  IN_HAND_FIGURES,
  IN_HAND_WORDS,
  type InHand,
  type InHandFigure,
  inHandDimension,
  LEAST_MEASURED,
  type MakersBias,
  poolDifferences,
  shownReachMm,
  type TerminalsInHand,
  terminalsDoubt,
} from './speaker/inHand';
export { LISTED_FIELDS } from './speaker/listed';
export {
  isWhole,
  lacksOf,
  NEEDED_FIGURES,
  READ_AS,
  type SpeakerRecord,
  speakerSchema,
  type WholeSpeaker,
} from './speaker/speaker';
export { NOMINAL_SIZES, SENSITIVITY_CONDITIONS, SPEAKER_KINDS } from './speaker/speakerNames';
export { readQuantity } from './specs/readQuantity';
export type { Spec } from './specs/Spec';
export { TERMINAL_TYPES } from './terminal/terminal';
export { TERMINALS } from './terminals';
export { TOOL_TYPES } from './tool/tool';
export { SEAT_FIXINGS } from './tweeterSeat/tweeterSeat';
export { bodyBoxWords, readBodyBoxWords } from './words/bodyBoxWords';
export { boxWords, readBoxWords } from './words/boxWords';
export { branchWords, filterWords, readBranchWords, readFilterWords } from './words/filterWords';
export { handWords, readHandWords } from './words/handWords';
export { apart, outlineWords, ratingWords } from './words/partWords';
export { patternWords, readPatternWords, USUAL_HOLE_MM } from './words/patternWords';
export { NOTHING_ELSE, pieceWords, readPieceWords } from './words/pieceWords';
export { powerWords, readPowerWords } from './words/powerWords';
export { profileWords, readProfileWords } from './words/profileWords';
export { readScrewWords, screwWords } from './words/screwWords';
export { readSnapOffWords, snapOffWords } from './words/snapOffWords';
