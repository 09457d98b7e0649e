/**
 * How far margins may move before a speaker's answer changes.
 *
 * A speaker's answer is its best stack with what decides there. Two things keep it. Its own lengths: as long as what
 * decides has not moved, and no other check of the best stack has sunk so far as to take part, its figures stay. And the
 * losers' lengths: every other stack lost by one check at the least; the check by which it lost farthest is taken for the
 * reason, and how far that would have to rise is noted with the check. A later change that moves the checks by less than
 * both lengths passes the speaker over. Where only its own length is used up, its best stack alone is judged again.
 *
 * Lengths are not used up bit by bit: they are compared with how far the margins are now from where they were (`Epochs`).
 * The losers' rest on the ranking that judged all stacks, the own ones on the last that judged the best.
 *
 * How wide an interval is can change with where bodies touch, so for hole, depths and obstacles an interval is never
 * taken for narrower than nothing or wider than a bound. Front and bolts keep theirs.
 *
 * All stacks of a speaker have the same front gap before them: where the front decides a hit, a moved gap moves the answer
 * by as much.
 */
import type { DepthMoves } from './DepthMoves';
import { type Epochs, MOVING_CHECKS } from './Epochs';
import { CHECK_AT, CLEARS, HITS, HOLD, MEASURE, type Scratch, surenessOf, verdictOf } from './Scratch';
import type { Standings } from './Standings';

const FRONT = CHECK_AT.front;
const BOLTS = CHECK_AT.bolts;
const DEPTH = CHECK_AT.depth;

/** Places of a speaker's lengths: by how much the best leads over losers of its verdict, by check: mm, or sureness; */
const LEAD = 0;
/** how far the losers are from losing no longer whatever the best does; the best's own; and its own when the front shifts. */
const HELD = LEAD + MOVING_CHECKS;
const OWN = HELD + MOVING_CHECKS;
const SHIFT = OWN + MOVING_CHECKS;
const LENGTHS = SHIFT + 1;

/** Figures are compared in steps; a length is used up this much before it ends, mm. */
const RESERVE_MM = 1e-4;
const RESERVE_SURENESS = 1e-4;
/** The own length of what decides: it may not move at all. */
const DECIDES = -1;
/** Moves below this are rounding, mm. */
const ROUNDING_MM = 1e-9;

/** What has become of a best stack's figures. */
export const STAYS = 0;
/** The front decides, and they have moved with it. */
export const SHIFTS = 1;
/** They may be others. */
export const OWN_CHANGED = 2;

/** The widest interval that a check of a speaker can have, mm; where it is short, that of margins not above 0. */
export type WidestMm = (check: number, speaker: number, isShort: boolean) => number;

/** The widest, or else the narrowest, interval that the front margins of a speaker have, mm. */
export type FrontIntervalMm = (speaker: number, isWidest: boolean) => number;

/** What a speaker's best stack is worth. */
export type Worth = { verdict: number; worstMm: number; leastSureness: number };

export class Slack {
  private readonly mm: Float32Array;
  private readonly now = new Float64Array(LENGTHS);
  /** What the best was worth when the losers lost: verdict, and worst margin or least sureness. */
  private readonly wasVerdict: Uint8Array;
  private readonly wasFigure: Float64Array;
  /** 1 where a stack lost that no length holds down: the best must not get worse. */
  private readonly isTight: Uint8Array;
  /** The epochs that the losers' and the own lengths rest on. */
  private readonly losersEpoch: Uint8Array;
  private readonly ownEpoch: Uint8Array;
  private speaker = 0;
  /** Whether the stack that is being judged passes a hole with sides that run aslant. */
  isAslant = false;
  private isTightNow = false;
  /** Widest intervals of the speaker, by check; NaN until asked. */
  private readonly widest = new Float64Array(MOVING_CHECKS);
  private readonly widestShort = new Float64Array(MOVING_CHECKS);

