/**
 * A ranking in a form that is kept and handed on in no time: columns of numbers, and each stack's ids once. Of 20,000 speakers it is
 * under a megabyte, and copied in a millisecond where the ranking itself takes eighty.
 */
import { CHECK_IDS, type CheckId, VERDICTS_BY_RANK } from '../Check';
import type { RankedSpeaker, Ranking } from './Ranking';

export type PackedRanking = {
  /** Speakers, best first. */
  readonly speakerIds: readonly string[];
  /** Each stack that stands for a speaker, once. */
  readonly stacks: readonly (readonly string[])[];
  readonly stackAt: Int32Array;
  /** Places in `VERDICTS_BY_RANK` and `CHECK_IDS`. */
  readonly verdictAt: Uint8Array;
  readonly decidedAt: Uint8Array;
  readonly addedParts: Uint8Array;
  readonly costMinor: Float64Array;
  /** NaN where there is none. */
  readonly marginMm: Float64Array;
  readonly expandedMm: Float64Array;
  readonly plateMm: Float64Array;
  readonly stacksJudged: number;
};

export function packRanking({ speakers, stacksJudged }: Ranking): PackedRanking {
  const stacks: (readonly string[])[] = [];
  const known = new Map<string, number>();
  const stackOf = (layerIds: readonly string[]) => {
    const key = layerIds.join('\n');
    let at = known.get(key);
    if (at === undefined) {
      at = stacks.push(layerIds) - 1;
      known.set(key, at);
    }
    return at;
  };
  const figures = (of: (best: RankedSpeaker['best']) => number | null) =>
    Float64Array.from(speakers, ({ best }) => of(best) ?? Number.NaN);
  return {
    speakerIds: speakers.map(({ speakerId }) => speakerId),
    stackAt: Int32Array.from(speakers, ({ best }) => stackOf(best.layerIds)),
    stacks,
    verdictAt: Uint8Array.from(speakers, ({ best }) => VERDICTS_BY_RANK.indexOf(best.verdict)),
    decidedAt: Uint8Array.from(speakers, ({ best }) => CHECK_IDS.indexOf(best.decidedBy)),
    addedParts: Uint8Array.from(speakers, ({ best }) => best.addedParts),
    costMinor: figures(({ costMinor }) => costMinor),
    marginMm: figures(({ marginMm }) => marginMm),
    expandedMm: figures(({ expandedMm }) => expandedMm),
    plateMm: figures(({ plateMm }) => plateMm),
    stacksJudged,
  };
}

export function unpackRanking(packed: PackedRanking): Ranking {
  const { speakerIds, stacks, stackAt, stacksJudged } = packed;
  const speakers = speakerIds.map((speakerId, at): RankedSpeaker => {
    const verdict = VERDICTS_BY_RANK[packed.verdictAt[at] as number];
    const decidedBy: CheckId | undefined = CHECK_IDS[packed.decidedAt[at] as number];
    const layerIds = stacks[stackAt[at] as number];
    if (!verdict || !decidedBy || !layerIds) throw new Error(`unpackRanking: expected a whole row ${at}, got a part`);
    return {
      speakerId,
      best: {
        layerIds,
        verdict,
        decidedBy,
        addedParts: packed.addedParts[at] as number,
        costMinor: packed.costMinor[at] as number,
        marginMm: figureAt(packed.marginMm, at),
        expandedMm: figureAt(packed.expandedMm, at),
        plateMm: figureAt(packed.plateMm, at),
      },
    };
  });
  return { speakers, stacksJudged };
}

function figureAt(figures: Float64Array, at: number): number | null {
  const figure = figures[at] as number;
  return Number.isNaN(figure) ? null : figure;
}
