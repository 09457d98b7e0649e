/**
 * Days in the order in which the shop writes them, for words that no form stands behind. The shop's setting is told here when it is read,
 * and is kept on the device: the first words of a screen are there before the settings are.
 */
import { DAY_ORDERS, type DayOrder } from '@low-quarry/core/model';
import { readStored, writeStored } from '../device/stored';
import { dayWords } from './day';
import { isoDay } from './isoDay';

const KEY = 'dayOrder';
let order: DayOrder = DAY_ORDERS.find((each) => each === readStored(KEY)) ?? 'dayFirst';

export function setShopDays(next: DayOrder): void {
  if (next === order) return;
  order = next;
  writeStored(KEY, next);
}

/** "Fri 4.12.2026", by the device's calendar. @param at a moment, or a day as ISO 8601 writes it */
export function shopDay(at: string): string {
  return dayWords(at.length === 10 ? at : isoDay(new Date(at)), order);
}

/** A sentence of the core, which writes days as "Fri 2026-12-04", with them as the shop writes them. */
export function inShopDays(sentence: string): string {
  return sentence.replace(/\b[A-Z][a-z]{2} (\d{4}-\d{2}-\d{2})\b/g, (_, day: string) => shopDay(day));
}
