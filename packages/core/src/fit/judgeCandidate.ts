/**
 * Judges one candidate for one opening: every check, the verdict of the whole, and what decides it.
 */
import { assertNever } from '../result';
import { sureness } from '../uncertainty/Margin';
import type { LengthUnit } from '../units/parseLength';
import { findHarnessChain } from '../wiring/findHarnessChain';
import { CHECK_IDS, type Check, type CheckId, graver, type Verdict } from './Check';
import { boltsCheck } from './checks/boltsCheck';
import { chimeCheck } from './checks/chimeCheck';
import { connectorCheck } from './checks/connectorCheck';
import { depthCheck } from './checks/depthCheck';
import { frontCheck } from './checks/frontCheck';
import { holeCheck } from './checks/holeCheck';
import { obstaclesCheck } from './checks/obstaclesCheck';
import { terminalsCheck } from './checks/terminalsCheck';
import { wireWayCheck } from './checks/wireWayCheck';
import { type Mount, mountOf } from './mount';
import type { Candidate, FitHarnessAdapter, FitOpening, FitRules, FitSpeaker } from './shapes';

export type Judgement = {
  readonly verdict: Verdict;
  /** In the order of `CHECK_IDS`, one of each. */
  readonly checks: readonly Check[];
  /**
   * The check that decides, of those with the verdict of the whole: a missing dimension before any margin; where it
   * hits, the one that misses most; otherwise the one that is least sure.
   */
  readonly decidedBy: CheckId;
  readonly mount: Mount;
  /** The adapters that the connector check found; empty when none is needed or none was found. */
  readonly harness: readonly FitHarnessAdapter[];
};

/**
 * @param adapters every harness adapter the shop can get
 * @param unit the unit of the sentences; figures are mm whatever it is
 */
export function judgeCandidate(
  opening: FitOpening,
  candidate: Candidate,
  adapters: readonly FitHarnessAdapter[],
  rules: FitRules,
  unit: LengthUnit = 'mm',
): Judgement {
  return judgeWithHarness(opening, candidate, harnessFor(opening, candidate.speaker, adapters), rules, unit);
}

/** The chain for a speaker's terminals, or null; it is the same for every bracket and spacer. */
export function harnessFor({ wiring }: FitOpening, { terminals }: FitSpeaker, adapters: readonly FitHarnessAdapter[]) {
  return wiring.kind === 'connector' ? findHarnessChain(wiring.connectorId, terminals, adapters) : null;
}

/**
 * As {@link judgeCandidate}, with the harness found beforehand.
 *
 * @param mount how the candidate sits; worked out when left out
 */
export function judgeWithHarness(
  opening: FitOpening,
  candidate: Candidate,
  chain: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
  unit: LengthUnit,
  mount: Mount = mountOf(opening, candidate),
): Judgement {
  const checks = CHECK_IDS.map((id) => checkOf(id, opening, candidate, mount, chain, rules, unit));
  const verdict = checks.map((check) => check.verdict).reduce(graver);
  return { verdict, checks, decidedBy: decidingCheck(checks, verdict).id, mount, harness: chain ?? [] };
}

function checkOf(
  id: CheckId,
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  chain: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  switch (id) {
    case 'hole':
      return holeCheck(opening, candidate, mount, rules, unit);
    case 'bolts':
      return boltsCheck(opening, candidate, mount, rules, unit);
    case 'depth':
      return depthCheck(opening, candidate, mount, rules, unit);
    case 'obstacles':
      return obstaclesCheck(opening, candidate, mount, rules, unit);
    case 'front':
      return frontCheck(opening, candidate, mount, rules, unit);
    case 'terminals':
      return terminalsCheck(opening, candidate, mount, rules, unit);
    case 'wireWay':
      return wireWayCheck(opening, mount);
    case 'connector':
      return connectorCheck(opening, candidate.speaker, chain);
    case 'chime':
      return chimeCheck(opening.secondPlug);
    default:
      return assertNever(id);
  }
}

function decidingCheck(checks: readonly Check[], verdict: Verdict): Check {
  const [first, ...others] = checks.filter((check) => check.verdict === verdict);
  if (!first) throw new Error(`decidingCheck: expected a check with verdict ${verdict}, got none`);
  return others.reduce((a, b) => (weight(b, verdict) < weight(a, verdict) ? b : a), first);
}

function weight({ margin, missing }: Check, verdict: Verdict): number {
  if (missing.length > 0) return Number.NEGATIVE_INFINITY;
  if (!margin) return Number.POSITIVE_INFINITY;
  return verdict === 'hits' ? margin.valueMm : sureness(margin);
}
