/** Words that somebody looks for, as PostgreSQL's LIKE and its index of every three letters (pg_trgm) take them. */

/** In small letters, each once, without what stands between words. The migration of the history's words leaves out the same. */
export function findWords(text: string): readonly string[] {
  return [
    ...new Set(
      text
        .toLowerCase()
        .split(/[\s"{}[\],:]+/)
        .filter(Boolean),
    ),
  ];
}

/** Anywhere in a text that is in small letters. */
export function likeWord(word: string): string {
  return `%${word.replace(/[\\%_]/g, '\\$&')}%`;
}
