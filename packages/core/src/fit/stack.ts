/**
 * The heights of a candidate's stack: metal, spacer, bracket, flange.
 */

import { exactly } from '../uncertainty/Dimension';
import { linear, type NamedDimension, type Quantity } from '../uncertainty/Quantity';
import type { Candidate, FitSpeaker } from './shapes';

type Part = readonly [NamedDimension, number];

/** Spacer and bracket as terms of a height above the metal, each with factor 1. */
export function raisedBy({ bracket, spacer }: Candidate): readonly Part[] {
  return [...(spacer ? [spacerHeight(spacer.height)] : []), ...bracketHeight({ bracket })];
}

export function bracketHeight({ bracket }: Pick<Candidate, 'bracket'>): readonly Part[] {
  return bracket ? [[{ name: 'bracket.height', dimension: bracket.height }, 1]] : [];
}

function spacerHeight(dimension: NamedDimension['dimension']): Part {
  return [{ name: 'spacer.height', dimension }, 1];
}

/**
 * How deep the body reaches below the underside of its flange, as terms.
 *
 * A catalogue that measures from the flange's top is corrected by the flange. One that does not say may mean either:
 * the middle is taken, and half the flange enters as the half-width of a rectangular distribution, so the doubt is
 * carried instead of guessed away.
 */
export function depthBelowFlange(speaker: FitSpeaker): readonly Part[] {
  const depth: Part = [{ name: 'speaker.mountingDepth', dimension: speaker.mountingDepth }, 1];
  const flange = { name: 'speaker.flangeThickness', dimension: speaker.flangeThickness };
  switch (speaker.depthDatum) {
    case 'underside':
      return [depth];
    case 'top':
      return [depth, [flange, -1]];
    case 'notStated': {
      const doubt = {
        ...exactly(0, 'catalogue'),
        uncertaintyMm: speaker.flangeThickness.valueMm / 2 / Math.sqrt(3),
      };
      return [depth, [flange, -0.5], [{ name: 'speaker.depthDatum', dimension: doubt }, 1]];
    }
  }
}

/** Total height of spacer and bracket, mm. */
export function raisedByMm(candidate: Candidate): number {
  return linear(0, raisedBy(candidate)).valueMm;
}

/** How far the body stands into the door from the mounting plane: depth below the flange, less spacer and bracket. */
export function reachBehind(candidate: Candidate): Quantity {
  return linear(0, [...depthBelowFlange(candidate.speaker), ...negated(raisedBy(candidate))]);
}

/** How far the stack stands into the cabin from the mounting plane. */
export function reachInFront(candidate: Candidate): Quantity {
  return linear(0, [...raisedBy(candidate), ...aboveUnderside(candidate.speaker)]);
}

/** Flange and the tallest part in front. */
export function aboveUnderside(speaker: FitSpeaker): readonly Part[] {
  return [
    [{ name: 'speaker.flangeThickness', dimension: speaker.flangeThickness }, 1],
    [{ name: 'speaker.frontHeight', dimension: speaker.frontHeight }, 1],
  ];
}

export function negated(parts: readonly Part[]): readonly Part[] {
  return parts.map(([named, factor]) => [named, -factor]);
}
