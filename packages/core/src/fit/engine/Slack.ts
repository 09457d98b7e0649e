/**
 * How far margins may move before a speaker's answer changes.
 *
 * A speaker's answer is its best stack with what decides there. Two things keep it. Its own lengths: as long as what
 * decides has not moved, and no other check of the best stack has come so far as to take part, its figures stay. And the
 * losers' lengths: every other stack lost by one check at the least; the check by which it lost farthest is taken for the
 * reason, and how far that would have to come back is noted with the check. A later change that moves a check by less
 * than both lengths passes the speaker over. Where only its own length is used up, its best stack alone is judged again.
 *
 * How wide an interval is can change with where bodies touch, so for hole, depths and obstacles an interval is never
 * taken for narrower than nothing or wider than a bound. Front and bolts keep theirs.
 *
 * Where the front itself decides a hit, a moved front gap moves the answer by as much: that has lengths of its own.
 */
import { CHECK_AT, CLEARS, HITS, HOLD, MEASURE, type Scratch } from './Scratch';

const FRONT = CHECK_AT.front;
const BOLTS = CHECK_AT.bolts;
/** The checks that move by lengths; their numbers are their places. */
export const MOVING = [CHECK_AT.hole, BOLTS, CHECK_AT.depth, CHECK_AT.obstacles, FRONT];

/** Places of a speaker's lengths: the losers' by check, their shift, their lead; then its own by check, and its shift. */
const SHIFT = 5;
/** By how much the best stack that hits misses less than the next one. */
const LEAD = 6;
const OWN = 7;
const LENGTHS = OWN + SHIFT + 1;

/** Figures are compared in steps; a length is used up this much before it ends, mm. */
const RESERVE_MM = 1e-4;

/** What a move leaves of an answer. */
export const STAYS = 0;
/** The best stack stays the best, but its figures may be others. */
export const OWN_CHANGED = 1;
/** Another stack may be the best. */
export const OPEN = 2;

/** The widest interval that a check of a speaker can have, mm. */
export type WidestMm = (check: number, speaker: number) => number;

export class Slack {
  private readonly mm: Float64Array;
  private readonly now = new Float64Array(LENGTHS);
  private speaker = 0;
  /** Widest intervals of the speaker, by check; NaN until asked. */
  private readonly widest = new Float64Array(SHIFT);

  constructor(
    speakers: number,
    private readonly widestOf: WidestMm,
  ) {
    this.mm = new Float64Array(speakers * LENGTHS);
  }

  /** Before the stacks of a speaker are judged. */
  begin(speaker: number): void {
    this.speaker = speaker;
    this.now.fill(Number.POSITIVE_INFINITY);
    this.widest.fill(Number.NaN);
  }

  /** The widest interval that a check of the speaker can have, mm. */
  widestMm(check: number): number {
    let mm = this.widest[check] as number;
    if (Number.isNaN(mm)) {
      mm = this.widestOf(check, this.speaker);
      this.widest[check] = mm;
    }
    return mm;
  }

  /** Before the best stack of a speaker is judged again by itself. */
  beginAgain(speaker: number): void {
    this.begin(speaker);
    const at = speaker * LENGTHS;
    for (let each = 0; each < OWN; each++) this.now[each] = this.mm[at + each] as number;
  }

  /** Of the stack that is being judged, a check may move by no more than this. */
  limit(check: number, mm: number): void {
    this.least(OWN + check, mm);
  }

  /** After the last stack of a speaker: what the best of them allows. */
  finish(best: Scratch, decidedBy: number): void {
    if (best.gravest === HITS) this.finishHit(best, decidedBy);
    else {
      this.now[OWN + SHIFT] = 0;
      if (best.gravest === HOLD) this.finishHeld(best);
      else this.finishOpen(best, decidedBy);
    }
    this.mm.set(this.now, this.speaker * LENGTHS);
  }

  /** Lets a speaker be judged again whatever moves. */
  finishWithout(): void {
    this.mm.fill(0, this.speaker * LENGTHS, (this.speaker + 1) * LENGTHS);
  }

  /** Takes a move of one check off a speaker's lengths, and says what it leaves of the answer. */
  move(speaker: number, check: number, mm: number): number {
    const at = speaker * LENGTHS;
    const lost = (this.mm[at + check] as number) - mm;
    if (!(lost > RESERVE_MM)) return OPEN;
    this.mm[at + check] = lost;
    this.take(at + SHIFT, mm);
    this.take(at + LEAD, mm);
    const own = (this.mm[at + OWN + check] as number) - mm;
    if (!(own > RESERVE_MM)) return OWN_CHANGED;
    this.mm[at + OWN + check] = own;
    this.take(at + OWN + SHIFT, mm);
    return STAYS;
  }

  /** Takes a shift of the front off, where the front decides a hit; false where the answer may be another one. */
  shift(speaker: number, mm: number): boolean {
    const at = speaker * LENGTHS;
    for (let each = at; each < at + LENGTHS; each++) {
      if (each === at + FRONT || each === at + OWN + FRONT || each === at + LEAD) continue;
      if (!((this.mm[each] as number) > mm + RESERVE_MM)) return false;
    }
    for (let each = at; each < at + LENGTHS; each++) this.take(each, mm);
    return true;
  }

