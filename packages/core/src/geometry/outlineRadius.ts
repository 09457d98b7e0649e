/** How far an outline's edge lies from its centre in a direction: for drawings and for where a cut meets it. */
import { type OutlineMm, polygonPoints } from './Outline';

/** @returns mm; for a hollow polygon the farthest crossing, 0 where the ray meets no side */
export function outlineRadiusMm(outline: OutlineMm, angleRad: number): number {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  switch (outline.kind) {
    case 'circle':
      return outline.diameter / 2;
    case 'oval':
      return 0.5 / Math.hypot(cos / outline.length, sin / outline.width);
    case 'roundedRectangle':
      return roundedRadius(outline.length / 2, outline.width / 2, outline.cornerRadiusMm, Math.abs(cos), Math.abs(sin));
    case 'polygon':
      return polygonRadius(polygonPoints(outline), cos, sin) + outline.edgeOffset;
  }
}

function roundedRadius(halfX: number, halfY: number, corner: number, cos: number, sin: number): number {
  const flat = Math.min(
    cos > 0 ? halfX / cos : Number.POSITIVE_INFINITY,
    sin > 0 ? halfY / sin : Number.POSITIVE_INFINITY,
  );
  const [cx, cy] = [halfX - corner, halfY - corner];
  if (flat * cos <= cx || flat * sin <= cy || corner === 0) return flat;
  // The ray meets the corner's circle: the greater root of |t·d − c|² = corner².
  const along = cx * cos + cy * sin;
  return along + Math.sqrt(Math.max(0, along * along - (cx * cx + cy * cy - corner * corner)));
}

function polygonRadius(points: readonly (readonly [number, number])[], cos: number, sin: number): number {
  let farthest = 0;
  points.forEach(([x1, y1], index) => {
    const [x2, y2] = points[(index + 1) % points.length] ?? [x1, y1];
    const off1 = x1 * sin - y1 * cos;
    const off2 = x2 * sin - y2 * cos;
    if (off1 > 0 === off2 > 0) return;
    const share = off1 / (off1 - off2);
    const along = (x1 + share * (x2 - x1)) * cos + (y1 + share * (y2 - y1)) * sin;
    farthest = Math.max(farthest, along);
  });
  return farthest;
}
