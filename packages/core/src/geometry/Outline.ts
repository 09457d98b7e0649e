/**
 * The outline of a hole, a basket or a flange: a circle, or an ellipse for the oval sizes.
 *
 * Ovals lie with their long axis on the opening's long axis (+x); a speaker is turned so that its own does too.
 */
import type { Dimension } from '../uncertainty/Dimension';

export type Outline<Length = Dimension> =
  | { readonly kind: 'circle'; readonly diameter: Length }
  | { readonly kind: 'oval'; readonly length: Length; readonly width: Length };

/** The extents along and across the long axis; equal for a circle. */
export function extents<Length>(outline: Outline<Length>): { readonly length: Length; readonly width: Length } {
  return outline.kind === 'circle' ? { length: outline.diameter, width: outline.diameter } : outline;
}
