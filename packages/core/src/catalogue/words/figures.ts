/** Numbers as they stand in words: a decimal point or comma, no unit or mm. */

/** A number within words, as the source of a pattern. */
export const NUMBER = String.raw`(\d+(?:[.,]\d+)?)(?: ?mm)?`;
/** One that may be less than nothing. */
export const SIGNED = String.raw`([-−]?\d+(?:[.,]\d+)?)(?: ?mm)?`;
/** What stands between two measures. */
export const BY = ' ?[x×*] ?';

export function toNumber(text: string | undefined): number {
  return Number((text ?? '').replace(',', '.').replace('−', '-'));
}

/** As people write it: no more than two decimals, none where there are none. */
export function printed(number: number): string {
  return String(Number(number.toFixed(2)));
}

/** Blanks as one, none at the ends; in small letters. */
export function tidied(text: string): string {
  return text.replace(/\s+/g, ' ').trim().toLowerCase();
}
