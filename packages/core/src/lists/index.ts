/**
 * A supplier's **list**: a table whose columns are guessed, or said; a **row** of it is an offer of some part; a **finding** says what of a
 * cell nobody can use, or what is doubtful. The **plan** is what a list would change, before anything is changed.
 */
export {
  guessColumns,
  isLengthColumn,
  LIST_COLUMN_LABELS,
  LIST_COLUMNS,
  type ListColumn,
  OFFER_COLUMNS,
  SPEAKER_COLUMNS,
  type Table,
} from './columns';
export { doubtsOf, type LibraryDoubts } from './compared';
export { OUT_HEADINGS, type OutCell, partRows, unreadableRow } from './listOut';
export { type OfferedPart, type OfferPlan, planOffers } from './planOffers';
export { planSpeakers, type SpeakerPlan } from './planSpeakers';
export { type Finding, type ListRow, readList } from './readList';
