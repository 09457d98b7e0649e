/**
 * The two flat pieces of a housing: its base as it lies on the panel, and its face as one looks at it. What stands between them is built up by hand, or
 * printed as one solid.
 */
import { DRILL_PLAY_MM, type FitSpeaker, type MadeFace, type Mount } from '../fit';
import { patternHoles } from '../geometry';
import { type Housing, type Shell, shellOf } from '../housing';
import { lineEdge } from './edges';
import { moved, withWalls } from './layOut';
import type { Edge, Template, TemplateHole } from './Template';

export type HousingPieces = { readonly base: Template; readonly face: Template };

/** A pilot for the screws of speakers, and of a base from behind its panel, mm (common practice, no source). */
const PILOT_MM = 2.5;
/** So many screws hold a base, all round. */
const BASE_SCREWS = 6;
/** A rim narrower than this holds no screw: it is glued, mm (common practice, no source). */
const LEAST_SCREWED_MM = 10;
/** Between a drill from behind and a face that is seen, mm: what the shop keeps, of a rim that is covered afterwards. */
export type Cover = { readonly coverMm: number };

/** @returns null where there is no such housing */
export function housingPieces(
  { housing, under }: MadeFace,
  speaker: Pick<FitSpeaker, 'bolts'>,
  { placement }: Pick<Mount, 'placement'>,
  { coverMm }: Cover,
): HousingPieces | null {
  const shell = shellOf(housing);
  if (!shell.ok) return null;
  const holes = patternHoles(speaker.bolts).map(
    (hole): TemplateHole => ({ ...moved(hole, placement.at), diameterMm: PILOT_MM, of: 'speaker', sunk: null }),
  );
  const common = { thicknessMm: housing.boardMm, hasNotch: false, wireRad: null };
  return {
    base: withWalls(
      { ...common, ...baseEdges(housing, shell.value), holes: baseHoles(housing, shell.value, under) },
      coverMm,
    ),
    face: withWalls({ ...common, outside: round(housing.faceMm), throat: round(housing.holeMm), holes }),
  };
}

function round(diameterMm: number, xMm = 0, yMm = 0): Edge {
  return { xMm, yMm, angleRad: 0, halfLengthMm: diameterMm / 2, halfWidthMm: diameterMm / 2 };
}

function baseEdges({ base, rimMm, xMm, yMm }: Housing, shell: Shell): Pick<Template, 'outside' | 'throat'> {
  if (base.kind === 'round')
    return { outside: round(base.diameterMm, xMm, yMm), throat: round(base.diameterMm - 2 * rimMm, xMm, yMm) };
  const line = (places: Shell['base']) => lineEdge(places.map(([x, y]) => ({ xMm: x, yMm: y })));
  return { outside: line(shell.base), throat: line(shell.inside) };
}

/** Of a wedge those of the car; of what stands on a panel, pilots in the middle of its rim, from behind. */
function baseHoles(
  { rimMm, back }: Housing,
  { base, inside }: Shell,
  under: MadeFace['under'],
): readonly TemplateHole[] {
  if (back === 'open' && under.isThere === 'yes' && under.bolts) {
    const { bolts } = under;
    const diameterMm = bolts.holeDiameterMm + DRILL_PLAY_MM;
    return patternHoles(bolts).map(({ xMm, yMm }) => ({ xMm, yMm, diameterMm, of: 'car', sunk: null }));
  }
  if (rimMm < LEAST_SCREWED_MM) return [];
  const step = base.length / BASE_SCREWS;
  return Array.from({ length: BASE_SCREWS }, (_, at) => {
    const [outer, inner] = [base[at * step], inside[at * step]] as [Shell['base'][0], Shell['base'][0]];
    return {
      ...{ xMm: (outer[0] + inner[0]) / 2, yMm: (outer[1] + inner[1]) / 2 },
      ...{ diameterMm: PILOT_MM, of: 'car' as const, sunk: null },
    };
  });
}
