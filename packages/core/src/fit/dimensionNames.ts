/**
 * Every dimension of a shape by its name: the one place that knows which they are. Margins refer to them by these names,
 * a simulation moves them, a measurement replaces one.
 */
import { type BoltPattern, mapPattern } from '../geometry/BoltPattern';
import { mapOutline, mapPartOutline } from '../geometry/Outline';
import type { Dimension } from '../uncertainty/Dimension';
import type { Candidate, FitBracket, FitOpening, FitSpacer, FitSpeaker } from './shapes';

export type DimensionMap = (name: string, dimension: Dimension) => Dimension;

/** `opening.`, `speaker.`, `bracket.` for the one on the metal, `bracket2.` for the one on it, `spacer.` */
export const bracketPrefix = (index: number): string => (index === 0 ? 'bracket.' : `bracket${index + 1}.`);

export function mapOpening(opening: FitOpening, of: DimensionMap): FitOpening {
  const at = (key: string, dimension: Dimension) => of(`opening.${key}`, dimension);
  const maybe = (key: string, dimension: Dimension | null) => dimension && at(key, dimension);
  return {
    ...opening,
    hole: mapOutline(opening.hole, (length, ending) => maybe(`hole${ending}`, length)),
    recess: opening.recess && {
      ...opening.recess,
      outline: mapOutline(opening.recess.outline, (length, ending) => at(`recess${ending}`, length)),
    },
    bolts: opening.bolts && mapPatternNames(opening.bolts, 'opening.', of),
    depths: opening.depths.map((reading) => ({ ...reading, depth: at(reading.key, reading.depth) })),
    sheet: {
      sideLean: at('sideLean', opening.sheet.sideLean),
      lean: at('lean', opening.sheet.lean),
      curvature: at('curvature', opening.sheet.curvature),
    },
    lowerEdge: maybe('lowerEdge', opening.lowerEdge),
    obstacles: opening.obstacles.map((obstacle) => ({
      ...obstacle,
      depth: at(`obstacle.${obstacle.id}.depth`, obstacle.depth),
      place: at(`obstacle.${obstacle.id}.place`, obstacle.place),
    })),
    frontGap: maybe('frontGap', opening.frontGap),
  };
}

export function mapCandidate({ speaker, brackets, spacer }: Candidate, of: DimensionMap): Candidate {
  return {
    speaker: mapSpeaker(speaker, of),
    brackets: brackets.map((bracket, index) => mapBracket(bracket, bracketPrefix(index), of)),
    spacer: spacer && mapSpacer(spacer, of),
  };
}

function mapSpeaker(speaker: FitSpeaker, of: DimensionMap): FitSpeaker {
  const at = (key: string, dimension: Dimension) => of(`speaker.${key}`, dimension);
  return {
    ...speaker,
    basket: mapPartOutline(speaker.basket, (length, ending) => at(`basket${ending}`, length)),
    flange: mapPartOutline(speaker.flange, (length, ending) => at(`flange${ending}`, length)),
    flangeThickness: at('flangeThickness', speaker.flangeThickness),
    mountingDepth: at('mountingDepth', speaker.mountingDepth),
    depthDoubt: at('depthDatum', speaker.depthDoubt),
    frontHeight: at('frontHeight', speaker.frontHeight),
    magnetDiameter: at('magnetDiameter', speaker.magnetDiameter),
    profileDoubt: at('profile', speaker.profileDoubt),
    widthDoubt: at('widths', speaker.widthDoubt),
    bolts: mapPatternNames(speaker.bolts, 'speaker.', of),
  };
}

function mapBracket(bracket: FitBracket, prefix: string, of: DimensionMap): FitBracket {
  return {
    ...bracket,
    vehicleBolts: mapPatternNames(bracket.vehicleBolts, `${prefix}vehicle.`, of),
    speakerBolts: mapPatternNames(bracket.speakerBolts, `${prefix}speaker.`, of),
    throat: mapPartOutline(bracket.throat, (length, ending) => of(`${prefix}throat${ending}`, length)),
    plate: mapPartOutline(bracket.plate, (length, ending) => of(`${prefix}plate${ending}`, length)),
    height: of(`${prefix}height`, bracket.height),
  };
}

function mapSpacer(spacer: FitSpacer, of: DimensionMap): FitSpacer {
  return {
    ...spacer,
    inner: mapPartOutline(spacer.inner, (length, ending) => of(`spacer.inner${ending}`, length)),
    outer: mapPartOutline(spacer.outer, (length, ending) => of(`spacer.outer${ending}`, length)),
    height: of('spacer.height', spacer.height),
  };
}

function mapPatternNames(pattern: BoltPattern, prefix: string, of: DimensionMap): BoltPattern {
  return mapPattern(pattern, (key, dimension) => of(`${prefix}${key}`, dimension));
}
