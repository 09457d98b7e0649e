/**
 * What a hand could do about a check that does not clear. Proposals are made to the figures; whether they do is judged afterwards.
 *
 * How far a tool goes is common practice, no source.
 */
import type { Check, CheckId } from '../Check';
import type { Judgement } from '../Judgement';
import { bracketsOf } from '../judgeCandidate';
import type { FitRules } from '../shapes';
import { ownPlates } from '../work/ownPlate';
import { CLOTH_MM, MOST_FILED_MM, MOST_THINNED_MM, SHORTEST_LUG_MM, THINNEST_MM, type Work } from '../work/Work';
import { thickestRing, type Worked } from '../work/withWork';
import { drill, turn } from './drilling';

/** A file, or a cutter, does not go nearer than this, mm. */
const FILE_STEP_MM = 0.5;
type Proposer = (worked: Worked, now: Judgement, check: Check, rules: FitRules) => readonly Work[];

/** What a hand may do about each check; nothing where it cannot help. */
export const PROPOSERS: Readonly<Record<CheckId, readonly Proposer[]>> = {
  place: [],
  figures: [],
  screws: [],
  depth: [],
  cover: [],
  connector: [],
  chime: [],
  airbag: [],
  staysFree: [],
  hole: [file, lugs, turn],
  bolts: [drill, cutPlate],
  obstacles: [lugs, turn],
  front: [cutCloth, thinRing],
  liesFlat: [grind],
  terminals: [lugs, turn],
  wireWay: [cutNotch],
};

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

/** Of so many things every choice is tried; of more, each alone and all of them. */
const MOST_CHOSEN = 4;

/** As few as will do: the car is changed. */
function grind({ opening }: Worked): readonly Work[] {
  const ids = opening.proud.map(({ id }) => id);
  const choices = ids.length <= MOST_CHOSEN ? subsets(ids) : [...ids.map((id) => [id]), ids];
  return choices
    .filter((some) => some.length > 0)
    .sort((a, b) => a.length - b.length)
    .map((some) => ({ kind: 'grind', ids: some }));
}

function subsets(ids: readonly string[]): (readonly string[])[] {
  const all: (readonly string[])[] = [[]];
  for (const id of ids) all.push(...all.map((some) => [...some, id]));
  return all;
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
