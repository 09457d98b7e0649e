/**
 * The way of the signal from the vehicle's loom to the speaker. A factory **connector** has a **harness adapter** plugged in, which ends
 * at **terminals** or at a further connector; a **chain** is one or two of them. Nothing here knows of lengths: how far a plug stands out
 * is the fit's to judge.
 */
export { findHarnessChain, MOST_ADAPTERS } from './findHarnessChain';
export { areaOfGaugeMm2 } from './gauge';
export type { HarnessAdapter, Terminals } from './HarnessAdapter';
