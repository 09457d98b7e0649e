/**
 * A ring that is cut to suit, as a template. The stack is judged with a ring of its height whose hole and outside are what they have to be: here they
 * are. Its hole lets the body through with the room that a hole asks, its screws are those of what is under it, and its outside covers and
 * leaves a wall beside everything.
 */
import {
  type Candidate,
  DRILL_PLAY_MM,
  type FitBracket,
  type FitOpening,
  type FitRules,
  type FitSpacer,
  farthestEdgeMm,
  type LayerPlace,
  type Mount,
  ROOM_FOR_DOUBT_MM,
  throatFor,
} from '../fit';
import { outlineMm, patternHoles } from '../geometry';
import { ellipseAt, moved, withWalls } from './layOut';
import type { Template, TemplateHole } from './Template';

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

/** @returns null where nobody measured the screws that it lies under, or it is none of the candidate's */
export function ringTemplate(
  ring: FitSpacer,
  { layers, speaker }: Candidate,
  { bolts, hole, plugRad, made }: Pick<FitOpening, 'bolts' | 'hole' | 'plugRad' | 'made'>,
  { placement }: Pick<Mount, 'placement'>,
  rules: FitRules,
): Template | null {
  const at = layers.indexOf(ring);
  const below = layers.slice(0, at).filter((layer): layer is FitBracket => layer.kind === 'bracket');
  const under = below.at(-1);
  // On a face that the shop makes the screws are the speaker's, as it lies.
  const isOnFace = !under && made !== null;
  const pattern = under ? under.speakerBolts : made ? speaker.bolts : bolts;
  const centre = under ? placement.places[below.length - 1] : isOnFace ? placement.at : CENTRE;
  if (at < 0 || !pattern || !centre) return null;
  const holes = patternHoles(pattern).map(
    (screw): TemplateHole => ({
      ...moved(screw, centre),
      ...{ diameterMm: pattern.holeDiameterMm + DRILL_PLAY_MM, of: under || isOnFace ? 'speaker' : 'car', sunk: null },
    }),
  );
  const throat = ellipseAt(throatFor(speaker.basket, rules), placement.at);
  const { wall, cover } = rules.clearancesMm;
  const reach = (point: { readonly xMm: number; readonly yMm: number }) =>
    Math.hypot(point.xMm - centre.xMm, point.yMm - centre.yMm);
  const edge = outlineMm(hole);
  const covered = under || !edge ? 0 : farthestEdgeMm(edge) + cover;
  const halfMm = Math.max(
    covered,
    ...holes.map((each) => reach(each) + each.diameterMm / 2 + wall),
    reach(throat) + Math.max(throat.halfLengthMm, throat.halfWidthMm) + wall,
  );
  const outsideMm = Math.ceil(2 * halfMm + ROOM_FOR_DOUBT_MM) / 2;
  return withWalls({
    thicknessMm: ring.height.valueMm,
    outside: { ...centre, halfLengthMm: outsideMm, halfWidthMm: outsideMm },
    throat,
    holes,
    ...{ wireRad: plugRad, hasNotch: !isOnFace },
  });
}
