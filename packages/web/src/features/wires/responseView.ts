/** In words, what changes at the seat. */
import { HEARD_DB, type RangeChange } from '@low-quarry/core/sound';

/** "Bass, 60 to 250 Hz"; "Treble, 4 to 16 kHz". */
export function rangeWords({ name, fromHz, toHz }: Pick<RangeChange, 'name' | 'fromHz' | 'toHz'>): string {
  const isKilo = fromHz >= 1000;
  const from = isKilo ? fromHz / 1000 : fromHz;
  const to = toHz >= 1000 ? `${toHz / 1000} kHz` : `${toHz} Hz`;
  return `${NAMES[name]}, ${from}${toHz >= 1000 && !isKilo ? ' Hz' : ''} to ${to}`;
}

const NAMES = { bass: 'Bass', voices: 'Voices', treble: 'Treble' } as const;

/** "Louder than before, by 2.9 dB; 95 in 100 lie between +1.2 and +4.6 dB." */
export function changeWords({ middle, lower, upper }: RangeChange['db']): string {
  if (lower === 0 && upper === 0) return 'As before: nothing on this channel changes.';
  const where = `95 in 100 lie between ${signed(lower)} and ${signed(upper)} dB.`;
  if (lower >= -HEARD_DB && upper <= HEARD_DB) return `As loud as before, within what is heard; ${where}`;
  if (lower > 0) return `Louder than before, by ${middle.toFixed(1)} dB; ${where}`;
  if (upper < 0) return `Quieter than before, by ${(-middle).toFixed(1)} dB; ${where}`;
  return `May be louder or quieter than before, in the middle ${signed(middle)} dB; ${where}`;
}

function signed(db: number): string {
  const tenths = Math.abs(db).toFixed(1);
  return `${tenths === '0.0' ? '±' : db < 0 ? '−' : '+'}${tenths}`;
}
