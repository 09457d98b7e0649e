/** The corners of a traced hole: in which direction they go round, and turning that about. */

/** A corner, and how far the edge to the next one bulges outwards, mm. */
export type CornerMm = { readonly xMm: number; readonly yMm: number; readonly bulgeMm: number };

/** The same outline the other way round; each edge keeps its bulge. */
export function reversedCorners<Corner extends CornerMm>(corners: readonly Corner[]): Corner[] {
  const { length } = corners;
  return corners.map((_, at) => {
    const corner = corners[length - 1 - at] as Corner;
    const edge = corners[(2 * length - 2 - at) % length] as Corner;
    return { ...corner, bulgeMm: edge.bulgeMm };
  });
}

/** Anticlockwise as seen from the cabin, whichever way round they were noted. */
export function anticlockwise<Corner extends CornerMm>(corners: readonly Corner[]): Corner[] {
  // Twice the area by the shoelace formula; negative when it goes clockwise.
  const area = corners.reduce((sum, { xMm, yMm }, at) => {
    const next = corners[(at + 1) % corners.length] as Corner;
    return sum + xMm * next.yMm - next.xMm * yMm;
  }, 0);
  return area < 0 ? reversedCorners(corners) : [...corners];
}
