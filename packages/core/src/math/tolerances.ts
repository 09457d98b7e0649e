/**
 * Every tolerance of the arithmetic in one place: what is the same, and to what a search goes. None of them is a clearance
 * or a doubt of the trade; those are the shop's settings and the dimensions' own, but for what a hand can do about a turn.
 */

/** Places that lie closer are one: far below what a drawing or a drill can do, mm. */
export const SAME_PLACE_MM = 1e-9;
/** Angles that differ by less are one, rad. */
export const ANGLE_STEP_RAD = 1e-9;
/** To this a search over angles goes, rad: 10 nm at a radius of 100 mm. */
export const SAME_ANGLE_RAD = 1e-7;
/** Lengths in tenths of a millimetre that add up to nothing come out as this much at the most. */
export const ROUNDING_MM = 1e-9;
/** An exactly known dimension would have endless weight in a fit; this stands for its doubt, mm. */
export const EXACT_MM = 1e-5;
/** What lies so many standard deviations off what is usual is asked about. */
export const IMPROBABLE_SIGMAS = 2.5;
/** Readings whose squared misfit, by their repeatability and for each free one, is greater contradict each other. */
export const CONTRADICTION_CHI_SQUARE = 4;
/** Step of one-sided differences, mm: small against a hole's play, large against rounding. */
export const STEP_MM = 1e-3;
/** Halvings that find where a turn stops clearing: to a ten thousandth of the stretch. */
export const LIMIT_STEPS = 14;
/** To this part of a side the nearest place on it is searched for. */
export const EDGE_SHARE = 1e-5;
/** A wire reaches round an eighth of a turn behind a plate (common practice, no source), rad. */
export const NOTCH_REACH_RAD = Math.PI / 4;

/** Half of the last digit that is shown, mm: two lengths nearer than this read the same. */
export const READS_SAME_MM = 0.05;
