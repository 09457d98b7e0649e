/**
 * Screws: long enough to hold, and not so long that their tips come out where something is. Each joint is asked with the bag
 * that serves it best, the speaker's or a bracket's; where no bag is known, the check says which length is needed. Screws can
 * be bought, cut and filed, so a wrong bag is never the candidate's fault: it is settled when the parts are here.
 *
 * How the old speaker was held decides what the new one finds at the wall: screw holes; rivets that have to be drilled out and
 * leave none; hooks that a plate has to copy; a seat to press into.
 */

import type { Vec3 } from '../../../geometry';
import {
  CENTRED,
  closestPoints,
  convexDistance,
  type GlassSheet,
  newGap,
  PlacedBody,
  type Rod,
  rodGap,
  sheetGap,
  uprightSolid,
} from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength, printNumber } from '../../../units';
import type { ObstacleShape } from '../../layout/OpeningShape';
import { METAL } from '../../layout/plates';
import { LAYER, layerAt } from '../../layout/slots';
import type { View } from '../../layout/View';
import { COPIED_FIXINGS, type FitBracket, type FitRules, type Fixing } from '../../shapes';
import type { CheckKind } from '../CheckKind';
import type { Gaps } from '../Gaps';
import { addHead, headGaps, headWords } from '../screwHeads';
import { addTip, isOverMaterial, type ScrewRun, type Served, screwRuns, servedRuns } from '../screwRuns';
import { behindClearanceMm, behindWord } from './depth';
import { addObstacle, obstacleClearanceMm } from './obstacles';

/** Tags: a joint, and what decides there. */
const DECIDING = 64;
const BITE = 0;
const UNDER = 1;
const SHEET = 2;
const FIRST_OBSTACLE = 3;
const NOT_KNOWN = 10_000;
const NOT_COPIED = 10_001;

/** Nobody drives a longer screw into a door, mm. */
const LONGEST_MM = 150;
/** Steps to a thousandth of a millimetre, and what is rounded off then. */
const LENGTH_STEPS = 12;
const LENGTH_ROUNDING_MM = 0.002;
/** A pilot hole goes at most so far into solid plastic (common practice, no source). */
const PILOT_SHARE = 0.75;

export const screws: CheckKind = {
  askedAt: 'beside',
  mostSides: 1,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask(view, gaps, rules) {
    if (needsCopy(view)) {
      gaps.notLooked('opening', NOT_COPIED);
      return;
    }
    const runs = screwedRuns(view, rules);
    const served = serve(view, runs, rules);
    for (const [run, bag] of served) {
      for (const gap of gapsOf(view, run, bag.bag.lengthMm, rules)) {
        gap.add(bag);
        gaps.offer(gap.valueMm, run.joint * DECIDING + gap.what);
      }
      for (const head of headGaps(view, run, bag)) {
        addHead(view, bag, head);
        gaps.offer(head.valueMm, run.joint * DECIDING + head.what);
      }
    }
    const isWhole = served.size === runs.length && runs.length === view.joints.length && runs.length > 0;
    if (gaps.hasMargin && (isWhole || gaps.verdict !== 'clears')) gaps.settledOnArrival();
    else if (gaps.hasMargin) gaps.notLookedFurther('arrival');
    else gaps.notLooked('arrival', NOT_KNOWN);
  },
  tell(view, gaps, rules, unit) {
    const { fixing, boltsMissing } = view.opening.opening;
    const runs = screwedRuns(view, rules);
    const served = serve(view, runs, rules);
    const words = runs.flatMap((run) => {
      const bag = served.get(run) ?? null;
      return [runWords(view, run, bag, rules, unit), ...(bag ? headWords(view, run, bag, unit) : [])];
    });
    if (view.joints.length === 0 && boltsMissing.length > 0)
      words.push('The screw holes have not been measured: which screws fit is not known.');
    const sentence = [madeWords(view, unit), fixingWords(view, fixing), ...words]
      .filter((each) => each !== '')
      .join(' ');
    return { sentence, nearest: gaps.hasMargin ? nearestOf(view, runs, served, gaps, rules) : null };
  },
};

