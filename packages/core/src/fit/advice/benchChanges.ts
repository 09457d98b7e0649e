/**
 * What a hand can change at the bench or at the door so that a candidate clears: each made to the figures and judged again before
 * it is named, together where more than one thing is in the way, with all else as it is.
 *
 * How far a tool goes is common practice, no source.
 */
import type { HoleMm } from '../../geometry/BoltPattern';
import { type OutlineMm, outlineMm } from '../../geometry/Outline';
import { rectangleRoom } from '../../geometry/rectangleRoom';
import type { Check, CheckId } from '../Check';
import { type Judgement, ownChecks } from '../Judgement';
import { bracketsOf } from '../judgeCandidate';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { ownPlates } from '../work/ownPlate';
import { CLOTH_MM, CUTS_THE_CAR, minutesOf, SHORTEST_LUG_MM, THINNEST_MM, type Work } from '../work/Work';
import { thickestRing, type Worked, withWork } from '../work/withWork';

/** More than this is no filing, mm all round. */
const MOST_FILED_MM = 4;
/** More than this is another ring, mm. */
const MOST_THINNED_MM = 3;
/** A file, or a cutter, does not go nearer than this, mm. */
const FILE_STEP_MM = 0.5;
/** Where more than so many things have to be changed, it is another part that is wanted. */
const MOST_WORKS = 3;
/** So many ways are named. */
const MOST_NAMED = 4;

type Judge = (opening: FitOpening, candidate: Candidate) => Judgement;
type Proposer = (worked: Worked, now: Judgement, check: Check, rules: FitRules) => readonly Work[];

