/** What a speaker's wires are put on to. */
export const TERMINALS = ['spades 2.8 + 4.8', 'spades 4.8 + 6.3', 'bare ends'] as const;