/** Joints that are held by screws: that to the wall only where it has screw holes. */
function screwedRuns(view: View, rules: FitRules): readonly ScrewRun[] {
  const isScrewed = view.opening.opening.fixing === 'screws';
  return screwRuns(view, rules).filter(({ lower }) => lower !== METAL || isScrewed);
}

function needsCopy(view: View): boolean {
  const { fixing } = view.opening.opening;
  return COPIED_FIXINGS.some((each) => each === fixing) && !copying(view);
}

/** The bracket on the metal, where it takes hold as the old speaker did. */
function copying({ opening, layers }: View): FitBracket | null {
  const first = layers.map(({ layer }) => layer).find((layer) => layer.kind === 'bracket');
  return first?.copies.includes(opening.opening.fixing) ? first : null;
}

function serve(view: View, runs: readonly ScrewRun[], rules: FitRules): ReadonlyMap<ScrewRun, Served> {
  return servedRuns(view, runs, (run, lengthMm) =>
    Math.min(...gapsOf(view, run, lengthMm, rules).map(({ valueMm }) => valueMm)),
  );
}

type ScrewGap = {
  readonly what: number;
  readonly valueMm: number;
  /** Its change for each millimetre of the screw's length. */
  readonly slope: number;
  readonly add: (served: Served) => void;
  readonly onPart: Vec3;
  readonly onOther: Vec3;
  readonly askedMm: number;
};

/** What is left at the thread and at each tip with screws of a length; empty where it is not known what they go through. */
function gapsOf(view: View, run: ScrewRun, lengthMm: number, rules: FitRules): readonly ScrewGap[] {
  const { throughMm, surfaceMm, lower, biteMm } = run;
  if (throughMm === null) return [];
  const reachMm = lengthMm - throughMm;
  const tipMm = reachMm - surfaceMm;
  const [x, y] = run.places[0] as readonly [number, number];
  const found: ScrewGap[] = [
    {
      what: BITE,
      valueMm: reachMm - biteMm,
      slope: 1,
      add: (served) => addTip(view, run, served, 1, false),
      onPart: [x, y, tipMm],
      onOther: [x, y, -surfaceMm],
      askedMm: biteMm,
    },
  ];
  if (reachMm <= 0) return found;
  for (const place of run.places) {
    const isOver = lower !== METAL && isOverMaterial(view, run, place, rules);
    for (const gapAt of tipGaps(view, run, place, isOver, rules)) found.push(gapAt(reachMm));
  }
  return found;
}

/** From one tip to what is under the bracket, or to everything behind, by how far the screw reaches into what holds it. */
function tipGaps(
  view: View,
  run: ScrewRun,
  place: readonly [number, number],
  isOver: boolean,
  rules: FitRules,
): readonly ((reachMm: number) => ScrewGap)[] {
  if (isOver) return [(reachMm) => underGap(view, run, place, reachMm)];
  const { sheet, obstacles } = view.opening;
  const toObstacles = obstacles.map(
    (each, at) => (reachMm: number) => obstacleGap(view, run, place, reachMm - run.surfaceMm, each, at, rules),
  );
  return sheet
    ? [(reachMm) => sheetGapOf(view, run, place, reachMm - run.surfaceMm, sheet, rules), ...toObstacles]
    : toObstacles;
}

/** From a tip to what lies under the bracket. */
function underGap(view: View, run: ScrewRun, [x, y]: readonly [number, number], reachMm: number): ScrewGap {
  const { lower, surfaceMm } = run;
  const heightMm = view.layers[lower]?.heightMm as number;
  const under = surfaceMm - heightMm;
  return {
    what: UNDER,
    valueMm: heightMm - reachMm,
    slope: -1,
    add: (served) => {
      addTip(view, run, served, -1, false);
      view.doubts.add(layerAt(lower) + LAYER.height, 1);
    },
    onPart: [x, y, reachMm - surfaceMm],
    onOther: [x, y, -under],
    askedMm: 0,
  };
}

