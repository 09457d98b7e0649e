/**
 * What is known of a length, and how well, by JCGM 100:2008. A **dimension** has a value, a standard uncertainty and where it comes from;
 * dimensions of one instrument **share** an error. A **variance** sums what a quantity depends on; the **expansion** turns it into a half-
 * width at the shop's confidence; a **margin** is a length that must not be negative, with that half-width.
 */

export { combineUncertainty } from './combineUncertainty';
export {
  type Dimension,
  exactly,
  type Origin,
  plusShared,
  rectangular,
  type SharedError,
  sharedDimension,
  sharedUncertaintyMm,
  wholeUncertaintyMm,
} from './Dimension';
export { Expansion } from './Expansion';
export {
  fromReadings,
  type Instrument,
  instrumentName,
  meanOf,
  pooledRepeatability,
  type Repeatability,
  SHARED_SHARE,
} from './fromReadings';
export {
  coverageFactor,
  intervalVerdict,
  type Margin,
  marginChance,
  marginVerdict,
  sureness,
  toMargin,
  wholeFreedom,
} from './Margin';
export { named, type QuantityTerm } from './Quantity';
export { Variance } from './Variance';
