/** Lays the pieces of a car on sheets, those of one thickness on sheets of their own. */
import { type Nested, type NestPiece, nest, type Sheet } from '@low-quarry/core/nesting';
import type { Edge, Template } from '@low-quarry/core/template';

export type PiecesToNest = { readonly templates: readonly Template[]; readonly sheet: Sheet };

/** Of one thickness, with the places of its pieces in what was given. */
export type SheetsOf = { readonly thicknessMm: number; readonly pieces: readonly number[]; readonly nested: Nested };

export function nestPieces({ templates, sheet }: PiecesToNest): readonly SheetsOf[] {
  const thicknesses = [...new Set(templates.map(({ thicknessMm }) => thicknessMm))].sort((a, b) => a - b);
  return thicknesses.map((thicknessMm) => {
    const pieces = templates.flatMap((template, at) => (template.thicknessMm === thicknessMm ? [at] : []));
    const shapes = pieces.map((at) => {
      const { outside, throat, holes } = templates[at] as Template;
      if (outside.corners || throat.corners) return withCorners(outside, throat);
      // A throat with a hole through its edge is no offcut that a piece comes out of.
      const isWhole = holes.every(
        ({ xMm, yMm, diameterMm }) =>
          Math.hypot(xMm - throat.xMm, yMm - throat.yMm) >
          Math.max(throat.halfLengthMm, throat.halfWidthMm) + diameterMm / 2,
      );
      const isCentred = Math.hypot(throat.xMm - outside.xMm, throat.yMm - outside.yMm) < CENTRED_MM;
      const { halfLengthMm, halfWidthMm } = outside;
      return {
        halfLengthMm,
        halfWidthMm,
        throat: isWhole && isCentred && throat.angleRad === outside.angleRad ? throat : null,
      };
    });
    return { thicknessMm, pieces, nested: nest(shapes, sheet) };
  });
}

const CENTRED_MM = 1e-3;

/** What is no ellipse is laid by its own corners; nothing comes out of its throat. */
function withCorners(outside: Edge, throat: Edge): NestPiece {
  const { xMm, yMm, halfLengthMm, halfWidthMm, corners = [] } = outside;
  return {
    ...{ halfLengthMm, halfWidthMm, throat: null, netMm2: areaMm2(outside) - areaMm2(throat) },
    corners: corners.map((at) => ({ xMm: at.xMm - xMm, yMm: at.yMm - yMm })),
  };
}

function areaMm2({ halfLengthMm, halfWidthMm, corners }: Edge): number {
  if (!corners) return Math.PI * halfLengthMm * halfWidthMm;
  const twice = corners.reduce((sum, a, at) => {
    const b = corners[(at + 1) % corners.length] as typeof a;
    return sum + a.xMm * b.yMm - b.xMm * a.yMm;
  }, 0);
  return Math.abs(twice) / 2;
}