const gap = newGap();
const body = new PlacedBody();
const ONE_PIECE = Int32Array.from([0, 1]);

/** A screw as a body of one piece, from where it comes out to its tip. */
function placeScrew({ diameterMm, surfaceMm }: ScrewRun, xMm: number, yMm: number, tipMm: number): PlacedBody {
  const radiusMm = diameterMm / 2;
  const rings = Float64Array.from([-surfaceMm, radiusMm, radiusMm, tipMm, radiusMm, radiusMm]);
  return body.set(rings, ONE_PIECE, { ...CENTRED, xMm, yMm });
}

function rodDistance(screw: PlacedBody, rod: Rod) {
  rodGap(gap, screw, rod);
  const { gapMm, nx, ny, nz } = gap;
  const { onBody, onOther } = closestPoints(gap);
  return { distanceMm: gapMm, direction: [nx, ny, nz] as const, onFirst: onBody, onSecond: onOther };
}

/** From a screw that comes out behind to the glass, or the skin. */
function sheetGapOf(
  view: View,
  run: ScrewRun,
  [x, y]: readonly [number, number],
  tipMm: number,
  sheet: GlassSheet,
  rules: FitRules,
): ScrewGap {
  const { opening, doubts } = view;
  sheetGap(gap, placeScrew(run, x, y, tipMm), sheet);
  const { gapMm, nx, ny, nz } = gap;
  const { onBody: onPart, onOther } = closestPoints(gap);
  const askedMm = behindClearanceMm(opening.opening.behind, rules);
  return {
    what: SHEET,
    valueMm: gapMm - askedMm,
    slope: -nz,
    add: (served) => {
      opening.addSheet(doubts, onPart[0] + gapMm * nx, onPart[1] + gapMm * ny, nz);
      addTip(view, run, served, -nz, true);
    },
    onPart,
    onOther,
    askedMm,
  };
}

function obstacleGap(
  view: View,
  run: ScrewRun,
  [x, y]: readonly [number, number],
  tipMm: number,
  each: ObstacleShape,
  at: number,
  rules: FitRules,
): ScrewGap {
  const { distanceMm, direction, onFirst, onSecond } = each.rod
    ? rodDistance(placeScrew(run, x, y, tipMm), each.rod)
    : convexDistance(uprightSolid(x, y, run.diameterMm / 2, -run.surfaceMm, tipMm), each.solid);
  const askedMm = obstacleClearanceMm(each.obstacle, rules);
  return {
    what: FIRST_OBSTACLE + at,
    valueMm: distanceMm - askedMm,
    slope: -direction[2],
    add: (served) => {
      addObstacle(view, each, direction);
      addTip(view, run, served, -direction[2], true);
    },
    onPart: onFirst,
    onOther: onSecond,
    askedMm,
  };
}

/** The shortest screw that holds and the longest that stays off everything, mm; null where none does both. */
function lengthsThatDo(view: View, run: ScrewRun, rules: FitRules): readonly [number, number] | null {
  if (run.throughMm === null) return null;
  const leastMm = run.throughMm + run.biteMm;
  let mostMm = LONGEST_MM;
  for (const place of run.places) {
    const isOver = run.lower !== METAL && isOverMaterial(view, run, place, rules);
    for (const gapAt of tipGaps(view, run, place, isOver, rules)) {
      const at = (lengthMm: number) => gapAt(lengthMm - (run.throughMm as number));
      const first = at(leastMm);
      if (first.valueMm < 0) return null;
      mostMm = limitOf(first, leastMm, mostMm, at);
    }
  }
  return [leastMm, mostMm];
}

