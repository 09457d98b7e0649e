/**
 * What another impedance does in an old speaker's place. At the same voltage the power is U²/R, so the level changes by 10 log10(Rold/Rnew) dB
 * and the current by Rold/Rnew; how loud a speaker is with its power is its sensitivity's to say, and is not in this. IEC 60268-5 lets the
 * lowest impedance be 80 % of the nominal value, for the old one as for the new one.
 */
import type { CoilJudgement } from './judgeCoil';

export type ImpedanceChange =
  /** Nobody read the old one, and nothing on it says it. */
  | { readonly kind: 'unknown' }
  | { readonly kind: 'same'; readonly oldOhm: number }
  /** Less of what the channel gives: quieter by so much, dB, sensitivity apart. */
  | { readonly kind: 'quieter'; readonly oldOhm: number; readonly byDb: number }
  /** More current than the channel was made for: so many times as much. */
  | { readonly kind: 'heavier'; readonly oldOhm: number; readonly times: number };

/**
 * @param coil of the old speaker
 * @param markedOhm what the old speaker is marked as; null where nothing says it
 * @param newOhm nominal value of the new one, ohm
 * @returns one for each value that the old one may have, the least first
 */
export function impedanceChanges(
  coil: CoilJudgement,
  markedOhm: number | null,
  newOhm: number,
): readonly ImpedanceChange[] {
  const olds =
    markedOhm !== null ? [markedOhm] : coil.kind === 'proposes' || coil.kind === 'doubtful' ? coil.nominalOhms : [];
  if (olds.length === 0) return [{ kind: 'unknown' }];
  return [...olds]
    .sort((a, b) => a - b)
    .map((oldOhm): ImpedanceChange => {
      if (oldOhm === newOhm) return { kind: 'same', oldOhm };
      if (newOhm > oldOhm) return { kind: 'quieter', oldOhm, byDb: 10 * Math.log10(newOhm / oldOhm) };
      return { kind: 'heavier', oldOhm, times: oldOhm / newOhm };
    });
}

/** In a sentence or two; null where it is as it was. */
export function impedanceWords(changes: readonly ImpedanceChange[], newOhm: number): string | null {
  if (changes.every(({ kind }) => kind === 'same')) return null;
  const [first] = changes;
  if (!first || first.kind === 'unknown')
    return `The old speaker’s impedance is not known: read its coil, and it shows whether ${newOhm} Ω gets quieter or loads the channel.`;
  const several = changes.length > 1 ? 'May be ' : '';
  return changes
    .flatMap((change) => {
      switch (change.kind) {
        case 'quieter':
          return `${several}${newOhm} Ω in the place of ${change.oldOhm} Ω: ${change.byDb.toFixed(1)} dB quieter at the same setting, its sensitivity apart.`;
        case 'heavier':
          return `${several}${newOhm} Ω in the place of ${change.oldOhm} Ω: ${tenths(change.times)} times the current. Look what the radio or amplifier stands.`;
        default:
          return [];
      }
    })
    .join(' ');
}

function tenths(value: number): string {
  return String(Math.round(value * 10) / 10);
}
