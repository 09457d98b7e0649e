/** What kinds and sizes of speakers are called, and under what their sensitivity is taken. */
export const SPEAKER_KINDS = ['coaxial', 'component woofer', 'full range', 'tweeter'] as const;
export const NOMINAL_SIZES = ['1 in', '3.5 in', '4 in', '4×6', '5.25 in', '6×8', '6.5 in', '6.75 in', '6×9'] as const;
export const SENSITIVITY_CONDITIONS = ['1 W', '2.83 V', 'notStated'] as const;