/**
 * How long a screw may be for one gap at its tip. A tip that goes straight in comes nearer to what is behind ever faster, up to the
 * slope at which it meets it, so that a step by the slope falls short and the next one begins there (Newton).
 */
function limitOf(first: ScrewGap, fromMm: number, mostMm: number, at: (lengthMm: number) => ScrewGap): number {
  let lengthMm = fromMm;
  let now = first;
  for (let step = 0; step < LENGTH_STEPS && Math.abs(now.valueMm) > LENGTH_ROUNDING_MM / 2; step++) {
    // No gap closes faster than the screw grows.
    if (now.slope > -LEVEL || now.valueMm >= mostMm - lengthMm) return mostMm;
    lengthMm -= now.valueMm / now.slope;
    if (lengthMm >= mostMm) return mostMm;
    now = at(lengthMm);
  }
  return lengthMm;
}

/** A tip that passes by comes no nearer. */
const LEVEL = 1e-6;

function nearestOf(
  view: View,
  runs: readonly ScrewRun[],
  served: ReadonlyMap<ScrewRun, Served>,
  { tag }: Gaps,
  rules: FitRules,
) {
  const run = runs.find(({ joint }) => joint === Math.floor(tag / DECIDING));
  const bag = run && served.get(run);
  const worst = bag && worstOf(view, run, bag, rules, tag % DECIDING);
  return worst ? { onPart: worst.onPart, onOther: worst.onOther, askedMm: worst.askedMm } : null;
}

function worstOf(view: View, run: ScrewRun, { bag }: Served, rules: FitRules, what: number | null): ScrewGap | null {
  return gapsOf(view, run, bag.lengthMm, rules)
    .filter((each) => what === null || each.what === what)
    .reduce<ScrewGap | null>((least, each) => (!least || each.valueMm < least.valueMm ? each : least), null);
}

function runWords(view: View, run: ScrewRun, served: Served | null, rules: FitRules, unit: LengthUnit): string {
  const part = run.upper === view.layers.length ? 'speaker' : 'bracket';
  const holder = run.lower === METAL ? wallWord(view) : 'the bracket';
  if (run.throughMm === null)
    return `How thick the ${part} is under the heads of its screws is not in the catalogue: measure it when it is here.`;
  const lengths = lengthsThatDo(view, run, rules);
  const would = wouldWords(lengths, unit);
  const size = (lengthMm: number) => `${run.diameterMm} × ${printLength(lengthMm, unit)}`;
  if (!served)
    return `The ${part} needs ${run.places.length} screws of ${run.diameterMm} mm, and no box is known to hold them: ${would}.`;
  const { bag, of } = served;
  const worst = worstOf(view, run, served, rules, null) as ScrewGap;
  const reachMm = bag.lengthMm - run.throughMm;
  const which = `The ${part} takes the screws of the ${of}’s box (${bag.count} of ${size(bag.lengthMm)})`;
  const pilot = pilotWords(view, run, reachMm, unit);
  if (worst.valueMm >= 0) return `${which}: they reach ${printLength(reachMm, unit)} into ${holder}${pilot}.`;
  const bite = printLength(run.biteMm, unit);
  if (worst.what === BITE)
    return reachMm <= 0
      ? `${which}, too short to reach ${holder} by ${printLength(-reachMm, unit)}: ${would}.`
      : `${which}, which reach only ${printLength(reachMm, unit)} into ${holder}; the shop asks ${bite}: ${would}.`;
  // Cut to whole millimetres, on the safe side.
  const cutMm = lengths && Math.floor(lengths[1] + LENGTH_ROUNDING_MM);
  const orCut =
    cutMm !== null && cutMm >= (lengths?.[0] ?? cutMm)
      ? `; or these cut to ${printLength(cutMm, unit)}, with a nut on the thread first to clear the burr`
      : '';
  return `${which}, too long: ${tipWords(view, worst, unit)}: ${would}${orCut}.`;
}

