/** A ranking by shape, joined with what the opening's channel says of each speaker: the graver of the two counts. */
import { type FirstLook, type RankedSpeaker, type Ranking, VERDICTS_BY_RANK, type Verdict } from '@low-quarry/core/fit';
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

  /** What its channel has against a speaker, the gravest; null where it has nothing. */
  against(speakerId: string): { readonly verdict: Verdict; readonly check: ChannelCheckId } | null {
    const at = this.places.get(speakerId);
    const gravity = at === undefined ? 0 : (this.marks?.verdictAt[at] ?? 0);
    if (at === undefined || gravity === 0) return null;
    const check = CHANNEL_CHECKS[this.marks?.checkAt[at] as number] as ChannelCheckId;
    return { verdict: VERDICTS_BY_RANK[gravity] as Verdict, check };
  }

  /** The speaker as its channel leaves it. */
  private speaker(ranked: RankedSpeaker): JudgedSpeaker {
    const found = this.against(ranked.speakerId);
    if (!found || VERDICTS_BY_RANK.indexOf(found.verdict) <= VERDICTS_BY_RANK.indexOf(ranked.best.verdict))
      return ranked;
    return { ...ranked, best: { ...ranked.best, verdict: found.verdict }, channel: found.check };
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
