/** An impedance that nobody makes: nominal values are few. */
import type { ComparedSpeaker } from './classFigures';
import type { SpeakerDoubt } from './SpeakerDoubt';

/** Common practice, no source; those of dual coils count with each of them. */
const USUAL_OHM = [1, 1.6, 2, 2.4, 2.5, 2.7, 3, 3.2, 3.6, 4, 5, 6, 8, 10, 12, 16];

/** How likely it is wrong, and a lost sign its reason: from experience, not counted, and so shown to nobody as a figure. */
const LOST_SIGN = 0.9;
const OTHERWISE = 0.5;

export function doubtedImpedance({ figures: { impedance } }: ComparedSpeaker): SpeakerDoubt | null {
  if (impedance === undefined || isUsual(impedance)) return null;
  const meant = [impedance * 10, impedance / 10].find(isUsual) ?? null;
  const seen = `Impedance ${impedance} Ω: nominal values such as 2, 3, 4, 6 or 8 Ω are made.`;
  const why = meant === null ? '' : ` A decimal sign may be lost: ${Number(meant.toPrecision(3))} Ω.`;
  return {
    figure: 'impedance',
    value: impedance,
    words: `${seen}${why}`,
    proposes: meant,
    chance: meant === null ? OTHERWISE : LOST_SIGN,
  };
}

function isUsual(ohm: number): boolean {
  return USUAL_OHM.some((each) => Math.abs(each - ohm) < 0.051);
}