function tipWords({ opening }: View, { what, valueMm, askedMm }: ScrewGap, unit: LengthUnit): string {
  if (what === UNDER)
    return `they come out of the bracket’s back by ${printLength(-valueMm, unit)}, onto what is under it`;
  const other =
    what === SHEET ? behindWord(opening.opening) : `the ${opening.obstacles[what - FIRST_OBSTACLE]?.obstacle.label}`;
  const apartMm = valueMm + askedMm;
  return apartMm < 0
    ? `their tips would stand ${printLength(-apartMm, unit)} into ${other}`
    : `their tips stay ${printLength(apartMm, unit)} off ${other}, the shop asks ${printLength(askedMm, unit)}`;
}

/** Into solid plastic or board, where the tip stays inside. */
function pilotWords(view: View, { lower, materialMm }: ScrewRun, reachMm: number, unit: LengthUnit): string {
  const { material } = view.opening.opening;
  const isSolid = lower !== METAL || material === 'plastic' || material === 'board';
  if (!isSolid || materialMm === null || reachMm >= materialMm) return '';
  return `, a pilot hole at most ${printLength(PILOT_SHARE * materialMm, unit)} deep`;
}

function wallWord({ opening }: View): string {
  const { material } = opening.opening;
  return material === 'sheetSteel' || material === 'aluminium' ? 'the metal' : 'the wall';
}

/** In whole millimetres that are on the safe side. */
function wouldWords(lengths: readonly [number, number] | null, unit: LengthUnit): string {
  if (!lengths) return 'no length both holds and stays off what is there, so cut one to suit, or fasten it another way';
  const [least, most] = [Math.ceil(lengths[0] - LENGTH_ROUNDING_MM), Math.floor(lengths[1] + LENGTH_ROUNDING_MM)];
  if (lengths[1] >= LONGEST_MM) return `a length of ${printLength(least, unit)} or more is needed`;
  return least >= most
    ? `a length of ${printLength(lengths[0], unit)} would just do`
    : `a length of ${printNumber(least, unit)} to ${printLength(most, unit)} is needed`;
}

/** Of a face that the shop makes: how deep a pilot may be, and how short a screw has to be not to come out of it. */
function madeWords({ opening: { opening }, speaker: { speaker } }: View, unit: LengthUnit): string {
  if (!opening.made) return '';
  const { boardMm } = opening.made.housing;
  const longestMm = speaker.flangeThickness.valueMm + boardMm;
  return `Screws into the face of ${printLength(boardMm, unit)}: pilots at most ${printLength(Math.floor(boardMm * PILOT_SHARE * 10) / 10, unit)} deep, and one longer than ${printLength(longestMm, unit)} comes out behind.`;
}

function fixingWords(view: View, fixing: Fixing): string {
  const { opening, joints } = view;
  const count = opening.opening.bolts && joints[0] ? `${joints[0].screws.length} ` : '';
  switch (fixing) {
    case 'screws':
      return '';
    case 'rivets':
      return `The old speaker is riveted: its ${count}rivets are drilled out, and rivet nuts, clip nuts or bolts hold the new one.`;
    case 'plugs':
      return `The old speaker is held by expanding plugs: ${count}new ones, or clip nuts, hold the new one.`;
    case 'hooks':
    case 'tabs': {
      const bracket = copying(view);
      const what = fixing === 'hooks' ? 'hooks and one bolt' : 'snap tabs';
      return bracket
        ? `The old speaker is held by ${what}, and the ${bracket.name} takes hold the same way.`
        : `The old speaker is held by ${what}, and nothing in this stack is known to copy them: look at what they take hold of.`;
    }
    case 'pressFit':
      return 'The old speaker is pressed into its seat: whether the new one sits fast shows the first dry fit.';
    case 'glue':
      return 'The old speaker is glued in: cut it free with a thin plastic tool, and mind a rough seat.';
  }
}
