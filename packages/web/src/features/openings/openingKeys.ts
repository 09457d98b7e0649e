/** Under which keys answers about openings are kept. */
export const openingKeys = { one: (openingId: string) => ['openings', openingId] as const };