  constructor(
    private readonly epochs: Epochs,
    private readonly depthMoves: Pick<DepthMoves, 'riseMm' | 'sunkMm'>,
    private readonly boltClass: Int32Array,
    private readonly widestOf: WidestMm,
    private readonly frontIntervalMm: FrontIntervalMm,
  ) {
    const speakers = boltClass.length;
    this.mm = new Float32Array(speakers * LENGTHS);
    this.wasVerdict = new Uint8Array(speakers);
    this.wasFigure = new Float64Array(speakers);
    this.isTight = new Uint8Array(speakers);
    this.losersEpoch = new Uint8Array(speakers);
    this.ownEpoch = new Uint8Array(speakers);
  }

  /** Before the stacks of a speaker are judged, or its best one again. */
  begin(speaker: number): void {
    this.speaker = speaker;
    this.now.fill(Number.POSITIVE_INFINITY);
    this.widest.fill(Number.NaN);
    this.widestShort.fill(Number.NaN);
    this.isTightNow = false;
  }

  /** The widest interval that a check of the speaker can have, mm. */
  widestMm(check: number): number {
    return this.known(this.widest, check, false);
  }

  /** The widest interval of a margin that is not above 0, mm. */
  widestShortMm(check: number): number {
    if (check === CHECK_AT.hole && this.isAslant) return this.widestMm(check);
    return this.known(this.widestShort, check, true);
  }

  private known(all: Float64Array, check: number, isShort: boolean): number {
    let mm = all[check] as number;
    if (Number.isNaN(mm)) {
      mm = this.widestOf(check, this.speaker, isShort);
      all[check] = mm;
    }
    return mm;
  }

  /** Of the best stack, this check decides whatever comes. */
  pin(check: number): void {
    this.now[OWN + check] = DECIDES;
  }

  /** After the last stack of a speaker: what the best of them allows, and by how much the others lost. */
  finish(best: Scratch, decidedBy: number): void {
    this.finishOwn(best, decidedBy);
    this.keep(best);
  }

  /** After the best stack alone was judged again: the losers' lengths stay what they are. */
  finishAgain(best: Scratch, decidedBy: number): void {
    const { speaker, now, mm } = this;
    this.finishOwn(best, decidedBy);
    const at = speaker * LENGTHS;
    for (let place = OWN; place < LENGTHS; place++) mm[at + place] = now[place] as number;
    this.ownEpoch[speaker] = this.epochs.latest;
  }

  /** Lets the best stack of a speaker be judged again whatever moves. */
  pinAll(): void {
    for (let check = 0; check < MOVING_CHECKS; check++) this.pin(check);
  }

  /** Lets a speaker be judged again whatever moves. */
  finishWithout(best: Scratch): void {
    this.now.fill(0);
    this.pinAll();
    this.isTightNow = true;
    this.keep(best);
  }

  /** What the latest opening has made of the best stack's figures. */
  ownFate(speaker: number, isFrontHit: boolean): number {
    const { mm, epochs } = this;
    const epoch = this.ownEpoch[speaker] as number;
    const at = speaker * LENGTHS;
    const count = epochs.movedCount[epoch] as number;
    if (count === 0) return isFrontHit ? SHIFTS : STAYS;
    const frontMm = epochs.frontMm(epoch);
    // Where the front decides a hit its rise brings the others nearer to deciding.
    const risen = isFrontHit ? Math.max(0, frontMm) : 0;
    if (risen > 0 && !((mm[at + SHIFT] as number) > risen + RESERVE_MM)) return OWN_CHANGED;
    if (risen > 0) {
      for (let check = 0; check < MOVING_CHECKS; check++) {
        if (check !== FRONT && !((mm[at + OWN + check] as number) > risen + RESERVE_MM)) return OWN_CHANGED;
      }
    }
    for (let place = 0; place < count; place++) {
      const check = epochs.moved[epoch * MOVING_CHECKS + place] as number;
      if (check === FRONT && isFrontHit) continue;
      const length = mm[at + OWN + check] as number;
      if (length === DECIDES) return OWN_CHANGED;
      const sunk = this.sunkMm(speaker, epoch, check) + risen;
      if (sunk > 0 && !(length > sunk + RESERVE_MM)) return OWN_CHANGED;
    }
    if (!isFrontHit) return STAYS;
    return Number.isNaN(frontMm) ? OWN_CHANGED : SHIFTS;
  }

