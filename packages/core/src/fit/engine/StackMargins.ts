/**
 * The margins of one stack in numbers: the same geometry and the same propagation as the checks, without an object for
 * each term. What it cannot do in numbers (terminals that stick out, boxes behind the door) it leaves to the checks.
 */
import { newGap } from '../../geometry/Gap';
import { sheetGap } from '../../geometry/glassSheet';
import { outlineLengths } from '../../geometry/Outline';
import { PlacedBody } from '../../geometry/PlacedBody';
import { type Rod, rodGap } from '../../geometry/rodGap';
import type { Dimension } from '../../uncertainty/Dimension';
import { behindClearanceMm } from '../checks/depthCheck';
import { obstacleClearanceMm, obstacleRod } from '../checks/obstaclesCheck';
import type { FitObstacle, FitOpening, FitRules } from '../shapes';
import { type FittedSheet, sheetFit } from '../sheetFit';
import { type CatalogueIndex, DOUBTS, lengthsVariance, RING_DOUBTS, STEEP_SHEET } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { Expansion } from './Expansion';
import { HoleMargins } from './HoleMargins';
import { clearMargin, keepWorse, type MarginMm, setMargin } from './MarginMm';
import type { OpeningFacts } from './OpeningFacts';
import type { Raise } from './Raise';
import { CHECK_AT, CHECKS } from './Scratch';
import { mostAround, SheetDoubts, type SheetTerm } from './SheetDoubts';
import { BOUND_ROOM_MM, FARTHEST_GAP_MM, SheetEnds } from './SheetEnds';

type RodPlace = {
  readonly rod: Rod;
  readonly askedMm: number;
  readonly depth: Dimension;
  readonly place: Dimension;
  /** The direction that parted the last body from it: across the axis, so always a bound. */
  readonly last: [number, number, number];
};

/** Two figures between which a margin lies. */
export type BoundsMm = { lowerMm: number; upperMm: number };

/** What the front leaves to a speaker before any stack, with the limits of its interval. */
export type FrontBounds = { leftMm: number; surestMm: number; widestMm: number };

