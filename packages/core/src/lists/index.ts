/**
 * A supplier's **list**: a table whose columns are guessed, or said; a **row** of it is an offer of some part; a **finding** says what of a
 * cell nobody can use, or what is doubtful. The **plan** is what a list would change, before anything is changed.
 */
export {
  columnLabel,
  guessColumns,
  LIST_COLUMNS,
  type ListColumn,
  measureOf,
  OFFER_COLUMNS,
  SPEAKER_COLUMNS,
  type Table,
} from './columns';
export { doubtsOf, type LibraryDoubts } from './compared';
export { aKind, figureColumnsOf, kindNamed, kindPlural } from './figureColumns';
export { type OutCell, outHeadings, partRows, unreadableRow } from './listOut';
export { type ClaimsPlan, planClaims } from './planClaims';
export { type OfferedPart, type OfferPlan, planOffers } from './planOffers';
export { type PartsPlan, planParts } from './planParts';
export type { FitsVehicle } from './readFits';
export { type Finding, type ListRow, readList } from './readList';
