/**
 * How far an outline stays inside another when both share centre and long axis.
 *
 * For convex shapes A ⊕ disc(d) lies in B exactly when h_A + d ≤ h_B in every direction (h is the support function),
 * so the clearance is min over θ of h_B(θ) − h_A(θ), negative when A does not pass. Comparing only the half axes would
 * be wrong for two ellipses of different slimness: the tight place is then between the axes. By the envelope theorem
 * the sensitivities are those of the support functions at the tight direction.
 *
 * @see Schneider, Convex Bodies: The Brunn–Minkowski Theory, section 1.7 (support functions), from memory
 */
export type OvalMm = { readonly lengthMm: number; readonly widthMm: number };

export type OutlineClearance = {
  /** Least distance from the inner outline to the outer one, mm; negative: how far it sticks out. */
  readonly clearanceMm: number;
  /** Direction of the tight place from the long axis, rad, 0 to π/2 (the other quadrants mirror it). */
  readonly directionRad: number;
  /** ∂clearance/∂length and ∂clearance/∂width of each outline. */
  readonly outer: OvalMm;
  readonly inner: OvalMm;
};

/** A quarter turn in steps of 3°, then refined: h_B − h_A has few turning points in a quarter. */
const STEPS = 30;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const DIRECTION_TOLERANCE_RAD = 1e-9;

/**
 * Least distance between the edge of `outer` and `inner`, both centred and aligned.
 *
 * @param outer full length and width of the hole, mm; equal for a circle
 * @param inner full length and width of the body, mm
 * @example outlineClearanceMm({ lengthMm: 150, widthMm: 150 }, { lengthMm: 142, widthMm: 142 }).clearanceMm // 4
 */
export function outlineClearanceMm(outer: OvalMm, inner: OvalMm): OutlineClearance {
  const gap = (angle: number) => supportMm(outer, angle) - supportMm(inner, angle);
  const directionRad = outer.lengthMm === outer.widthMm && inner.lengthMm === inner.widthMm ? 0 : leastAngle(gap);
  return {
    clearanceMm: gap(directionRad),
    directionRad,
    outer: supportSlope(outer, directionRad, 1),
    inner: supportSlope(inner, directionRad, -1),
  };
}

function supportMm({ lengthMm, widthMm }: OvalMm, angle: number): number {
  // Not Math.hypot: it guards against overflow that no speaker reaches, and took a large part of a ranking.
  const along = lengthMm * Math.cos(angle);
  const across = widthMm * Math.sin(angle);
  return Math.sqrt(along * along + across * across) / 2;
}

function supportSlope(oval: OvalMm, angle: number, sign: 1 | -1): OvalMm {
  const support = supportMm(oval, angle);
  return {
    lengthMm: (sign * oval.lengthMm * Math.cos(angle) ** 2) / (4 * support),
    widthMm: (sign * oval.widthMm * Math.sin(angle) ** 2) / (4 * support),
  };
}

function leastAngle(gap: (angle: number) => number): number {
  const step = Math.PI / 2 / STEPS;
  let best = 0;
  for (let index = 1; index <= STEPS; index++) {
    if (gap(index * step) < gap(best)) best = index * step;
  }
  let low = Math.max(0, best - step);
  let high = Math.min(Math.PI / 2, best + step);
  while (high - low > DIRECTION_TOLERANCE_RAD) {
    const left = high - GOLDEN * (high - low);
    const right = low + GOLDEN * (high - low);
    if (gap(left) <= gap(right)) high = right;
    else low = left;
  }
  const inside = (low + high) / 2;
  return gap(inside) < gap(best) ? inside : best;
}
