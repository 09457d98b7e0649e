/** Of a rating that is not RMS, what it is: only RMS compares. */
export const RATING_KINDS = ['peak', 'range', 'unstated'] as const;
