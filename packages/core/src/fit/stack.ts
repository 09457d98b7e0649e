/**
 * The heights of a candidate's stack: metal, spacer, brackets, flange.
 */
import { linear, type NamedDimension, type Quantity } from '../uncertainty/Quantity';
import { bracketPrefix } from './dimensionNames';
import type { Candidate, FitSpeaker } from './shapes';

type Part = readonly [NamedDimension, number];

/** Spacer and brackets as terms of a height above the metal, each with factor 1. */
export function raisedBy({ brackets, spacer }: Pick<Candidate, 'brackets' | 'spacer'>): readonly Part[] {
  return [
    ...(spacer ? ([[{ name: 'spacer.height', dimension: spacer.height }, 1]] as const) : []),
    ...brackets.map(
      (bracket, index): Part => [{ name: `${bracketPrefix(index)}height`, dimension: bracket.height }, 1],
    ),
  ];
}

/** Spacer and brackets together, as a quantity. */
export function raised(candidate: Pick<Candidate, 'brackets' | 'spacer'>): Quantity {
  return linear(0, raisedBy(candidate));
}

/**
 * How deep the body reaches below the underside of its flange, as terms.
 *
 * A catalogue that measures from the flange's top is corrected by the flange. One that does not say may mean either:
 * the middle is taken, and half the flange is the half-width of a rectangular doubt, carried instead of guessed away.
 */
export function depthBelowFlange(speaker: FitSpeaker): readonly Part[] {
  const depth: Part = [{ name: 'speaker.mountingDepth', dimension: speaker.mountingDepth }, 1];
  const flange = { name: 'speaker.flangeThickness', dimension: speaker.flangeThickness };
  switch (speaker.depthDatum) {
    case 'underside':
      return [depth];
    case 'top':
      return [depth, [flange, -1]];
    case 'notStated':
      return [depth, [flange, -0.5], [{ name: 'speaker.depthDatum', dimension: speaker.depthDoubt }, 1]];
  }
}

/** How far the body stands into the door from the mounting plane: depth below the flange, less spacer and brackets. */
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
