/** Money for people, from minor units. */
export function printMoney(minor: number, currency: string): string {
  return new Intl.NumberFormat('en-IE', { style: 'currency', currency }).format(minor / 100);
}

/** @param minor null, or without end, where a price of it is not known */
export function printCost(minor: number | null, currency: string): string {
  return minor === null || !Number.isFinite(minor) ? 'price not known' : printMoney(minor, currency);
}
