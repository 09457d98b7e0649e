/** A moment in the words of the shop: the clock for today and yesterday, the day before that. */
const DAY_MS = 86_400_000;

export function whenWords(at: string, now: Date): string {
  const moment = new Date(at);
  const clock = moment.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const days = Math.round((startOfDay(now) - startOfDay(moment)) / DAY_MS);
  if (days === 0) return `today at ${clock}`;
  if (days === 1) return `yesterday at ${clock}`;
  const day = moment.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  return `on ${day} at ${clock}`;
}

function startOfDay(date: Date): number {
  return new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();
}