  /**
   * The same for a stack that does not hit and whose front decides. Where the front alone has moved, it decides as long as
   * no other check is less sure.
   */
  openFate(speaker: number): number {
    const { epochs } = this;
    const epoch = this.ownEpoch[speaker] as number;
    const count = epochs.movedCount[epoch] as number;
    if (count === 0) return SHIFTS;
    const isAlone = count === 1 && epochs.moved[epoch * MOVING_CHECKS] === FRONT;
    const length = this.mm[speaker * LENGTHS + SHIFT] as number;
    // Where the front stands where it stood, the figures come back with its step.
    if (!isAlone || length === DECIDES) return this.ownFate(speaker, false) === STAYS ? SHIFTS : OWN_CHANGED;
    const frontMm = epochs.frontMm(epoch);
    return frontMm <= 0 || length > frontMm + RESERVE_MM ? SHIFTS : OWN_CHANGED;
  }

  /** Whether every other stack of a speaker still loses against its best, which is now worth this. */
  losersHold(speaker: number, { verdict, worstMm, leastSureness }: Worth): boolean {
    const { mm } = this;
    const was = this.wasVerdict[speaker] as number;
    if (verdict > was) return false;
    const figure = this.wasFigure[speaker] as number;
    if (verdict === was && verdict === MEASURE && leastSureness < figure)
      return this.surestHolds(speaker, figure - leastSureness);
    const isCompared = verdict === was && verdict === HITS;
    const lost = isCompared ? figure - worstMm : 0;
    if (isCompared && lost > 0 && this.isTight[speaker] === 1) return false;
    const epoch = this.losersEpoch[speaker] as number;
    const at = speaker * LENGTHS;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      const rise = this.riseMm(speaker, epoch, check);
      if (rise > ROUNDING_MM && !((mm[at + HELD + check] as number) > rise + RESERVE_MM)) return false;
      const nearer = rise + lost;
      if (isCompared && nearer > ROUNDING_MM && !((mm[at + LEAD + check] as number) > nearer + RESERVE_MM))
        return false;
    }
    return true;
  }

  /**
   * Whether an open stack is still surer than the others, though less sure than it was. Where the front alone has moved,
   * the other lengths are as sure as they were, and those that the front holds have moved with it.
   */
  private surestHolds(speaker: number, lostSureness: number): boolean {
    const { mm, epochs } = this;
    if (this.isTight[speaker] === 1) return false;
    const epoch = this.losersEpoch[speaker] as number;
    const at = speaker * LENGTHS;
    const count = epochs.movedCount[epoch] as number;
    for (let place = 0; place < count; place++) {
      if (epochs.moved[epoch * MOVING_CHECKS + place] !== FRONT) return false;
    }
    const frontMm = epochs.frontMm(epoch);
    if (!Number.isFinite(frontMm)) return false;
    if (frontMm > 0 && !((mm[at + HELD + FRONT] as number) > frontMm + RESERVE_MM)) return false;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      let nearer = lostSureness;
      if (check === FRONT) nearer += frontMm / this.frontIntervalMm(speaker, frontMm < 0);
      if (!((mm[at + LEAD + check] as number) > nearer + RESERVE_SURENESS)) return false;
    }
    return true;
  }

  /**
   * Brings what rests on an epoch to the latest one: the answers all hold there.
   *
   * @param epoch is about to be forgotten
   */
  leave(epoch: number, standings: Pick<Standings, 'verdict' | 'worstMm' | 'leastSureness'>): void {
    const { losersEpoch, ownEpoch, epochs } = this;
    if (epochs.latest === epoch) return;
    for (let speaker = 0; speaker < losersEpoch.length; speaker++) {
      if (losersEpoch[speaker] === epoch) {
        const verdict = standings.verdict[speaker] as number;
        const figures = verdict === MEASURE ? standings.leastSureness : standings.worstMm;
        this.leaveLosers(speaker, epoch, verdict, figures[speaker] as number);
      }
      if (ownEpoch[speaker] === epoch) this.leaveOwn(speaker, epoch);
    }
  }

  /** Leads are taken from what the best is worth now. One in sureness is known only where nothing has moved. */
  private leaveLosers(speaker: number, epoch: number, verdict: number, figure: number): void {
    const at = speaker * LENGTHS;
    const lost = (this.wasFigure[speaker] as number) - figure;
    const isHit = verdict === HITS && this.wasVerdict[speaker] === HITS;
    const isAlike = verdict === this.wasVerdict[speaker] && lost === 0 && this.epochs.movedCount[epoch] === 0;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      const rise = this.riseMm(speaker, epoch, check);
      this.take(at + HELD + check, Math.max(0, rise));
      if (isHit) this.take(at + LEAD + check, rise + lost);
      else if (!isAlike) this.mm[at + LEAD + check] = 0;
    }
    this.wasVerdict[speaker] = verdict;
    this.wasFigure[speaker] = figure;
    this.losersEpoch[speaker] = this.epochs.latest;
  }

  private leaveOwn(speaker: number, epoch: number): void {
    const { mm, epochs } = this;
    const at = speaker * LENGTHS;
    const frontMm = epochs.frontMm(epoch);
    // Where the front decides and has risen, the others are nearer to deciding by nobody knows how much.
    const isNearer = mm[at + OWN + FRONT] === DECIDES && frontMm > 0;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      if (mm[at + OWN + check] === DECIDES) continue;
      if (isNearer) mm[at + OWN + check] = 0;
      else this.take(at + OWN + check, this.sunkMm(speaker, epoch, check));
    }
    if (mm[at + SHIFT] !== DECIDES) this.take(at + SHIFT, Math.max(0, frontMm));
    this.ownEpoch[speaker] = epochs.latest;
  }

  /** A stack has lost against the best so far; of what is known of it the check that keeps it down is noted. */
  lost(loser: Scratch, best: Scratch): void {
    if (loser.gravest === CLEARS || loser.gravest === HOLD) return;
    this.isAslant = loser.isAslant;
    if (loser.gravest === best.gravest) {
      const at = loser.gravest === HITS ? loser.worstAt : loser.sureAt;
      if (at >= 0) this.lostBy(at, loser.value[at] as number, loser.expanded[at] as number, best);
      else this.isTightNow = true;
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
    if (reason >= 0) this.least(HELD + reason, most);
  }

  /** A stack has lost by this margin alone. */
  lostBy(check: number, value: number, expanded: number, best: Scratch): void {
    this.least(HELD + check, this.heldMm(check, value, expanded, best));
    if (best.gravest === HITS) this.least(LEAD + check, best.worstMm - value);
    else if (best.gravest === MEASURE && verdictOf(value, expanded) === MEASURE)
      this.least(LEAD + check, best.leastSureness - surenessOf(value, expanded));
  }

  /** How far a margin that loses may rise before it does so no longer, whatever the best one that hits misses by. */
  private heldMm(check: number, value: number, expanded: number, best: Scratch): number {
    const isExact = check === FRONT || check === BOLTS;
    if (best.gravest === CLEARS) return isExact ? expanded - value : -value;
    const widest = isExact ? expanded : this.widestShortMm(check);
    if (best.gravest === HOLD || best.gravest === HITS) return -(value + widest);
    const sure = best.leastSureness;
    if (isExact) return (sure * expanded - value) / Math.max(1, Math.abs(sure));
    return sure > 0 ? -value : sure * widest - value;
  }

  private keep(best: Scratch): void {
    const { speaker, epochs } = this;
    this.mm.set(this.now, speaker * LENGTHS);
    this.wasVerdict[speaker] = best.gravest;
    this.wasFigure[speaker] = best.gravest === MEASURE ? best.leastSureness : best.worstMm;
    this.isTight[speaker] = this.isTightNow ? 1 : 0;
    this.losersEpoch[speaker] = epochs.latest;
    this.ownEpoch[speaker] = epochs.latest;
  }

  /** Of the best stack, a check may sink by no more than this. */
  private limit(check: number, mm: number): void {
    this.least(OWN + check, mm);
  }

  private least(place: number, mm: number): void {
    if (!(mm > 0)) this.now[place] = Math.min(0, this.now[place] as number);
    else if (mm < (this.now[place] as number)) this.now[place] = mm;
  }

  private take(place: number, mm: number): void {
    if (mm !== 0) this.mm[place] = Math.max(0, (this.mm[place] as number) - mm);
  }

  /** How far the margins of losers may have risen since an epoch, mm; negative where they have surely sunk. */
  private riseMm(speaker: number, epoch: number, check: number): number {
    const { epochs } = this;
    if (check === BOLTS) return epochs.boltsMm(epoch, this.boltClass[speaker] as number);
    if (check === FRONT) return epochs.frontMm(epoch);
    const up = epochs.up[epoch * MOVING_CHECKS + check] as number;
    if (check !== DEPTH || !epochs.hasMoved(epoch, DEPTH) || !Number.isFinite(up)) return up;
    return this.depthMoves.riseMm(speaker, epoch, epochs.behindAskedMm, up);
  }

  /** How far margins may have sunk since an epoch, mm. */
  private sunkMm(speaker: number, epoch: number, check: number): number {
    const { epochs } = this;
    if (check === BOLTS) return epochs.boltsMm(epoch, this.boltClass[speaker] as number);
    const down = epochs.down[epoch * MOVING_CHECKS + check] as number;
    return check === DEPTH && down > 0 && Number.isFinite(down) ? this.depthMoves.sunkMm(speaker, epoch, down) : down;
  }

  private finishOwn(best: Scratch, decidedBy: number): void {
    for (let check = 0; check < MOVING_CHECKS; check++) this.limit(check, best.fartherMm[check] as number);
    if (best.gravest === HITS) this.finishHit(best, decidedBy);
    else if (best.gravest === HOLD) this.finishHeld(best);
    else this.finishOpen(best, decidedBy);
  }

  private finishHit(best: Scratch, decidedBy: number): void {
    for (let check = 0; check < MOVING_CHECKS; check++) {
      if (best.hasMargin[check] === 0 || check === decidedBy) continue;
      this.limit(check, (best.least[check] as number) - best.worstMm);
    }
    if (decidedBy === FRONT) this.least(SHIFT, -((best.value[FRONT] as number) + (best.expanded[FRONT] as number)));
    if (decidedBy < MOVING_CHECKS) this.pin(decidedBy);
  }

  /** What is held stays held until a length hits. */
  private finishHeld(best: Scratch): void {
    for (let check = 0; check < MOVING_CHECKS; check++) {
      if (best.hasMargin[check] === 1) this.limit(check, best.least[check] as number);
    }
  }

  private finishOpen(best: Scratch, decidedBy: number): void {
    const sure = best.leastSureness;
    for (let check = 0; check < MOVING_CHECKS; check++) {
      if (best.hasMargin[check] === 0) continue;
      const value = best.least[check] as number;
      const isExact = check === FRONT || check === BOLTS;
      const expanded = isExact ? (best.expanded[check] as number) : this.widestMm(check);
      this.limit(check, sure > 0 ? (value - sure * expanded) / Math.max(1, sure) : value);
    }
    if (decidedBy < MOVING_CHECKS) this.pin(decidedBy);
    if (best.sureAt >= 0 && best.sureAt < MOVING_CHECKS) this.pin(best.sureAt);
    this.now[SHIFT] = decidedBy === FRONT && best.sureAt === FRONT ? this.otherSurer(best) : DECIDES;
  }

  /** How far the front of an open stack, which decides, may rise until another check is less sure, mm. */
  private otherSurer(best: Scratch): number {
    const { leastSureness, hasMargin, value, expanded, fartherMm } = best;
    let surer = Number.POSITIVE_INFINITY;
    for (let check = 0; check < hasMargin.length; check++) {
      if (check === FRONT) continue;
      if (hasMargin[check] === 1) {
        const sure = surenessOf(value[check] as number, expanded[check] as number);
        surer = Math.min(surer, sure - leastSureness);
      } else if ((fartherMm[check] as number) < Number.POSITIVE_INFINITY)
        surer = Math.min(surer, (fartherMm[check] as number) / this.widestMm(check));
    }
    return surer * (expanded[FRONT] as number);
  }
}