export class StackMargins {
  readonly hole: HoleMargins;
  private readonly expansion: Expansion;
  private readonly body = new PlacedBody();
  private readonly gap = newGap();
  /** Bounds along the axis for the last body and pose that was asked. */
  private readonly flat = {
    speaker: -1,
    x: 0,
    y: 0,
    cos: 1,
    sin: 0,
    isRound: false,
    by: 1,
    lowerMm: 0,
    upperMm: 0,
    underMm: 0,
  };
  private ringVariance = 0;
  private ringFourth = 0;
  private sheet: FittedSheet | null = null;
  private sheetTerms: readonly SheetTerm[] = [];
  private readonly doubts = new SheetDoubts();
  private readonly ends: SheetEnds;
  private rods: readonly RodPlace[] = [];
  private opening: FitOpening | null = null;
  /** Clearance that what stands behind asks for, mm. */
  behindAskedMm = 0;
  /** Front gap less its clearance, with its variance and what that adds to the Welch–Satterthwaite sum. */
  private frontLeftMm = 0;
  private frontPart = 0;
  private frontFourth = 0;
  private frontRectangular = 0;
  /** For `widestMm`: what the opening's own dimensions add at the most, by check, and the least degrees of freedom. */
  private readonly openingVariance = new Float64Array(CHECKS);
  private leastFreedom: number | null = null;
  frontKnown = false;
  /** Of each kind of doubt about a speaker's front, the narrowest and the widest interval, mm; NaN until asked. */
  private readonly surestFrontMm: Float64Array;
  private readonly widestFrontMm: Float64Array;
  /** Whether obstacles or the recess need the checks themselves. */
  needsChecks = false;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly facts: Pick<OpeningFacts, 'mostRaisedVariance' | 'offsetMm'>,
  ) {
    this.expansion = new Expansion(rules.confidence);
    this.hole = new HoleMargins(index, rules, this.expansion);
    this.ends = new SheetEnds(index);
    this.surestFrontMm = new Float64Array(index.frontDoubts);
    this.widestFrontMm = new Float64Array(index.frontDoubts);
  }

  setOpening(opening: FitOpening): void {
    this.opening = opening;
    this.hole.setOpening(opening);
    this.sheet = sheetFit(opening);
    this.flat.speaker = -1;
    this.sheetTerms = this.sheet ? sheetTermsOf(this.sheet) : [];
    this.doubts.setTerms(this.sheetTerms);
    this.behindAskedMm = behindClearanceMm(opening.behind, this.rules);
    const { frontGap } = opening;
    this.frontKnown = frontGap !== null;
    this.frontLeftMm = (frontGap?.valueMm ?? 0) - this.rules.clearancesMm.front;
    this.frontPart = (frontGap?.uncertaintyMm ?? 0) ** 2;
    const freedom = frontGap?.degreesOfFreedom ?? null;
    this.frontFourth = freedom === null ? 0 : this.frontPart ** 2 / freedom;
    this.frontRectangular = frontGap?.isRectangular ? this.frontPart ** 2 : 0;
    this.surestFrontMm.fill(Number.NaN);
    this.needsChecks = opening.recess !== null || opening.obstacles.some(({ shape }) => shape.kind === 'box');
    const before = this.rods;
    this.rods = this.needsChecks ? [] : opening.obstacles.map((obstacle, at) => this.placeRod(obstacle, before[at]));
    this.noteWidest(opening);
  }

  get sheetKnown(): boolean {
    return this.sheet !== null;
  }

  /** Whether there is a length to ask of a dear check at all. */
  isAsked(check: number): boolean {
    if (check === CHECK_AT.hole) return this.hole.isKnown;
    return check === CHECK_AT.depth ? this.sheetKnown : this.hasRods;
  }

  get hasRods(): boolean {
    return this.rods.length > 0;
  }

  /** Front gap less stack, flange and front height. */
  front(out: MarginMm, speaker: number, raise: Raise): void {
    const value = this.frontLeftMm - raise.mm - this.index.row.frontMm(speaker);
    const variance = this.frontPart + raise.variance + (this.index.frontVariance[speaker] as number);
    const rectangular = this.frontRectangular + raise.fourth + (this.index.frontFourth[speaker] as number);
    setMargin(out, value, this.expansion.expand(variance, this.frontFourth, rectangular));
  }

  /** Body to the sheet behind. */
  depth(out: MarginMm, speaker: number, mount: ClassMount, raise: Raise): void {
    const { sheet: fitted, gap } = this;
    if (!fitted) throw new Error('StackMargins.depth: expected a measured sheet');
    this.placeBody(mount, raise);
    this.showRings(speaker);
    const atEdge = sheetGap(gap, this.body, fitted.sheet);
    const x = gap.reach.x + gap.gapMm * gap.nx;
    const y = gap.reach.y + gap.gapMm * gap.ny;
    const yy = y * y;
    let variance = 0;
    let fourth = 0;
    const square = gap.nz * gap.nz;
    let rectangular = square * square * raise.fourth;
    for (const { k0, k1, k2, k3, uncertaintyMm, degreesOfFreedom, isRectangular } of this.sheetTerms) {
      const part = (gap.nz * (k0 + k1 * x + k2 * y + k3 * yy) * uncertaintyMm) ** 2;
      variance += part;
      if (isRectangular) rectangular += part * part;
      if (degreesOfFreedom !== null) fourth += (part * part) / degreesOfFreedom;
    }
    const edge = this.opening?.lowerEdge;
    if (atEdge && edge) {
      const { c2, c3 } = fitted.sheet;
      const slope = gap.ny + gap.nz * (c2 + 2 * c3 * edge.valueMm);
      const part = (slope * edge.uncertaintyMm) ** 2;
      variance += part;
      if (edge.isRectangular) rectangular += part * part;
      if (edge.degreesOfFreedom !== null) fourth += (part * part) / edge.degreesOfFreedom;
    }
    this.addRing(speaker);
    variance += gap.nz * gap.nz * raise.variance + this.ringVariance;
    setMargin(
      out,
      gap.gapMm - this.behindAskedMm,
      this.expansion.expand(variance, fourth, rectangular + this.ringFourth),
    );
  }

  /** Body to the rods: the worst of them. */
  obstacles(out: MarginMm, speaker: number, mount: ClassMount, raise: Raise): void {
    const { gap } = this;
    this.placeBody(mount, raise);
    this.showRings(speaker);
    clearMargin(out);
    for (const { rod, askedMm, depth, place, last } of this.rods) {
      rodGap(gap, this.body, rod);
      last[0] = gap.nx;
      last[1] = gap.ny;
      last[2] = gap.nz;
      const depthPart = (gap.nz * depth.uncertaintyMm) ** 2;
      const placePart = (gap.nx * gap.nx + gap.ny * gap.ny) * place.uncertaintyMm ** 2;
      let fourth = 0;
      if (depth.degreesOfFreedom !== null) fourth += (depthPart * depthPart) / depth.degreesOfFreedom;
      if (place.degreesOfFreedom !== null) fourth += (placePart * placePart) / place.degreesOfFreedom;
      this.addRing(speaker);
      const variance = depthPart + placePart + gap.nz * gap.nz * raise.variance + this.ringVariance;
      const square = gap.nz * gap.nz;
      let rectangular = square * square * raise.fourth + this.ringFourth;
      if (depth.isRectangular) rectangular += depthPart * depthPart;
      if (place.isRectangular) rectangular += placePart * placePart;
      keepWorse(out, gap.gapMm - askedMm, this.expansion.expand(variance, fourth, rectangular));
    }
  }

  /** Two figures between which the depth margin of a stack lies, for little. */
  depthBounds(out: BoundsMm, speaker: number, mount: ClassMount, raise: Pick<Raise, 'mm'>): void {
    const { flat } = this;
    this.placeFlat(speaker, mount);
    const lower = flat.lowerMm + raise.mm;
    out.lowerMm = (lower >= 0 ? lower * flat.by : lower) - this.behindAskedMm;
    out.upperMm = this.depthUpperMm(raise.mm);
  }

  /** The upper one for the body and pose that were asked last. */
  depthUpperMm(raisedMm: number): number {
    const { flat } = this;
    const upper = flat.upperMm + raisedMm;
    // What is behind the sheet comes out the near way, or under the edge.
    return (upper >= 0 ? upper : Math.max(upper * flat.by, flat.underMm)) - this.behindAskedMm;
  }

  /** How high a body must stand on a chain with the axis of this one for its depth margin not to be surely below a figure, mm. */
  heightForDepthMm(speaker: number, mount: ClassMount, marginMm: number): number {
    const { flat } = this;
    this.placeFlat(speaker, mount);
    const gapMm = marginMm + this.behindAskedMm;
    if (gapMm < 0 && flat.underMm >= gapMm) return Number.NEGATIVE_INFINITY;
    return (gapMm >= 0 ? gapMm : gapMm / flat.by) - flat.upperMm;
  }

  /**
   * Along the axis, the least that a body on the metal can be off the sheet and the most that it can be. From below: the
   * sheet's least depth over the circle around each ring; a lower edge only takes glass away. From above: how far one point
   * of each ring, the one uphill of the sheet, lies from the place of the sheet straight behind it. A raised body is as
   * much farther off, and all chains with the same axis share these.
   */
  private placeFlat(speaker: number, { pose, cos, sin }: ClassMount): void {
    const { sheet, flat } = this;
    const { xMm, yMm } = pose;
    const isTurned = flat.cos !== cos || flat.sin !== sin;
    if (flat.speaker === speaker && flat.x === xMm && flat.y === yMm && !(isTurned && !flat.isRound)) return;
    if (!sheet) throw new Error('StackMargins.depthBounds: expected a measured sheet');
    const { c0, c1, c2, c3, lowerEdgeMm } = sheet.sheet;
    const { allRings: rings, row } = this.index;
    const lean = Math.sqrt(c1 * c1 + c2 * c2);
    const level = c0 + c1 * xMm + c2 * yMm;
    const reach = Math.abs(yMm) + this.index.row.bodyReachMm(speaker);
    const steepest = Math.abs(c2) + 2 * Math.abs(c3) * (reach + BOUND_ROOM_MM);
    // Uphill, along and across the body.
    const x = lean > 0 ? -c1 / lean : 0;
    const y = lean > 0 ? -c2 / lean : 1;
    const along = x * cos + y * sin;
    const across = y * cos - x * sin;
    let lower = Number.POSITIVE_INFINITY;
    let upper = Number.POSITIVE_INFINITY;
    let under = Number.NEGATIVE_INFINITY;
    // On a sheet of usual steepness the rings before the ends take no part.
    const from = Math.abs(c1) + steepest <= STEEP_SHEET ? row.firstEndRing(speaker) : row.firstRing(speaker);
    const end = row.endRing(speaker) * 3;
    for (let at = from * 3; at < end; at += 3) {
      const a = rings[at + 1] as number;
      const b = rings[at + 2] as number;
      const radius = Math.max(a, b);
      const high = Math.abs(yMm) + radius;
      const depth = level - (rings[at] as number);
      lower = Math.min(lower, depth - lean * radius + (c3 < 0 ? c3 * high * high : 0));
      const px = along * a * cos - across * b * sin;
      const py = along * a * sin + across * b * cos;
      const height = yMm + py;
      if (lowerEdgeMm !== null) {
        if (height < lowerEdgeMm) continue;
        under = Math.max(under, lowerEdgeMm - height);
      }
      upper = Math.min(upper, depth + c1 * px + c2 * py + c3 * height * height);
    }
    flat.speaker = speaker;
    flat.x = xMm;
    flat.y = yMm;
    flat.cos = cos;
    flat.sin = sin;
    flat.isRound = this.index.row.isAllRound(speaker);
    flat.by = 1 / Math.sqrt(1 + c1 * c1 + steepest * steepest);
    flat.lowerMm = lower;
    flat.upperMm = upper;
    flat.underMm = under;
  }

  /**
   * The same for the margin to the rods: the separation in the direction that parted the last body from each, and the
   * distance of the point that reaches farthest there.
   */
  obstaclesBounds(out: BoundsMm, speaker: number, mount: ClassMount, raise: Pick<Raise, 'mm'>): void {
    const { body, gap, index } = this;
    const { reach } = gap;
    this.placeBody(mount, raise);
    body.rings = index.allRings;
    const first = index.row.firstRing(speaker);
    const end = index.row.endRing(speaker) - 1;
    out.lowerMm = Number.POSITIVE_INFINITY;
    out.upperMm = Number.POSITIVE_INFINITY;
    for (const { rod, askedMm, last } of this.rods) {
      const { at, direction, radiusMm } = rod;
      body.reach(reach, first, end, last[0], last[1], last[2]);
      const q = at[0] * last[0] + at[1] * last[1] + at[2] * last[2];
      out.lowerMm = Math.min(out.lowerMm, q - reach.valueMm - radiusMm - askedMm);
      const [x, y, z] = [reach.x - at[0], reach.y - at[1], reach.z - at[2]];
      const along = x * direction[0] + y * direction[1] + z * direction[2];
      const off = Math.sqrt(Math.max(0, x * x + y * y + z * z - along * along));
      out.upperMm = Math.min(out.upperMm, off - radiusMm - askedMm);
    }
  }

  /**
   * The widest interval that a check of a speaker can have, mm: every sensitivity at its greatest.
   *
   * @param isShort whether only margins are asked that are not above 0: what is nearest then lies close behind the body;
   *   and of holes only those that the body passes with the width that it has at the flange
   */
  widestMm(check: number, speaker: number, isShort: boolean): number {
    const { index, expansion, leastFreedom } = this;
    const { mostRaisedVariance } = this.facts;
    if (check === CHECK_AT.hole) {
      const plate = Math.max(index.plateVariance, this.openingVariance[check] as number);
      const width = index.row.mostWidthVariance(speaker);
      if (isShort) return expansion.widest(plate + width, leastFreedom);
      const steep = index.bodySteep[speaker] as number;
      const aslant = (index.aslantVariance[speaker] as number) + steep * steep * mostRaisedVariance;
      return expansion.widest(plate + Math.max(width, aslant), leastFreedom);
    }
    if (check === CHECK_AT.depth)
      return this.widestDepthMm(speaker, isShort ? Math.max(0, this.behindAskedMm) : FARTHEST_GAP_MM);
    const variance = (this.openingVariance[check] as number) + index.row.mostGapVariance(speaker);
    return expansion.widest(variance + mostRaisedVariance, leastFreedom);
  }

  /** The widest interval of a depth margin whose gap is no wider than this, mm; the clearance is part of the gap. */
  widestDepthMm(speaker: number, gapMm: number): number {
    return this.expansion.widest(this.sheetVariance(speaker, gapMm) + this.facts.mostRaisedVariance, this.leastFreedom);
  }

  /** Front margins of a speaker are never surer, and never less sure, than these. */
  frontBounds(out: FrontBounds, speaker: number): void {
    const { index, surestFrontMm, widestFrontMm } = this;
    const doubt = index.row.frontDoubt(speaker);
    out.leftMm = this.frontLeftMm - index.row.frontMm(speaker);
    // Most catalogues round all their lengths alike: what is the same for thousands is worked out once.
    if (Number.isNaN(surestFrontMm[doubt] as number)) {
      surestFrontMm[doubt] = this.frontIntervalMm(speaker, false);
      widestFrontMm[doubt] = this.frontIntervalMm(speaker, true);
    }
    out.surestMm = surestFrontMm[doubt] as number;
    out.widestMm = widestFrontMm[doubt] as number;
  }

  /** The widest, or else the narrowest, interval of a speaker's front margins, mm. */
  frontIntervalMm(speaker: number, isWidest: boolean): number {
    const variance = this.frontPart + (this.index.frontVariance[speaker] as number);
    if (isWidest) return this.expansion.expand(variance + this.facts.mostRaisedVariance, this.frontFourth, 0);
    const rectangular = this.frontRectangular + (this.index.frontFourth[speaker] as number);
    return this.expansion.expand(variance, this.frontFourth, rectangular);
  }

  /** The most that the sheet's own dimensions and a body's can add where they come no farther apart than this gap, mm². */
  private sheetVariance(speaker: number, gapMm: number): number {
    const { index, sheet, ends, doubts } = this;
    if (!sheet) return 0;
    const { c1, c2, c3 } = sheet.sheet;
    const { row } = index;
    const offset = this.facts.offsetMm[index.speakerClass[speaker] as number] as number;
    const reach = row.bodyReachMm(speaker) + offset;
    const steepest = Math.abs(c1) + Math.abs(c2) + 2 * Math.abs(c3) * (reach + BOUND_ROOM_MM);
    let high = reach + steepest * gapMm;
    let low = -high;
    let aside = high;
    let lengths = this.openingVariance[CHECK_AT.depth] as number;
    let body = row.mostGapVariance(speaker);
    if (ends.place(speaker, offset, sheet.sheet, gapMm)) {
      low = ends.lowMm;
      high = ends.highMm;
      aside = ends.asideMm;
      lengths = 0;
      body = row.endGapVariance(speaker);
    }
    const spread = doubts.most(low, high, aside);
    const known = Number.isFinite(spread) ? spread : mostAround(this.sheetTerms, Math.max(-low, high, aside));
    return lengths + body + known;
  }

  private placeRod(obstacle: FitObstacle, before: RodPlace | undefined): RodPlace {
    const rod = obstacleRod(obstacle);
    const { direction } = before?.rod ?? {};
    const isAlike = direction?.every((each, axis) => each === rod.direction[axis]) ?? false;
    return {
      rod,
      askedMm: obstacleClearanceMm(obstacle, this.rules),
      depth: obstacle.depth,
      place: obstacle.place,
      last: before && isAlike ? before.last : [...rod.across[0]],
    };
  }

  private noteWidest({ hole, lowerEdge, obstacles }: FitOpening): void {
    const lengths = outlineLengths(hole).flatMap(([, length]) => (length ? [length] : []));
    const { c1 = 0, c2 = 0, c3 = 0 } = this.sheet?.sheet ?? {};
    const slope = Math.abs(c1) + Math.abs(c2) + 2 * Math.abs(c3) * (this.index.farthestMm + BOUND_ROOM_MM);
    const { openingVariance } = this;
    openingVariance[CHECK_AT.hole] = lengthsVariance(hole);
    openingVariance[CHECK_AT.depth] = ((1 + slope) * (lowerEdge?.uncertaintyMm ?? 0)) ** 2;
    openingVariance[CHECK_AT.obstacles] = obstacles.reduce(
      // Depth counts along the axis and place across it: together no more than the greater of the two.
      (most, { depth, place }) => Math.max(most, depth.uncertaintyMm ** 2, place.uncertaintyMm ** 2),
      0,
    );
    const all = [
      ...lengths,
      ...this.sheetTerms,
      ...(lowerEdge ? [lowerEdge] : []),
      ...obstacles.flatMap(({ depth, place }) => [depth, place]),
    ];
    const freedoms = all.flatMap(({ degreesOfFreedom }) => (degreesOfFreedom === null ? [] : [degreesOfFreedom]));
    this.leastFreedom = freedoms.length > 0 ? Math.min(...freedoms) : null;
  }

  private placeBody({ pose, cos, sin }: ClassMount, raise: Pick<Raise, 'mm'>): void {
    const { body } = this;
    body.x = pose.xMm;
    body.y = pose.yMm;
    body.raised = raise.mm;
    body.cos = cos;
    body.sin = sin;
  }

  private showRings(speaker: number): void {
    this.body.rings = this.index.rings[speaker] as Float64Array;
    this.body.pieces = this.index.pieces[speaker] as Int32Array;
  }

  /** What the nearest ring of the last gap adds: variance, and the sum of the squares of its parts. */
  private addRing(speaker: number): void {
    const { reach, nz } = this.gap;
    const rows = this.index.ringDoubts;
    const base = ((this.index.firstRing[speaker] as number) + reach.ring) * RING_DOUBTS;
    let variance = 0;
    let fourth = 0;
    const columns = this.index.doubtColumns[speaker] as Int32Array;
    for (let column = 0; column < columns.length; column++) {
      const at = columns[column] as number;
      const doubt =
        nz * (rows[base + at] as number) +
        reach.alongRatio * (rows[base + DOUBTS + at] as number) +
        reach.acrossRatio * (rows[base + 2 * DOUBTS + at] as number);
      const part = doubt * doubt;
      variance += part;
      fourth += part * part;
    }
    this.ringVariance = variance;
    this.ringFourth = fourth;
  }
}

function sheetTermsOf({ coefficients }: FittedSheet): readonly SheetTerm[] {
  const [first] = coefficients;
  return first.terms.map(({ name, dimension }) => {
    const of = (column: 0 | 1 | 2 | 3) =>
      coefficients[column].terms.find((term) => term.name === name)?.sensitivity ?? 0;
    const { uncertaintyMm, degreesOfFreedom, isRectangular = false } = dimension;
    return { uncertaintyMm, degreesOfFreedom, isRectangular, k0: of(0), k1: of(1), k2: of(2), k3: of(3) };
  });
}
