/**
 * Days of the Gregorian calendar as whole numbers, without a clock: formulas of H. Hinnant, "chrono-compatible low-level date algorithms"
 * (days_from_civil, civil_from_days), after which a year begins in March.
 */

const DAYS_AN_ERA = 146_097;
/** From 1 March of the year 0 to 1 January 1970. */
const TO_1970 = 719_468;

/** @param day such as "2026-12-04", of the year 0 or later @returns days since 1 January 1970 */
export function dayNumber(day: string): number {
  const [y = 0, month = 1, date = 1] = day.split('-').map(Number);
  const year = month <= 2 ? y - 1 : y;
  const era = Math.floor(year / 400);
  const ofEra = year - era * 400;
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1;
  return era * DAYS_AN_ERA + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - TO_1970;
}

/** The day of a number, as `dayNumber` reads it. */
export function dayOfNumber(number: number): string {
  const days = number + TO_1970;
  const era = Math.floor(days / DAYS_AN_ERA);
  const ofEra = days - era * DAYS_AN_ERA;
  const years = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  );
  const ofYear = ofEra - (365 * years + Math.floor(years / 4) - Math.floor(years / 100));
  const fromMarch = Math.floor((5 * ofYear + 2) / 153);
  const date = ofYear - Math.floor((153 * fromMarch + 2) / 5) + 1;
  const month = fromMarch < 10 ? fromMarch + 3 : fromMarch - 9;
  const year = years + era * 400 + (month <= 2 ? 1 : 0);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}`;
}
