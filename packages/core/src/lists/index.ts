/**
 * A supplier's **list**: a table whose columns are guessed, or said; a **row** of it is an offer of some part; a **finding** says what of a
 * cell nobody can use, or what is doubtful. The **plan** is what a list would change, before anything is changed.
 */
export { guessColumns, OFFER_COLUMN_LABELS, OFFER_COLUMNS, type OfferColumn, type Table } from './columns';
export { type OfferedPart, type OfferPlan, planOffers } from './planOffers';
export { type Finding, type OfferRow, readOfferList } from './readOfferList';
