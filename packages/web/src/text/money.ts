/** Money for people, from minor units. */
export function printMoney(minor: number, currency: string): string {
  return new Intl.NumberFormat('en-IE', { style: 'currency', currency }).format(minor / 100);
}
