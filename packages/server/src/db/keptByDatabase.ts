/** Of a column that a trigger fills from the record beside it: the program neither writes it nor, unless it asks, reads it. */
export const keptByDatabase = { insert: false, update: false, select: false } as const;
