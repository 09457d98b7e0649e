/**
 * What one check finds of one stack: the gaps it looked at, of which the worst is the check; or a fact that no length
 * decides. Written over and over. Words are made afterwards, and only of the gap that decides.
 */

import { seldom } from '../../math';
import type { Expansion } from '../../uncertainty';
import { marginVerdict, sureness, Variance } from '../../uncertainty';
import { type CheckId, type CountsFor, VERDICT_GRAVITY, type Verdict } from '../Check';
import type { Doubts, Form } from './Doubts';

/**
 * What is surer than this, in half-widths, does not change a chance by a thousandth; and one gap is no surer than another: the one
 * with less room is the worse one then.
 */
const FAR = 2.5;

export class Gaps {
  /** Of the worst gap, mm. */
  valueMm = 0;
  expandedMm = 0;
  hasMargin = false;
  verdict: Verdict = 'clears';
  /** Which of its gaps, or facts, decides; a number of the check's own. */
  tag = 0;
  /** A dimension is missing. */
  isMissing = false;
  /** False where nobody has looked. */
  isJudged = true;
  countsFor: CountsFor = 'candidate';
  /** Every gap that is near enough to count for the chance, where they are kept. */
  readonly forms: Form[] = [];
  /** The form of the gap that decides, where they are kept. */
  worstForm: Form | null = null;
  /** The chances of all its gaps to close, added up: no less than that of any to close. */
  misses = 0;
  /** Whether every near gap is kept as a form. */
  keeps = false;
  private readonly variance = new Variance();

  constructor(
    readonly id: CheckId,
    private readonly doubts: Doubts,
    private readonly expansion: Expansion,
    private readonly confidence: number,
  ) {}

  /** @param keeps whether every gap is kept as a form */
  begin(keeps: boolean): void {
    this.keeps = keeps;
    this.hasMargin = false;
    this.verdict = 'clears';
    this.misses = 0;
    this.tag = 0;
    this.isMissing = false;
    this.isJudged = true;
    this.countsFor = 'candidate';
    this.forms.length = 0;
    this.worstForm = null;
  }

  /** A gap whose doubts have been added up: what is left of it after the room that is asked, mm. */
  offer(valueMm: number, tag: number): void {
    this.doubts.sumInto(this.variance);
    this.offerKnown(valueMm, this.expansion.expand(this.variance), tag);
    this.doubts.clear();
  }

  /** A gap whose interval is known already; its doubts count for the chance only. */
  offerKnown(valueMm: number, expandedMm: number, tag: number): void {
    const isWorse = this.take(valueMm, expandedMm, tag);
    const isNear = valueMm < FAR * expandedMm;
    if (isNear) this.misses += seldom(sureness({ valueMm, expandedMm }), this.confidence);
    if (this.keeps && (isWorse || isNear)) {
      const form = this.doubts.form(valueMm);
      if (isWorse) this.worstForm = form;
      this.forms.push(form);
    }
  }

  /** A gap that only counts for the chance: another way in which the worst one may come about. */
  alsoFrom(valueMm: number): void {
    this.doubts.sumInto(this.variance);
    if (sureness({ valueMm, expandedMm: this.expansion.expand(this.variance) }) < FAR)
      this.forms.push(this.doubts.form(valueMm));
    this.doubts.clear();
  }

  /** What no length decides; graver than any gap so far, or left out. */
  fact(verdict: Verdict, tag: number): void {
    if (VERDICT_GRAVITY[verdict] < VERDICT_GRAVITY[this.verdict] || (this.hasMargin && verdict === this.verdict))
      return;
    this.verdict = verdict;
    this.tag = tag;
    this.hasMargin = false;
    this.worstForm = null;
  }

  missing(tag: number): void {
    this.fact('measure', tag);
    this.isMissing = true;
  }

  /** What is the same for every stack of the opening. */
  factOfOpening(verdict: Verdict, tag: number): void {
    this.fact(verdict, tag);
    this.countsFor = 'opening';
  }

  /** Nobody has looked: it is open until somebody does, and is none of the candidate's doing. */
  notLooked(countsFor: Exclude<CountsFor, 'candidate'>, tag: number): void {
    this.fact('measure', tag);
    this.isJudged = false;
    this.countsFor = countsFor;
  }

  /** Nobody is asked to look here: nothing is open, and nothing is claimed. */
  notAsked(tag: number): void {
    this.factOfOpening('clears', tag);
    this.isJudged = false;
  }

  /** What is known clears, by the margin it has, and nobody has looked for more. */
  notLookedFurther(countsFor: Exclude<CountsFor, 'candidate'>): void {
    this.verdict = 'measure';
    this.isJudged = false;
    this.countsFor = countsFor;
  }

  /** What was found can still be put right when the part is here, and is none of the candidate's doing. */
  settledOnArrival(): void {
    this.countsFor = 'arrival';
  }

  /** The draws know better than the first order: it is the candidate's own word then. */
  become(verdict: Verdict): void {
    this.verdict = verdict;
    this.countsFor = 'candidate';
  }

  /** What it adds to the candidate's verdict. */
  get ownVerdict(): Verdict {
    return this.countsFor === 'candidate' ? this.verdict : 'clears';
  }

  /** How many half-widths of its interval the margin lies above zero, up to certainty; Infinity where no length decides. */
  get sureness(): number {
    return this.hasMargin ? Math.min(FAR, sureness(this)) : Number.POSITIVE_INFINITY;
  }

  /** Takes the gap where it is worse than the worst so far; of those that hit, the one that misses most. */
  private take(valueMm: number, expandedMm: number, tag: number): boolean {
    const verdict = marginVerdict({ valueMm, expandedMm });
    if (this.hasMargin && !this.isWorse(verdict, valueMm, expandedMm)) return false;
    if (!this.hasMargin && VERDICT_GRAVITY[verdict] < VERDICT_GRAVITY[this.verdict]) return false;
    this.verdict = verdict;
    this.valueMm = valueMm;
    this.expandedMm = expandedMm;
    this.hasMargin = true;
    this.tag = tag;
    return true;
  }

  private isWorse(verdict: Verdict, valueMm: number, expandedMm: number): boolean {
    if (verdict !== this.verdict) return VERDICT_GRAVITY[verdict] > VERDICT_GRAVITY[this.verdict];
    const off = verdict === 'hits' ? 0 : Math.min(FAR, sureness({ valueMm, expandedMm })) - this.sureness;
    return off !== 0 ? off < 0 : valueMm < this.valueMm;
  }
}
