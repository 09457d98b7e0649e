/** A ranking by shape, joined with what the opening's channel says of each speaker: the graver of the two counts. */
import { type FirstLook, type RankedSpeaker, type Ranking, VERDICTS_BY_RANK } from '@low-quarry/core/fit';
import { CHANNEL_CHECKS, type ChannelCheckId } from '@low-quarry/core/sound';
import type { ChannelTold } from '../../workers/channelOfCatalogue';

/** Where its channel is graver than its shape, the verdict is the channel's, and this is the check. */
export type JudgedSpeaker = RankedSpeaker & { readonly channel?: ChannelCheckId };
export type JudgedRanking = Omit<Ranking, 'speakers'> & { readonly speakers: readonly JudgedSpeaker[] };
export type JudgedLook = Omit<FirstLook, 'best'> & { readonly best: readonly JudgedSpeaker[] };

export class ChannelJoin {
  private readonly places: ReadonlyMap<string, number>;
  private readonly marks: Extract<ChannelTold, { readonly kind: 'known' }>['marks'] | null;

  /**
   * @param told null while nobody knows
   * @param speakerIds of the catalogue, in its order
   */
  constructor(told: ChannelTold | null, speakerIds: readonly string[]) {
    const marks = told?.kind === 'known' ? told.marks : null;
    const isMarked = marks?.verdictAt.some((gravity) => gravity > 0) ?? false;
    this.marks = isMarked ? marks : null;
    this.places = new Map(isMarked ? speakerIds.map((id, at) => [id, at]) : []);
  }

  /** In the order of verdicts, and within each in that of the shapes. */
  ranking(ranking: Ranking): JudgedRanking {
    return this.marks === null ? ranking : { ...ranking, speakers: this.inOrder(ranking.speakers) };
  }

  look(look: FirstLook): JudgedLook {
    const { marks } = this;
    if (marks === null) return look;
    const verdicts = look.verdicts.map((verdict, at) => Math.max(verdict, marks.verdictAt[at] as number));
    // What clears by its shape alone is not among the first any more.
    const best = this.inOrder(look.best).filter(({ best: { verdict } }) => verdict === 'clears');
    return { ...look, verdicts, best };
  }

  /** The speaker as its channel leaves it. */
  speaker(ranked: RankedSpeaker): JudgedSpeaker {
    const { marks } = this;
    const at = marks && this.places.get(ranked.speakerId);
    if (marks === null || at === undefined || at === null) return ranked;
    const gravity = marks.verdictAt[at] as number;
    if (gravity <= VERDICTS_BY_RANK.indexOf(ranked.best.verdict)) return ranked;
    const verdict = VERDICTS_BY_RANK[gravity] as RankedSpeaker['best']['verdict'];
    const channel = CHANNEL_CHECKS[marks.checkAt[at] as number] as ChannelCheckId;
    return { ...ranked, best: { ...ranked.best, verdict }, channel };
  }

  private inOrder(ranked: readonly RankedSpeaker[]): readonly JudgedSpeaker[] {
    const groups = new Map(VERDICTS_BY_RANK.map((verdict) => [verdict as string, [] as JudgedSpeaker[]]));
    for (const each of ranked) {
      const judged = this.speaker(each);
      groups.get(judged.best.verdict)?.push(judged);
    }
    return [...groups.values()].flat();
  }
}
