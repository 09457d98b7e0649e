/** Days as a shop writes and reads them. A day is kept as ISO 8601 has it; nothing here depends on a clock or a place. */
import type { DayOrder } from '@low-quarry/core/model';
import { fail, ok, type Result } from '@low-quarry/core/result';

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const;
const SHOWN_WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
const NEAR: Readonly<Record<string, number>> = { today: 0, tomorrow: 1, yesterday: -1 };
const DAY_MS = 86_400_000;
const EXAMPLES: Readonly<Record<DayOrder, string>> = {
  dayFirst: '4.12.2026, 4.12., Fri or tomorrow',
  monthFirst: '12/4/2026, 12/4, Fri or tomorrow',
  yearFirst: '2026-12-04, 12-04, Fri or tomorrow',
};

/**
 * A day as somebody types it: in the shop's order with points, slashes, dashes or blanks between, as ISO 8601 whatever the order, "today",
 * "tomorrow", or the next such weekday. Without a year it is the one that lies nearest to today; two figures of a year are of this century.
 *
 * @param today as ISO 8601 writes it
 * @returns the day as ISO 8601 writes it; null for nothing typed; the failure says what was read and what would do
 */
export function readDay(text: string, order: DayOrder, today: string): Result<string | null, string> {
  const typed = text.trim().toLowerCase();
  if (typed === '') return ok(null);
  const near = NEAR[typed];
  if (near !== undefined) return ok(plusDays(today, near));
  const weekday = typed.length < 2 ? -1 : WEEKDAYS.findIndex((each) => each.startsWith(typed));
  if (weekday >= 0) return ok(plusDays(today, (weekday - weekdayOf(today) + 7) % 7 || 7));
  const iso = /^\d{4}-\d{1,2}-\d{1,2}$/.test(typed);
  const figures = typed.split(/[\s./-]+/).filter(Boolean);
  const day = /^[\d\s./-]+$/.test(typed) ? dayOf(figures, iso ? 'yearFirst' : order, today) : null;
  if (day) return ok(day);
  return fail(`“${text.trim().slice(0, 20)}” was read and is no day. Type one such as ${EXAMPLES[order]}.`);
}

/** Whether it is a day as it is kept, and not what somebody is typing. */
export function isDay(text: string): boolean {
  const [year = '', month = '', day = ''] = text.split('-');
  return isoOf(year, month, day) === text;
}

/** "Fri 4.12.2026", "Fri 12/4/2026", "Fri 2026-12-04". */
export function dayWords(iso: string, order: DayOrder): string {
  return `${SHOWN_WEEKDAYS[weekdayOf(iso)]} ${dayFigures(iso, order)}`;
}

/** "4.12.2026", "12/4/2026", "2026-12-04": what `readDay` reads again as the same day. */
export function dayFigures(iso: string, order: DayOrder): string {
  const [year = '', month = '', day = ''] = iso.split('-');
  if (order === 'yearFirst') return iso;
  return order === 'dayFirst' ? `${Number(day)}.${Number(month)}.${year}` : `${Number(month)}/${Number(day)}/${year}`;
}

function dayOf(figures: readonly string[], order: DayOrder, today: string): string | null {
  if (figures.length === 2) {
    const [a = '', b = ''] = figures;
    const [month, day] = order === 'dayFirst' ? [b, a] : [a, b];
    const year = Number(today.slice(0, 4));
    const candidates = [year - 1, year, year + 1].flatMap((each) => isoOf(String(each), month, day) ?? []);
    const off = (iso: string) => Math.abs(msOf(iso) - msOf(today));
    return candidates.sort((x, y) => off(x) - off(y))[0] ?? null;
  }
  if (figures.length !== 3) return null;
  const [a = '', b = '', c = ''] = figures;
  if (order === 'yearFirst') return isoOf(a, b, c);
  return order === 'dayFirst' ? isoOf(c, b, a) : isoOf(c, a, b);
}

/** null for what the calendar does not have, and years beside 2000 to 2199. */
function isoOf(year: string, month: string, day: string): string | null {
  if (!/^(\d{2}|\d{4})$/.test(year) || !/^\d{1,2}$/.test(month) || !/^\d{1,2}$/.test(day)) return null;
  const whole = year.length === 2 ? `20${year}` : year;
  const iso = `${whole}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const ms = Date.parse(`${iso}T00:00:00Z`);
  const isThere = Number.isFinite(ms) && new Date(ms).toISOString().slice(0, 10) === iso;
  return isThere && whole >= '2000' && whole < '2200' ? iso : null;
}

function msOf(iso: string): number {
  return Date.parse(`${iso}T00:00:00Z`);
}

function weekdayOf(iso: string): number {
  return new Date(msOf(iso)).getUTCDay();
}

function plusDays(iso: string, days: number): string {
  return new Date(msOf(iso) + days * DAY_MS).toISOString().slice(0, 10);
}
