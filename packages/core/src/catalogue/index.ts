/**
 * The **catalogue**: what a shop can order. Every part has a *kind*, and a kind is one folder and one line of `PART_TABLE`. A part as a *record* is
 * what its maker states, in the units of a catalogue and rounded as it rounds; a part as a *shape* is what the fit works on, with the doubt that
 * the rounding leaves. A *listed* part is what lists need of it. Connectors are named by vehicles and by harness adapters.
 */
export { patternHolesOf } from './boltPattern';
export { type BracketRecord, bracketSchema } from './bracket/bracket';
export { orderedId, STATE_MARK } from './bracket/snapOffs';
export { type ConnectorRecord, connectorSchema } from './connector';
export { FASTENER_HEADS, FASTENER_TYPES } from './fastener/fastener';
export { type HarnessAdapterRecord, harnessAdapterSchema } from './harnessAdapter/harnessAdapter';
export {
  isJudgedSpeaker,
  isListedLayer,
  type ListedById,
  type ListedPart,
  type ListedSpeaker,
  snapOffNamed,
  toListedPart,
} from './ListedPart';
export {
  COST_UNKNOWN,
  MOST_OFFERS,
  type Offer,
  offerKey,
  offerSchema,
  offersSchema,
} from './offer';
export { MOST_ALIASES, partName } from './orderable';
export { PANEL_CLIP_TYPES } from './panelClip/panelClip';
export {
  isAtHand,
  namedConnectors,
  PART_KINDS,
  type PartKind,
  type PartRecord,
  partKindWord,
  partSays,
  partSchema,
  toFitCatalogue,
} from './partKinds';
export { SHEET_MATERIALS } from './sheet/sheet';
export { type SpacerRecord, spacerSchema } from './spacer/spacer';
export {
  type FigureDoubt,
  openDoubts,
  pertinentDoubts,
  SETTLED_BY,
  SETTLED_WORDS,
  settledAs,
} from './speaker/figureDoubts';
export { FIGURE_IDS, FIGURE_WORDS, type FigureId, type Figures, figuresOf, withFigure } from './speaker/figures';
export { LISTED_FIELDS, type ListedField } from './speaker/listed';
export {
  isWhole,
  lacksOf,
  NEEDED_FIGURES,
  NOMINAL_SIZES,
  RATING_KINDS,
  SENSITIVITY_CONDITIONS,
  SPEAKER_KINDS,
  type SpeakerRecord,
  speakerSchema,
  type WholeSpeaker,
} from './speaker/speaker';
export { TERMINAL_TYPES } from './terminal/terminal';
export { TERMINALS } from './terminals';
export { apart, ratingWords } from './words/partWords';
export { patternWords, readPatternWords, USUAL_HOLE_MM } from './words/patternWords';
export { profileWords, readProfileWords } from './words/profileWords';
export { readScrewWords, screwWords } from './words/screwWords';
