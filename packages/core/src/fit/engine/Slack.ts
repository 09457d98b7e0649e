/**
 * How far margins may move before a speaker's answer changes.
 *
 * A speaker's answer is its best stack with what decides there. It stays while three things hold: what decides has not
 * moved, no other check of the best stack has come so far as to take part, and every other stack still loses. Each stack
 * that lost did so by one check at the least; the check by which it lost farthest is taken for the reason, and how far it
 * would have to come back is noted with that check. A later change that moves one check by less than the noted length
 * cannot change the answer, and the speaker is passed over.
 *
 * How wide an interval is can change with where bodies touch, so for hole, depths and obstacles an interval is never
 * taken for narrower than nothing or wider than a bound. Front and bolts keep theirs.
 *
 * Where the front itself decides a hit, a moved front gap moves the answer by as much: that has a length of its own.
 */
import { CHECK_AT, CLEARS, HITS, HOLD, type Scratch } from './Scratch';

/** Lengths of a speaker: one for each check that moves, and one for shifts of the front. */
const FRONT = CHECK_AT.front;
const BOLTS = CHECK_AT.bolts;
/** Figures are compared in steps; a length is used up this much before it ends, mm. */
const RESERVE_MM = 1e-4;
const SHIFT = 5;
const LENGTHS = 6;
/** The checks that move by lengths; their numbers are their places. */
export const MOVING = [CHECK_AT.hole, BOLTS, CHECK_AT.depth, CHECK_AT.obstacles, FRONT];

/** The widest interval that a check of a speaker can have, mm. */
export type WidestMm = (check: number, speaker: number) => number;

export class Slack {
  private readonly mm: Float64Array;
  private readonly now = new Float64Array(LENGTHS);
  private speaker = 0;

  constructor(
    speakers: number,
    private readonly widestMm: WidestMm,
  ) {
    this.mm = new Float64Array(speakers * LENGTHS);
  }

  /** Before the stacks of a speaker are judged. */
  begin(speaker: number): void {
    this.speaker = speaker;
    this.now.fill(Number.POSITIVE_INFINITY);
  }

  /** A check may move by no more than this. */
  limit(check: number, mm: number): void {
    if (!(mm > 0)) this.now[check] = 0;
    else if (mm < (this.now[check] as number)) this.now[check] = mm;
  }

  /** After the last stack of a speaker: what the best of them allows. */
  finish(best: Scratch, decidedBy: number): void {
    if (best.gravest === HITS) this.finishHit(best, decidedBy);
    else {
      this.now[SHIFT] = 0;
      if (best.gravest === HOLD) this.finishHeld(best);
      else this.finishOpen(best, decidedBy);
    }
    this.mm.set(this.now, this.speaker * LENGTHS);
  }

  /** Lets a speaker be judged again whatever moves. */
  finishWithout(): void {
    this.mm.fill(0, this.speaker * LENGTHS, (this.speaker + 1) * LENGTHS);
  }

  /** Takes a move of one check off; false where the answer may change. */
  bears(speaker: number, check: number, mm: number): boolean {
    const at = speaker * LENGTHS;
    const left = (this.mm[at + check] as number) - mm;
    if (!(left > RESERVE_MM)) return false;
    this.mm[at + check] = left;
    this.mm[at + SHIFT] = (this.mm[at + SHIFT] as number) - mm;
    return true;
  }

  /** Takes a shift of the front off, where the front decides a hit; false where the answer may be another stack's. */
  bearsShift(speaker: number, mm: number): boolean {
    const at = speaker * LENGTHS;
    if (!((this.mm[at + SHIFT] as number) > mm + RESERVE_MM)) return false;
    for (const check of MOVING) {
      if (check !== FRONT && !((this.mm[at + check] as number) > mm + RESERVE_MM)) return false;
    }
    for (let each = at; each < at + LENGTHS; each++) this.mm[each] = (this.mm[each] as number) - mm;
    return true;
  }

  /** A stack has lost against the best so far; of what is known of it the check that keeps it down is noted. */
  lost(loser: Scratch, best: Scratch): void {
    if (loser.gravest === CLEARS || loser.gravest === HOLD) return;
    if (loser.gravest === best.gravest) {
      const at = loser.gravest === HITS ? loser.worstAt : loser.sureAt;
      if (at >= 0) this.lostBy(at, loser.value[at] as number, loser.expanded[at] as number, best);
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
    if (reason >= 0) this.limit(reason, most);
  }

  /** A stack has lost by this margin alone. */
  lostBy(check: number, value: number, expanded: number, best: Scratch): void {
    const mm = this.heldMm(check, value, expanded, best);
    this.limit(check, mm);
    if (best.gravest !== HITS) return;
    // When the front shifts, what else loses by the front shifts with it, as long as it hits at all.
    this.limit(SHIFT, check === FRONT ? -(value + expanded) : mm);
  }

  /** How far a margin that loses may come back before it does no longer. */
  private heldMm(check: number, value: number, expanded: number, best: Scratch): number {
    const isExact = check === FRONT || check === BOLTS;
    if (best.gravest === CLEARS) return isExact ? expanded - value : -value;
    const widest = isExact ? expanded : this.widestMm(check, this.speaker);
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
    if (decidedBy === FRONT) {
      this.limit(SHIFT, -((best.value[FRONT] as number) + (best.expanded[FRONT] as number)));
    } else {
      this.now[SHIFT] = 0;
    }
    if (decidedBy < SHIFT) this.now[decidedBy] = 0;
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
      const expanded = isExact ? (best.expanded[check] as number) : this.widestMm(check, this.speaker);
      this.limit(check, sure > 0 ? (value - sure * expanded) / Math.max(1, sure) : value);
    }
    if (decidedBy < SHIFT) this.now[decidedBy] = 0;
    if (best.sureAt >= 0 && best.sureAt < SHIFT) this.now[best.sureAt] = 0;
  }
}
