/** Rings that are cut from sheet for an opening. */
import { exactly, rectangular } from '../../uncertainty';
import type { FitRules, FitSpacer } from '../shapes';

const RING_ID = /^ring-(\d+(?:\.\d+)?)$/;

/** The thickness of sheet, mm, that the id of a ring made from it names; null for the id of anything else. */
export function ringThicknessMm(id: string): number | null {
  const found = RING_ID.exec(id);
  return found ? Number(found[1]) : null;
}

/** A ring of any height that fits whatever it stands between: for a what-if, and for a ring cut to measure. */
export function ringOf(heightMm: number, like: Partial<FitSpacer> = {}): FitSpacer {
  return {
    kind: 'spacer',
    id: `ring-${heightMm}`,
    name: `Ring ${heightMm} mm`,
    inner: { kind: 'circle', diameter: exactly(0) },
    outer: { kind: 'circle', diameter: exactly(0) },
    height: exactly(heightMm),
    made: true,
    pieceCostMinor: 0,
    ...like,
  };
}

const known = new WeakMap<FitRules, readonly FitSpacer[]>();

/** Rings that can be cut from the shop's sheet, thinnest first. */
export function madeRings(rules: FitRules): readonly FitSpacer[] {
  let rings = known.get(rules);
  if (!rings) {
    rings = [...rules.stock]
      .sort((a, b) => a.thicknessMm - b.thicknessMm)
      .map(({ thicknessMm, halfWidthMm, ringCostMinor }) =>
        ringOf(thicknessMm, {
          name: `ring cut from ${thicknessMm} mm sheet`,
          height: rectangular(thicknessMm, halfWidthMm, 'catalogue'),
          pieceCostMinor: ringCostMinor,
        }),
      );
    known.set(rules, rings);
  }
  return rings;
}
