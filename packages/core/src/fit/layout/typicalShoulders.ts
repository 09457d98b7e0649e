/**
 * The profile that stands in where a catalogue gives no sections, on the cautious side: the basket keeps its full width to 35 % of the
 * depth, then narrows to the magnet's width at 65 %, and the magnet keeps its width to the end. Real shoulders lie between 20 and
 * 45 %, and 50 and 70 % (common practice, no source); the doubt is one dimension, `speaker.profile`, that moves both.
 */
export const TYPICAL_SHOULDERS = { basketTo: 0.35, magnetFrom: 0.65 } as const;
/** Standard uncertainty of the shoulders as a part of the depth: half of 25 % as a rectangular distribution. */
export const SHOULDER_DOUBT = 0.125 / Math.sqrt(3);
