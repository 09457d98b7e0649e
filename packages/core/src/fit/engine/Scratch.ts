/** The checks of one stack while it is being judged, written over and over. */
import { CHECK_IDS, type Check, type CheckId } from '../Check';
import { VERDICT_RANK } from '../Ranking';
import type { CheckFigures } from './CheckFigures';

export const CHECKS = CHECK_IDS.length;
export const CHECK_AT = Object.fromEntries(CHECK_IDS.map((id, at) => [id, at])) as Readonly<Record<CheckId, number>>;

/** The numbers of `VERDICT_RANK`. */
export const CLEARS = 0;
export const MEASURE = 1;
export const HOLD = 2;
export const HITS = 3;

export class Scratch {
  readonly verdict = new Uint8Array(CHECKS);
  readonly value = new Float64Array(CHECKS);
  readonly expanded = new Float64Array(CHECKS);
  /** 1 where a length decides. */
  readonly hasMargin = new Uint8Array(CHECKS);
  readonly missing = new Uint8Array(CHECKS);

  gravest = CLEARS;
  worstMm = 0;
  leastSureness = Number.MAX_VALUE;
  /** The hole's length is known and hits whatever its interval; the interval was not worked out. */
  isHoleRough = false;
  begin(): void {
    this.gravest = CLEARS;
    this.worstMm = 0;
    this.leastSureness = Number.MAX_VALUE;
    this.isHoleRough = false;
    // What comes late may not be reached at all.
    this.setFact(CHECK_AT.hole, CLEARS);
    this.setFact(CHECK_AT.depth, CLEARS);
    this.setFact(CHECK_AT.obstacles, CLEARS);
  }

  setMargin(at: number, value: number, expanded: number): void {
    const verdict = verdictOf(value, expanded);
    this.hasMargin[at] = 1;
    this.missing[at] = 0;
    this.value[at] = value;
    this.expanded[at] = expanded;
    this.verdict[at] = verdict;
    if (verdict > this.gravest) this.gravest = verdict;
    if (verdict === HITS && value < this.worstMm) this.worstMm = value;
    this.leastSureness = Math.min(this.leastSureness, surenessOf(value, expanded));
  }

  setFact(at: number, verdict: number, missing: 0 | 1 = 0): void {
    this.hasMargin[at] = 0;
    this.missing[at] = missing;
    this.verdict[at] = verdict;
    if (verdict > this.gravest) this.gravest = verdict;
  }

  setCheck(at: number, { verdict, margin, missing }: Check): void {
    if (margin) this.setMargin(at, margin.valueMm, margin.expandedMm);
    else this.setFact(at, VERDICT_RANK[verdict], missing.length > 0 ? 1 : 0);
  }

  setFigures(at: number, { gravity, hasMargin, isMissing, valueMm, expandedMm }: CheckFigures): void {
    if (hasMargin) this.setMargin(at, valueMm, expandedMm);
    else this.setFact(at, gravity, isMissing ? 1 : 0);
  }

  /** What decides, as `judgeCandidate` has it. */
  decidingCheck(): number {
    let decidedBy = -1;
    let lightest = Number.POSITIVE_INFINITY;
    for (let at = 0; at < CHECKS; at++) {
      if (this.verdict[at] !== this.gravest) continue;
      const weight = this.weight(at, this.gravest);
      if (decidedBy < 0 || weight < lightest) {
        decidedBy = at;
        lightest = weight;
      }
    }
    return decidedBy;
  }

  private weight(at: number, gravest: number): number {
    if (this.missing[at] === 1) return Number.NEGATIVE_INFINITY;
    if (this.hasMargin[at] === 0) return Number.POSITIVE_INFINITY;
    const value = this.value[at] as number;
    return gravest === HITS ? value : surenessOf(value, this.expanded[at] as number);
  }
}

export function verdictOf(value: number, expanded: number): number {
  if (value - expanded >= 0) return CLEARS;
  return value + expanded <= 0 ? HITS : MEASURE;
}

export function surenessOf(value: number, expanded: number): number {
  if (expanded === 0) return value >= 0 ? Number.MAX_VALUE : -Number.MAX_VALUE;
  return value / expanded;
}

/** Of two margins with the same verdict, whether the first is the worse; as the checks have it. */
export function isWorseAlike(
  value: number,
  expanded: number,
  otherValue: number,
  otherExpanded: number,
  verdict: number,
): boolean {
  const off = verdict === HITS ? 0 : surenessOf(value, expanded) - surenessOf(otherValue, otherExpanded);
  return off !== 0 ? off < 0 : value < otherValue;
}
