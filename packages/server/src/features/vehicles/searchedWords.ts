/** Words somebody types to find a vehicle: without accents, in small letters, as the database keeps what it is found by. */

export type SearchedWord = {
  /** With `%`, `_` and `\` as letters, as LIKE takes them. */
  readonly text: string;
  /** Short: under three letters, which no group of three can be compared for. */
  readonly kind: 'short' | 'word' | 'year';
};

const SHORTEST_WORD = 3;

export function searchedWords(find: string): readonly SearchedWord[] {
  const plain = find
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  const words = [...new Set(plain.split(/[\s,;]+/).filter(Boolean))];
  return words.map((word) => ({
    text: word.replace(/[\\%_]/g, '\\$&'),
    kind: /^(19|20)\d\d$/.test(word) ? 'year' : word.length < SHORTEST_WORD ? 'short' : 'word',
  }));
}