  /**
   * After the best stack of a speaker was judged again by itself, whether it is the best still.
   *
   * @param best as it is now
   * @param gravest its verdict before
   * @param worstMm its worst margin before
   * @param sureness its least sureness before
   */
  holds(best: Scratch, gravest: number, worstMm: number, sureness: number): boolean {
    const { now } = this;
    if (best.gravest !== gravest) {
      now[LEAD] = 0;
      now[SHIFT] = 0;
      return best.gravest < gravest;
    }
    if (gravest === MEASURE) return best.leastSureness >= sureness;
    if (gravest !== HITS || best.worstMm >= worstMm) return true;
    // It misses by more than before: so much nearer have the others come.
    const mm = worstMm - best.worstMm;
    for (let each = 0; each < OWN; each++) {
      const left = (now[each] as number) - mm;
      if (each === LEAD && !(left > RESERVE_MM)) return false;
      now[each] = Math.max(0, left);
    }
    return true;
  }

  /** A stack has lost against the best so far; of what is known of it the check that keeps it down is noted. */
  lost(loser: Scratch, best: Scratch): void {
    if (loser.gravest === CLEARS || loser.gravest === HOLD) return;
    if (loser.gravest === best.gravest) {
      const at = loser.gravest === HITS ? loser.worstAt : loser.sureAt;
      if (at >= 0) this.lostBy(at, loser.value[at] as number, loser.expanded[at] as number, best);
      else this.now[LEAD] = 0;
      return;
    }
    let reason = -1;
    let most = 0;
    for (let at = 0; at < loser.verdict.length; at++) {
      if (loser.verdict[at] !== loser.gravest) continue;
      // A fact does not give way to a length.
      if (loser.hasMargin[at] === 0) return;
      const mm = this.heldMm(at, loser.value[at] as number, loser.expanded[at] as number, best);
      if (reason >= 0 && mm <= most) continue;
      reason = at;
      most = mm;
    }
    if (reason >= 0) this.least(reason, most);
  }

  /** A stack has lost by this margin alone. */
  lostBy(check: number, value: number, expanded: number, best: Scratch): void {
    const mm = this.heldMm(check, value, expanded, best);
    this.least(check, mm);
    if (best.gravest !== HITS) return;
    this.least(LEAD, best.worstMm - value);
    // When the front shifts, what else loses by the front shifts with it, as long as it hits at all.
    this.least(SHIFT, check === FRONT ? -(value + expanded) : mm);
  }

  private least(place: number, mm: number): void {
    if (!(mm > 0)) this.now[place] = 0;
    else if (mm < (this.now[place] as number)) this.now[place] = mm;
  }

  private take(place: number, mm: number): void {
    this.mm[place] = Math.max(0, (this.mm[place] as number) - mm);
  }

  /** How far a margin that loses may come back before it does no longer. */
  private heldMm(check: number, value: number, expanded: number, best: Scratch): number {
    const isExact = check === FRONT || check === BOLTS;
    if (best.gravest === CLEARS) return isExact ? expanded - value : -value;
    const widest = isExact ? expanded : this.widestMm(check);
    if (best.gravest === HOLD) return -(value + widest);
    if (best.gravest === HITS) return Math.min(best.worstMm - value, -(value + widest));
    const sure = best.leastSureness;
    if (isExact) return (sure * expanded - value) / Math.max(1, Math.abs(sure));
    return sure > 0 ? -value : sure * widest - value;
  }

  private finishHit(best: Scratch, decidedBy: number): void {
    for (const check of MOVING) {
      if (best.hasMargin[check] === 0 || check === decidedBy) continue;
      const mm = (best.least[check] as number) - best.worstMm;
      this.limit(check, mm);
      this.limit(SHIFT, mm);
    }
    if (decidedBy === FRONT) this.limit(SHIFT, -((best.value[FRONT] as number) + (best.expanded[FRONT] as number)));
    else this.limit(SHIFT, 0);
    if (decidedBy < SHIFT) this.limit(decidedBy, 0);
  }

  /** What is held stays held until a length hits. */
  private finishHeld(best: Scratch): void {
    for (const check of MOVING) if (best.hasMargin[check] === 1) this.limit(check, best.least[check] as number);
  }

  private finishOpen(best: Scratch, decidedBy: number): void {
    const sure = best.leastSureness;
    for (const check of MOVING) {
      if (best.hasMargin[check] === 0) continue;
      const value = best.least[check] as number;
      const isExact = check === FRONT || check === BOLTS;
      const expanded = isExact ? (best.expanded[check] as number) : this.widestMm(check);
      this.limit(check, sure > 0 ? (value - sure * expanded) / Math.max(1, sure) : value);
    }
    if (decidedBy < SHIFT) this.limit(decidedBy, 0);
    if (best.sureAt >= 0 && best.sureAt < SHIFT) this.limit(best.sureAt, 0);
  }
}
