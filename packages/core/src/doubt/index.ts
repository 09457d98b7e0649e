/**
 * **Doubt**: which figures of a catalogue their own class does not bear out. A *class* is a kind of speaker and a nominal size; a *slip* is
 * what people and programs do to a figure on its way into a list; a *doubt* names the figure, why, and what it would be if the likeliest slip
 * was made. Doubts propose; people settle.
 */
export type { ComparedSpeaker } from './classFigures';
export { type Doubted, doubtSpeakers } from './doubtSpeakers';
export type { MakersDatum } from './makersDatum';
export type { SpeakerDoubt } from './SpeakerDoubt';
