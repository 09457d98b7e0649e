/** The device's calendar day of a moment, as ISO 8601 writes it. */
import { lightFormat } from 'date-fns/lightFormat';

export function isoDay(moment: Date): string {
  return lightFormat(moment, 'yyyy-MM-dd');
}
