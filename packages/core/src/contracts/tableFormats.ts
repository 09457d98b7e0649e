/** The kinds of files that a list goes out as. */
export const TABLE_FORMATS = ['csv', 'xlsx'] as const;
export type TableFormat = (typeof TABLE_FORMATS)[number];
