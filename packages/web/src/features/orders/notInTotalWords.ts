/** Lines whose cost is not in the total of an order list, in words. */
export function notInTotalWords(lines: number): string {
  return `${lines === 1 ? '1 line is' : `${lines} lines are`} not in it: no price is known, or it is in another currency`;
}
