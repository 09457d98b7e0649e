/**
 * The way of the signal from the vehicle's loom to the speaker. A factory **connector** has a **harness adapter** plugged in, which ends
 * at **terminals** or at a further connector; a **chain** is one or two of them. How far a plug stands out is the fit's to judge. **New wire** is
 * chosen by what it loses, and the **feed** of an amplifier by its current, its fuse and its drop. Where nothing plugs in wires are **joined**, by the
 * shop's school and by what the place allows.
 */
export { gaugeOfArea } from './copper';
export { findHarnessChain, MOST_ADAPTERS } from './findHarnessChain';
export { areaOfGaugeMm2 } from './gauge';
export type { HarnessAdapter, Terminals } from './HarnessAdapter';
export { JOINT_WAYS, JOINTS, type JointSchool, type JointSpot, type JointWay, jointWayFor, staggerMm } from './joints';
export { FUSE_WITHIN_CM, type PowerFeed, powerFeed } from './powerFeed';
export { type PowerTree, powerTree } from './powerTree';
export { type SignalWire, signalWire } from './signalWire';
