/**
 * Depths that were counted from the top of the flange, found by sisters: speakers of one maker with the same cutout, flange and magnet share
 * basket and motor, and so their depth. One that is deeper than the others by just its flange was measured by another rule.
 */
import { median } from '../math';
import type { ComparedSpeaker } from './classFigures';
import type { SpeakerDoubt } from './SpeakerDoubt';

/** Depths of sisters agree within so much, mm. */
const SAME_MM = 1;
/** A flange is told from chance by a difference as large as it within so much, mm. */
const WINDOW_MM = 1;
/** Of the others so many agree: one more may be wrong. */
const AGREEING = 2 / 3;
/** Two and the one that is looked at. */
const LEAST_OTHERS = 2;
/** A thinner flange makes no difference that could be told. */
const LEAST_FLANGE_MM = 2;
/** Of differences that have other reasons, those that are as large as a flange by chance. */
const BY_CHANCE = 0.12;

export function sisterDoubts(
  asked: readonly ComparedSpeaker[],
  known: readonly ComparedSpeaker[],
): ReadonlyMap<number, SpeakerDoubt> {
  const families = new Map<string, { readonly at: number; readonly speaker: ComparedSpeaker }[]>();
  for (const [at, speaker] of [...asked, ...known].entries()) {
    const key = familyKey(speaker);
    if (key === null) continue;
    const family = families.get(key);
    if (family) family.push({ at, speaker });
    else families.set(key, [{ at, speaker }]);
  }
  const found: {
    readonly at: number;
    readonly speaker: ComparedSpeaker;
    readonly usual: number;
    readonly others: number;
  }[] = [];
  let otherwise = 0;
  for (const family of families.values()) {
    for (const { at, speaker } of family) {
      const depths = family.filter((each) => each.at !== at).map((each) => each.speaker.figures.depth as number);
      const usual = median(depths);
      const agreeing = depths.filter((depth) => Math.abs(depth - usual) <= SAME_MM).length;
      if (depths.length < LEAST_OTHERS || agreeing < AGREEING * depths.length) continue;
      const over = (speaker.figures.depth as number) - usual;
      const flange = speaker.figures.flangeThickness as number;
      if (Math.abs(over) <= SAME_MM) continue;
      if (flange >= LEAST_FLANGE_MM && Math.abs(over - flange) <= WINDOW_MM)
        found.push({ at, speaker, usual, others: agreeing });
      else otherwise++;
    }
  }
  // Of as many that differ for another reason some are as much deeper by chance.
  const chance = found.length / (found.length + BY_CHANCE * (otherwise + 1));
  return new Map(
    found
      .filter(({ at }) => at < asked.length && chance > 0.5)
      .map(({ at, speaker: { figures }, usual, others }) => {
        const value = figures.depth as number;
        const proposes = Number((value - (figures.flangeThickness as number)).toFixed(1));
        const words = `Mounting depth ${value} mm: ${others} of the same maker with the same cutout, flange and magnet have ${usual} mm, less by just the flange. ${Math.min(99, Math.round(100 * chance))} % likely that it was counted from the top of the flange: ${proposes} mm from its underside.`;
        return [at, { figure: 'depth', value, words, proposes, chance }];
      }),
  );
}

function familyKey({ maker, nominalSize, figures }: ComparedSpeaker): string | null {
  const { cutout, flange, flangeThickness, magnet, depth } = figures;
  if (!cutout || !flange || !magnet || !depth || flangeThickness === undefined) return null;
  return JSON.stringify([maker.toLowerCase(), nominalSize, cutout, flange, flangeThickness, magnet]);
}
