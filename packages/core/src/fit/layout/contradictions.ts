/**
 * Figures that cannot be true together: what was noted of an opening, and what a catalogue says of a part. Nothing is cut
 * to fit; both figures are named, and who is to be asked.
 */
import { crossing, extents, type PartOutline, patternHoles, polygonPoints, rectangleRoom } from '../../geometry';
import { wholeUncertaintyMm } from '../../uncertainty';
import type { LengthUnit } from '../../units';
import { printLength } from '../../units';
import type { OpeningDimensionKey } from '../Check';
import type { FitLayer } from '../shapes';
import { holeOf, outsideOf } from './LayerShape';
import type { OpeningShape } from './OpeningShape';
import type { SpeakerShape } from './SpeakerShape';

export type Contradiction = {
  /** Both figures, as the second half of a sentence that begins with whose they are. */
  readonly words: (unit: LengthUnit) => string;
  /** Dimensions of the opening of which one must be wrong. */
  readonly keys: readonly OpeningDimensionKey[];
};

const openings = new WeakMap<OpeningShape, readonly Contradiction[]>();
const speakers = new WeakMap<SpeakerShape, readonly Contradiction[]>();
const layers = new WeakMap<FitLayer, readonly Contradiction[]>();

function kept<Key extends object>(
  known: WeakMap<Key, readonly Contradiction[]>,
  key: Key,
  find: (key: Key) => readonly Contradiction[],
): readonly Contradiction[] {
  let found = known.get(key);
  if (!found) {
    found = find(key);
    known.set(key, found);
  }
  return found;
}

export const openingContradictions = (shape: OpeningShape) => kept(openings, shape, ofOpening);
export const speakerContradictions = (shape: SpeakerShape) => kept(speakers, shape, ofSpeaker);
export const layerContradictions = (layer: FitLayer) => kept(layers, layer, ofLayer);

/** A difference that rounding and doubt of both explain is none. */
const SIGMAS = 3;

function ofOpening({ opening, hole }: OpeningShape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  const { bolts, obstacles } = opening;
  if (hole && bolts) {
    const inside = Math.max(
      ...patternHoles(bolts).map(
        ({ xMm, yMm }) =>
          rectangleRoom(
            hole.outline,
            { xMm: 0, yMm: 0, angleRad: 0 },
            { xMm, yMm, angleRad: 0, halfLengthMm: 0, halfWidthMm: 0 },
          ).roomMm,
      ),
    );
    if (inside > doubtMm(bolts.shape.kind === 'circle' ? bolts.shape.diameter : null))
      found.push({
        words: (unit) =>
          bolts.shape.kind === 'circle' && hole.outline.kind === 'circle'
            ? `the bolt circle, ${printLength(bolts.shape.diameter.valueMm, unit)}, lies inside the hole, ${printLength(hole.outline.diameter, unit)}, where there is no metal`
            : `screw holes lie ${printLength(inside, unit)} inside the hole, where there is no metal`,
        keys: ['boltCircle', 'holeDiameter'],
      });
  }
  if (hole?.outline.kind === 'roundedRectangle') {
    const { cornerRadiusMm, length, width } = hole.outline;
    const most = Math.min(length, width) / 2;
    if (cornerRadiusMm > most)
      found.push({
        words: (unit) =>
          `corners of ${printLength(cornerRadiusMm, unit)} do not fit a hole of which half is ${printLength(most, unit)}`,
        keys: ['holeWidth'],
      });
  }
  if (hole?.outline.kind === 'polygon') {
    const at = crossing(polygonPoints(hole.outline));
    if (at)
      found.push({
        words: (unit) =>
          `the traced edge crosses itself at ${printLength(at[0], unit)} to the right and ${printLength(at[1], unit)} up`,
        keys: [],
      });
  }
  const labels = new Set<string>();
  for (const { label } of [...obstacles, ...opening.front]) {
    if (labels.has(label)) found.push({ words: () => `two things are called "${label}"`, keys: [] });
    labels.add(label);
  }
  return found;
}

function ofSpeaker({ speaker, depthMm, isStated, bodyReachMm }: SpeakerShape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  const { basket, flange, magnetDiameter, mountingDepth, depthDoubt, profile, bolts } = speaker;
  const cutoutMm = extents(basket).length.valueMm;
  const across = extents(basket).width;
  const magnetMm = magnetDiameter.valueMm;
  if (magnetMm - across.valueMm > doubtMm(magnetDiameter, across))
    found.push({
      words: (unit) =>
        `the magnet, ${printLength(magnetMm, unit)}, is wider than the cutout that it has to pass, ${printLength(across.valueMm, unit)}`,
      keys: [],
    });
  const last = profile[profile.length - 1];
  if (last && Math.abs(last.depthMm - depthMm) > doubtMm(mountingDepth, depthDoubt, speaker.flangeThickness))
    found.push({
      words: (unit) =>
        `the sections end ${printLength(last.depthMm, unit)} below the flange, the mounting depth says ${printLength(depthMm, unit)}`,
      keys: [],
    });
  if (isStated && 2 * bodyReachMm - cutoutMm > doubtMm(speaker.widthDoubt, extents(basket).length))
    found.push({
      words: (unit) =>
        `a section of ${printLength(2 * bodyReachMm, unit)} does not pass the cutout of ${printLength(cutoutMm, unit)}`,
      keys: [],
    });
  if (!reachesOver(flange, basket))
    found.push({
      words: (unit) =>
        `the flange, ${printLength(extents(flange).length.valueMm, unit)}, is no wider than the cutout, ${printLength(cutoutMm, unit)}`,
      keys: [],
    });
  const screwsMm = Math.min(...patternHoles(bolts).map(({ xMm, yMm }) => 2 * Math.hypot(xMm, yMm)));
  if (screwsMm < across.valueMm - doubtMm(across))
    found.push({
      words: (unit) =>
        `screw holes on ${printLength(screwsMm, unit)} lie inside the cutout of ${printLength(across.valueMm, unit)}`,
      keys: [],
    });
  return found;
}

function ofLayer(layer: FitLayer): readonly Contradiction[] {
  if (layer.kind === 'spacer' && layer.made) return [];
  const [inner, outer] = [holeOf(layer), outsideOf(layer)];
  if (reachesOver(outer, inner)) return [];
  return [
    {
      words: (unit) =>
        `its outside, ${printLength(extents(outer).length.valueMm, unit)}, is no wider than its hole, ${printLength(extents(inner).length.valueMm, unit)}`,
      keys: [],
    },
  ];
}

function reachesOver(outer: PartOutline, inner: PartOutline): boolean {
  const [over, under] = [extents(outer), extents(inner)];
  return over.length.valueMm > under.length.valueMm && over.width.valueMm > under.width.valueMm;
}

function doubtMm(...dimensions: readonly (Parameters<typeof wholeUncertaintyMm>[0] | null)[]): number {
  return SIGMAS * Math.hypot(...dimensions.map((each) => (each ? wholeUncertaintyMm(each) : 0)));
}
