/**
 * What a hand can change at the bench or at the door so that a candidate clears: each made to the figures and judged again before
 * it is named, together where more than one thing is in the way, with all else as it is.
 */
import type { Check } from '../Check';
import { type Judgement, ownChecks } from '../Judgement';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { CUTS_THE_CAR, minutesOf, type Work } from '../work/Work';
import { type Worked, withWork } from '../work/withWork';
import { PROPOSERS } from './proposals';

/** Where more than so many things have to be changed, it is another part that is wanted. */
const MOST_WORKS = 3;
/** So many ways are named. */
const MOST_NAMED = 4;

/** Work that makes a candidate clear, and what is said of it then. */
export type Way = { readonly works: readonly Work[]; readonly judgement: Judgement };

type Judge = (opening: FitOpening, candidate: Candidate) => Judgement;
/**
 * @param now the candidate as it is; it does not clear
 * @param judge any opening with any candidate, with the same harness and rules
 * @returns those that make it clear, each as what has to be done, soonest done first
 */
export function benchChanges(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  judge: Judge,
  rules: FitRules,
): readonly Way[] {
  const found: Way[] = [];
  const seek = (worked: Worked, judged: Judgement, works: readonly Work[]) => {
    if (judged.verdict === 'clears') {
      if (works.length > 0) found.push({ works, judgement: judged });
      return;
    }
    if (works.length === MOST_WORKS) return;
    const failing = ownChecks(judged).filter(({ verdict }) => verdict !== 'clears');
    if (failing.some(({ id }) => PROPOSERS[id].length === 0) || failing.length > MOST_WORKS - works.length) return;
    const [first] = failing;
    if (!first) return;
    for (const work of proposals(worked, judged, first, rules)) {
      if (works.some(({ kind }) => kind === work.kind) || isMoreThan([...works, work], found)) continue;
      const next = withWork(worked.opening, worked.candidate, [work], rules);
      if (next.ok) seek(next.value, judge(next.value.opening, next.value.candidate), [...works, work]);
    }
  };
  seek({ opening, candidate }, now, []);
  return soonestFirst(found).slice(0, MOST_NAMED);
}

function proposals(worked: Worked, now: Judgement, check: Check, rules: FitRules): readonly Work[] {
  return PROPOSERS[check.id]
    .flatMap((propose) => propose(worked, now, check, rules))
    .filter(({ kind }) => !CUTS_THE_CAR.has(kind) || mayBeCut(worked.opening));
}

/** Where an airbag sits, or nobody looked for one, nobody is told to file or drill the car. */
function mayBeCut({ airbag }: FitOpening): boolean {
  return airbag === 'none' || airbag === 'notAsked';
}

/** Whether this, or less than this, was found to do already. */
function isMoreThan(works: readonly Work[], found: readonly Way[]): boolean {
  return found.some((each) => isSame(each.works, works) || isLess(each.works, works));
}

/** Whether every kind of the first is one of the second, and more is done there. */
function isLess(less: readonly Work[], works: readonly Work[]): boolean {
  return less.length < works.length && less.every(({ kind }) => works.some((work) => work.kind === kind));
}

/** Whether both are the same kinds of work, in whatever order. */
function isSame(a: readonly Work[], b: readonly Work[]): boolean {
  return a.length === b.length && a.every(({ kind }) => b.some((work) => work.kind === kind));
}

/** No way of which a part is enough; of ways with the same kinds of work the first that was found: it was proposed first, as the better one. */
function soonestFirst(found: readonly Way[]): readonly Way[] {
  const minutes = ({ works }: Way) => works.reduce((sum, work) => sum + minutesOf(work), 0);
  return found
    .filter(
      ({ works }, at) =>
        !found.some((less, place) => isLess(less.works, works) || (place < at && isSame(less.works, works))),
    )
    .sort((a, b) => a.works.length - b.works.length || minutes(a) - minutes(b));
}

/** What is done to the other side of a car so that it fits there as it does here: the same kinds of work, each to that side's own figures. */
export function sameWorks(
  opening: FitOpening,
  candidate: Candidate,
  works: readonly Work[],
  judge: Judge,
  rules: FitRules,
): readonly Work[] | null {
  if (works.length === 0) return [];
  const ways = benchChanges(opening, candidate, judge(opening, candidate), judge, rules);
  return ways.find((way) => isSame(way.works, works))?.works ?? null;
}
