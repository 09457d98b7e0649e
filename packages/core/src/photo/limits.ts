/** How large a picture may be, on its way and where it stays. */

/** What is kept of a picture: its longer side is made no longer than this. */
export const LONGEST_PX = 2560;
/** The longer side of the small one that lists show. */
export const SMALL_PX = 360;
/** A file that somebody picks: the largest camera files are below it. */
export const MOST_FILE_MB = 40;
/** What is sent after it was made smaller; at the quality that is used a fifth of this is usual. */
export const MOST_PICTURE_MB = 12;
/** More than any camera takes; what claims more is no picture to be opened. */
export const MOST_PIXELS = 120_000_000;
