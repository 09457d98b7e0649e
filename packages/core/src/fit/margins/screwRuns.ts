/**
 * The screws of a stack's joints from their heads to their tips: what they go through, what they hold to, where they stand,
 * and which bag of which box serves them.
 */
import { type HoleMm, patternHoles } from '../../geometry';
import { METAL, passedPlate, roomIn } from '../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../layout/slots';
import type { View } from '../layout/View';
import type { Joint, JointTurn } from '../mates/Joint';
import type { FitBracket, FitRules, ScrewBag } from '../shapes';
import { lowerOf, onFace } from './screwPlaces';

export type ScrewRun = {
  readonly joint: number;
  /** The bracket that they hold to; `METAL` for the wall of the vehicle. */
  readonly lower: number;
  /** The bracket that their heads press on; the number of layers for the speaker's flange. */
  readonly upper: number;
  /** From under the heads to what they hold to, mm; null where nobody says how thick the bracket is there. */
  readonly throughMm: number | null;
  /** How far what they hold to stands in front of the metal, mm. */
  readonly surfaceMm: number;
  /** How much material they find, mm; null where nobody says. */
  readonly materialMm: number | null;
  /** How far they have to reach into it, mm: not through all of a bracket that is hardly thicker than a screw should bite. */
  readonly biteMm: number;
  readonly diameterMm: number;
  /** Where those stand that land, seen from the cabin, mm. */
  readonly places: readonly (readonly [number, number])[];
};

/** A bag that is used for a run. */
export type Served = { readonly bag: ScrewBag; readonly of: 'speaker' | 'bracket'; readonly slot: number };

/** Screws nearer to each other in diameter go into the same hole, mm (common practice, no source). */
const SAME_SCREW_MM = 0.5;
/** So much of a thin bracket is enough to hold in (common practice, no source). */
const THIN_BITE_SHARE = 2 / 3;

/** @returns of every joint, from the vehicle up; none where the vehicle's screw holes are not known */
export function screwRuns(view: View, { clearancesMm }: FitRules): readonly ScrewRun[] {
  return view.joints.map((joint, at) => runOf(view, joint, at, clearancesMm.bite));
}

function runOf(view: View, { screwSide, playMm }: Joint, joint: number, askedMm: number): ScrewRun {
  const { layers, belowMm, opening, speaker, placement } = view;
  const lower = lowerOf(view, joint);
  const above = lowerOf(view, joint + 1);
  const upper = above < 0 ? layers.length : above;
  const headMm = upper === layers.length ? speaker.speaker.flangeThickness.valueMm : bracketAt(view, upper).earMm;
  const surfaceMm = belowMm[lower + 1] as number;
  const { turn } = placement.turns[joint] as JointTurn;
  const holes = patternHoles(screwSide);
  const landed = holes.filter((_, at) => (turn.misalignmentsMm[at] as number) <= playMm);
  const materialMm = lower < 0 ? opening.opening.wallMm : bracketAt(view, lower).bossMm;
  const place = lower < 0 ? { xMm: 0, yMm: 0, angleRad: 0 } : view.placeOf(lower);
  return {
    joint,
    lower,
    upper,
    throughMm: headMm === null ? null : headMm + (belowMm[upper] as number) - surfaceMm,
    surfaceMm,
    materialMm,
    biteMm:
      lower < 0 ? askedMm : Math.min(askedMm, THIN_BITE_SHARE * (materialMm ?? bracketAt(view, lower).height.valueMm)),
    diameterMm: screwSide.holeDiameterMm,
    places: (landed.length > 0 ? landed : holes).map((hole: HoleMm) => onFace(place, hole)),
  };
}

function bracketAt({ layers }: View, at: number): FitBracket {
  const layer = layers[at]?.layer;
  if (layer?.kind !== 'bracket') throw new Error(`screwRuns: expected a bracket in layer ${at}`);
  return layer;
}

/** What the length of a run from head to tip adds, beside the screw's own: the head's plate and every layer under it. */
export function addTip(view: View, { lower, upper }: ScrewRun, { slot }: Served, by: number, fromMetal: boolean): void {
  const { doubts, layers } = view;
  doubts.add(slot, by);
  doubts.add(upper === layers.length ? SPEAKER.flangeThickness : layerAt(upper) + LAYER.ears, -by);
  for (let at = fromMetal ? 0 : lower + 1; at < upper; at++) doubts.add(layerAt(at) + LAYER.height, -by);
}

/**
 * Whether a screw that comes out of a bracket's underside meets what lies under it. Only where it stands well within the
 * hole of everything under it does it come out into the open.
 */
export function isOverMaterial(
  view: View,
  { lower, diameterMm }: ScrewRun,
  place: readonly [number, number],
  rules: FitRules,
): boolean {
  const at = { xMm: place[0], yMm: place[1], angleRad: 0 };
  for (let layer = METAL; layer < lower; layer++) {
    const plate = passedPlate(view, layer);
    if (!plate) return true;
    const { roomMm } = roomIn(plate.outline, plate.place, at, diameterMm / 2, diameterMm / 2);
    if (roomMm < rules.clearancesMm.hole) return true;
  }
  return false;
}

/**
 * Of the bags of all boxes one for each run: as many as possible are served, and the one that is served worst as well as it can
 * be. No bag gives more screws than it has.
 *
 * @param leastMm the least gap of a run with screws of a length, mm
 */
export function servedRuns(
  view: View,
  runs: readonly ScrewRun[],
  leastMm: (run: ScrewRun, lengthMm: number) => number,
): ReadonlyMap<ScrewRun, Served> {
  const bags = bagsOf(view);
  const left = bags.map(({ bag }) => bag.count);
  let best: Serving = NOTHING_SERVED;
  const serve = (at: number, so: Serving): void => {
    const run = runs[at];
    if (!run) {
      if (
        so.served.length > best.served.length ||
        (so.served.length === best.served.length && so.worstMm > best.worstMm)
      )
        best = so;
      return;
    }
    const need = run.places.length;
    bags.forEach((each, which) => {
      const isFitting = Math.abs(each.bag.diameterMm - run.diameterMm) <= SAME_SCREW_MM;
      if (run.throughMm === null || !isFitting || (left[which] as number) < need) return;
      left[which] = (left[which] as number) - need;
      serve(at + 1, {
        served: [...so.served, [run, each]],
        worstMm: Math.min(so.worstMm, leastMm(run, each.bag.lengthMm)),
      });
      left[which] = (left[which] as number) + need;
    });
    serve(at + 1, so);
  };
  serve(0, NOTHING_SERVED);
  return new Map(best.served);
}

type Serving = { readonly served: readonly (readonly [ScrewRun, Served])[]; readonly worstMm: number };
const NOTHING_SERVED: Serving = { served: [], worstMm: Number.POSITIVE_INFINITY };

function bagsOf({ layers, speaker }: View): readonly Served[] {
  const ofBrackets = layers.flatMap(({ layer }, at) =>
    layer.kind === 'bracket'
      ? layer.screws.map((bag): Served => ({ bag, of: 'bracket', slot: layerAt(at) + LAYER.screws }))
      : [],
  );
  const ofSpeaker = speaker.speaker.screws.map((bag): Served => ({ bag, of: 'speaker', slot: SPEAKER.screws }));
  return [...ofBrackets, ...ofSpeaker];
}