/** For each check that a hand can do something about: what may help it. A check that is not here is none of the hand's. */
const PROPOSERS: Partial<Readonly<Record<CheckId, readonly Proposer[]>>> = {
  hole: [file, lugs],
  bolts: [drill, cutPlate],
  obstacles: [lugs],
  front: [cutCloth, thinRing],
  terminals: [lugs],
  wireWay: [cutNotch],
};

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
): readonly (readonly Work[])[] {
  const found: (readonly Work[])[] = [];
  const seek = (worked: Worked, judged: Judgement, works: readonly Work[]) => {
    if (judged.verdict === 'clears') {
      if (works.length > 0) found.push(works);
      return;
    }
    if (works.length === MOST_WORKS) return;
    const failing = ownChecks(judged).filter(({ verdict }) => verdict !== 'clears');
    if (failing.some(({ id }) => !PROPOSERS[id]) || failing.length > MOST_WORKS - works.length) return;
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
  return (PROPOSERS[check.id] ?? [])
    .flatMap((propose) => propose(worked, now, check, rules))
    .filter(({ kind }) => !CUTS_THE_CAR.has(kind) || mayBeCut(worked.opening));
}

/** Where an airbag sits, or nobody looked for one, nobody is told to file or drill the car. */
function mayBeCut({ airbag }: FitOpening): boolean {
  return airbag === 'none' || airbag === 'notAsked';
}

/** Whether this, or less than this, was found to do already. */
function isMoreThan(works: readonly Work[], found: readonly (readonly Work[])[]): boolean {
  return found.some((each) => isSame(each, works) || isLess(each, works));
}

/** Whether every kind of the first is one of the second, and more is done there. */
function isLess(less: readonly Work[], works: readonly Work[]): boolean {
  return less.length < works.length && less.every(({ kind }) => works.some((work) => work.kind === kind));
}

/** Whether both are the same kinds of work, in whatever order. */
function isSame(a: readonly Work[], b: readonly Work[]): boolean {
  return a.length === b.length && a.every(({ kind }) => b.some((work) => work.kind === kind));
}

/** No way of which a part would do; of ways with the same kinds of work the first that was found: it was proposed first, as the better one. */
function soonestFirst(found: readonly (readonly Work[])[]): readonly (readonly Work[])[] {
  const minutes = (works: readonly Work[]) => works.reduce((sum, work) => sum + minutesOf(work), 0);
  return found
    .filter((works, at) => !found.some((less, place) => isLess(less, works) || (place < at && isSame(less, works))))
    .sort((a, b) => a.length - b.length || minutes(a) - minutes(b));
}

/** Where the wire does not reach a notch: new ones where the plug comes from. */
function cutNotch({ opening, candidate }: Worked, now: Judgement): readonly Work[] {
  const { plugRad } = opening;
  if (plugRad === null) return [];
  const notchesRad = bracketsOf(candidate).map(({ notchRad }, at) =>
    notchRad === null ? null : plugRad - (now.mount.placement.places[at]?.angleRad ?? 0),
  );
  return [{ kind: 'cutNotch', notchesRad }];
}

/** Where layers are noted one by one, only where one of them is cloth. */
function cutCloth({ opening }: Worked, _: Judgement, { margin }: Check, { clearancesMm }: FitRules): readonly Work[] {
  if (!opening.frontGap || !margin) return [];
  const isCloth =
    opening.front.length > 0
      ? opening.front.some(({ kind }) => kind === 'cloth')
      : margin.valueMm + clearancesMm.front + CLOTH_MM >= margin.expandedMm;
  return isCloth ? [{ kind: 'cutCloth', byMm: -margin.valueMm }] : [];
}

function thinRing({ candidate }: Worked, _: Judgement, check: Check): readonly Work[] {
  const byMm = lackingMm(check);
  const thickest = thickestRing(candidate);
  if (byMm === null || byMm > MOST_THINNED_MM || !thickest || thickest.height.valueMm - byMm < THINNEST_MM) return [];
  return [{ kind: 'thinRing', byMm }];
}

/** The throats of the brackets before the metal of the car: a bracket can be bought again. */
function file({ candidate }: Worked, _: Judgement, check: Check): readonly Work[] {
  const byMm = lackingMm(check);
  if (byMm === null || byMm > MOST_FILED_MM) return [];
  const kinds = bracketsOf(candidate).length > 0 ? (['fileThroat', 'fileHole'] as const) : (['fileHole'] as const);
  return kinds.map((kind) => ({ kind, byMm }));
}

/** Bent before cut: what is bent is still there. */
function lugs({ candidate }: Worked, _: Judgement, check: Check): readonly Work[] {
  const live = candidate.speaker.boxes.filter((box) => box.live);
  if (live.length === 0) return [];
  const spareMm = Math.max(...live.map(({ innerMm, outerMm }) => outerMm - innerMm)) - SHORTEST_LUG_MM;
  const byMm = Math.min(spareMm, lackingMm(check) ?? spareMm);
  return [{ kind: 'bendLugs' }, ...(byMm > 0 ? [{ kind: 'cutLugs' as const, byMm }] : [])];
}

/** Where nothing mates, so that the bare speaker stands for it: the thinnest plates, and of those the widest walls. */
function cutPlate({ opening, candidate }: Worked, _: Judgement, check: Check, rules: FitRules): readonly Work[] {
  if (candidate.layers.length > 0 || check.verdict !== 'hits') return [];
  return ownPlates(opening, candidate.speaker, rules).map((figures) => ({ kind: 'cutPlate', ...figures }));
}

/** What makes a check sure, in steps of a file; null where no length decides. */
function lackingMm({ margin }: Check): number | null {
  return margin && Math.ceil((margin.expandedMm - margin.valueMm) / FILE_STEP_MM) * FILE_STEP_MM;
}

/**
 * So many new holes that enough screws hold. A new hole needs metal around it: it may lie neither in the hole of the opening, or
 * at its edge, nor beside an old screw hole.
 */
function drill({ opening, candidate }: Worked, now: Judgement): readonly Work[] {
  const [first] = now.mount.joints;
  const [turn] = now.mount.placement.turns;
  const hole = outlineMm(opening.hole);
  if (!first || !turn || !hole || bracketsOf(candidate).length > 0) return [];
  const diameterMm = first.screwSide.holeDiameterMm;
  const { angleRad, landed } = turn.turn;
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const places = first.holes.map(({ xMm, yMm }): Place => [xMm * cos - yMm * sin, xMm * sin + yMm * cos]);
  const free = places.filter(
    (place) => isInMetal(place, hole, opening.holeRad, diameterMm) && isAwayFrom(first.screws, place, diameterMm),
  );
  const wanted = first.enough - landed;
  if (wanted <= 0 || free.length < wanted) return [];
  const kept = turn.turn.misalignmentsMm.flatMap((mm, at) => (mm <= first.playMm ? [at] : []));
  const held = kept.map((at): Place => [(first.screws[at] as HoleMm).xMm, (first.screws[at] as HoleMm).yMm]);
  return [
    {
      kind: 'drill',
      holes: spreadOut(free, wanted, held).map(([xMm, yMm]) => ({ xMm: tenths(xMm), yMm: tenths(yMm) })),
      kept,
    },
  ];
}

type Place = readonly [number, number];

function tenths(valueMm: number): number {
  return Math.round(valueMm * 10) / 10;
}

/** Those that lie farthest from all that holds already, one after the other. */
function spreadOut(free: readonly Place[], wanted: number, held: readonly Place[]): readonly Place[] {
  const taken: Place[] = [];
  const nearest = ([x, y]: Place) =>
    Math.min(Number.MAX_VALUE, ...[...held, ...taken].map(([u, v]) => Math.hypot(x - u, y - v)));
  while (taken.length < wanted) {
    const left = free.filter((place) => !taken.includes(place));
    const [best] = [...left].sort((a, b) => nearest(b) - nearest(a));
    if (!best) break;
    taken.push(best);
  }
  return taken;
}

/** So many diameters of metal are left around a new hole (common practice, no source). */
const METAL_DIAMETERS = 1;

function isInMetal([xMm, yMm]: Place, hole: OutlineMm, holeRad: number, diameterMm: number): boolean {
  const at = { xMm, yMm, angleRad: 0, halfLengthMm: 0, halfWidthMm: 0 };
  const { roomMm } = rectangleRoom(hole, { xMm: 0, yMm: 0, angleRad: holeRad }, at);
  return -roomMm >= diameterMm / 2 + METAL_DIAMETERS * diameterMm;
}

function isAwayFrom(old: readonly HoleMm[], [x, y]: Place, diameterMm: number): boolean {
  return old.every(({ xMm, yMm }) => Math.hypot(x - xMm, y - yMm) >= (1 + METAL_DIAMETERS) * diameterMm);
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
  return ways.find((way) => isSame(way, works)) ?? null;
}
