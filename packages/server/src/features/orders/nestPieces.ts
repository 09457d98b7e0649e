/** Lays the pieces of a car on sheets, those of one thickness on sheets of their own. */
import { type Nested, nest, type Sheet } from '@low-quarry/core/nesting';
import type { Template } from '@low-quarry/core/template';

export type PiecesToNest = { readonly templates: readonly Template[]; readonly sheet: Sheet };

/** Of one thickness, with the places of its pieces in what was given. */
export type SheetsOf = { readonly thicknessMm: number; readonly pieces: readonly number[]; readonly nested: Nested };

export function nestPieces({ templates, sheet }: PiecesToNest): readonly SheetsOf[] {
  const thicknesses = [...new Set(templates.map(({ thicknessMm }) => thicknessMm))].sort((a, b) => a - b);
  return thicknesses.map((thicknessMm) => {
    const pieces = templates.flatMap((template, at) => (template.thicknessMm === thicknessMm ? [at] : []));
    const shapes = pieces.map((at) => {
      const { outside, throat, holes } = templates[at] as Template;
      // A throat with a hole through its edge is no offcut that a piece comes out of.
      const isWhole = holes.every(
        ({ xMm, yMm, diameterMm }) =>
          Math.hypot(xMm - throat.xMm, yMm - throat.yMm) >
          Math.max(throat.halfLengthMm, throat.halfWidthMm) + diameterMm / 2,
      );
      const isCentred = Math.hypot(throat.xMm - outside.xMm, throat.yMm - outside.yMm) < CENTRED_MM;
      return { ...outside, throat: isWhole && isCentred && throat.angleRad === outside.angleRad ? throat : null };
    });
    return { thicknessMm, pieces, nested: nest(shapes, sheet) };
  });
}

const CENTRED_MM = 1e-3;
