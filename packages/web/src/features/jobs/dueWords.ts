import { JOB_END_WORDS, type JobEnded, WEEKDAYS } from '@low-quarry/core/model';

/** When a car is due, in words: "due today", "due in 3 days", "2 days late". Days are counted by the calendar. */
const DAY_MS = 86_400_000;

export function dueWords(dueOn: string | null, now: Date): string {
  if (dueOn === null) return 'no day set';
  const today = Date.UTC(now.getFullYear(), now.getMonth(), now.getDate());
  const days = Math.round((Date.parse(`${dueOn}T00:00:00Z`) - today) / DAY_MS);
  if (days === 0) return 'due today';
  if (days === 1) return 'due tomorrow';
  if (days > 1) return `due in ${days} days`;
  return days === -1 ? '1 day late' : `${-days} days late`;
}

/** How and when a job was over, such as "Handed over on 4 Mar 2026". */
export function endedWords({ as, at }: JobEnded): string {
  const words = JOB_END_WORDS[as];
  const day = new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  return `${words[0]?.toUpperCase()}${words.slice(1)} on ${day}`;
}

/** Whether the shop is closed on the day a car is due. */
export function isDueWhenClosed(dueOn: string | null, openOn: readonly string[]): boolean {
  if (dueOn === null) return false;
  const day = WEEKDAYS[(new Date(`${dueOn}T00:00:00Z`).getUTCDay() + 6) % 7];
  return day !== undefined && !openOn.includes(day);
}
