/**
 * A plate of one's own, cut from the shop's sheet to the car's screw holes and the speaker's, for when no bracket mates both:
 * its throat lets the body through with the room that a hole asks, the speaker is turned on it so that the least wall between two
 * holes, or a hole and the throat, is as wide as it can be, and its outside covers the hole and leaves the same wall. It is
 * judged like any bracket.
 */
import {
  type BoltPattern,
  type EllipseMm,
  ellipseDistance,
  extents,
  type HoleMm,
  halfExtentsMm,
  mapPattern,
  type OutlineMm,
  outlineMm,
  type PartOutline,
  patternHoles,
  spanOf,
} from '../../geometry';
import { ROUNDING_MM } from '../../math';
import { exactly, rectangular } from '../../uncertainty';
import type { FitBracket, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { PlateFigures } from './Work';

/** A drill for a screw is so much wider than it, mm (common practice, no source). */
export const DRILL_PLAY_MM = 1;
/** So many ways of turning the speaker are looked at, and so many of the best are judged. */
const TURNS = 72;
const MOST_JUDGED = 4;
/** Ways of turning that leave the same wall are one, mm. */
const SAME_WALL_MM = 0.05;

/** @returns plates that can be cut, thinnest first and with the widest walls first; none where the screws stand in the throat */
export function ownPlates(opening: FitOpening, speaker: FitSpeaker, rules: FitRules): readonly PlateFigures[] {
  const hole = outlineMm(opening.hole);
  const { bolts } = opening;
  if (!bolts || !hole) return [];
  const vehicle = vehicleSide(bolts);
  const screws = patternHoles(vehicle);
  const throat = throatFor(speaker.basket, rules);
  const layouts = turnsOf(opening).flatMap((turnRad) => {
    const layout = { turnRad, speakerSide: speakerSide(speaker, turnRad) };
    const wallMm = leastWallMm(screws, vehicle.holeDiameterMm, layout, throat);
    return wallMm >= rules.clearancesMm.wall ? [{ ...layout, wallMm }] : [];
  });
  const best = layouts
    .sort((a, b) => b.wallMm - a.wallMm)
    .filter(({ wallMm }, at, all) => at === 0 || (all[at - 1]?.wallMm ?? 0) - wallMm > SAME_WALL_MM)
    .slice(0, MOST_JUDGED);
  const { length, width } = extents(throat);
  return [...rules.stock]
    .sort((a, b) => a.thicknessMm - b.thicknessMm)
    .flatMap(({ thicknessMm }) =>
      best.flatMap(({ turnRad, speakerSide }): readonly PlateFigures[] => {
        const isSunk = isUnderFlange(screws, vehicle.holeDiameterMm, speaker.flange, turnRad);
        // A head is sunk into as much as its screw is thick.
        if (isSunk && thicknessMm < bolts.holeDiameterMm) return [];
        const others = patternHoles(speakerSide);
        const outsideMm = outsideFor(hole, [...screws, ...others], vehicle.holeDiameterMm, throat, rules);
        return [
          {
            thicknessMm,
            throatMm: { length: length.valueMm, width: width.valueMm },
            outsideMm,
            turnRad,
            isSunk,
            vehicleHoles: screws.length,
            speakerHoles: others.length,
          },
        ];
      }),
    );
}

/**
 * A plate in its figures as a bracket; its holes are marked off the car and the speaker.
 *
 * @returns null where its sheet is not in stock, nobody has measured the car's screws, or a wall would be thinner than the shop asks
 */
export function plateFrom(
  { bolts }: Pick<FitOpening, 'bolts'>,
  speaker: FitSpeaker,
  { thicknessMm, throatMm, outsideMm, turnRad }: PlateFigures,
  { stock, clearancesMm }: Pick<FitRules, 'stock' | 'clearancesMm'>,
): FitBracket | null {
  const sheet = stock.find((each) => each.thicknessMm === thicknessMm);
  if (!sheet || !bolts) return null;
  const vehicle = vehicleSide(bolts);
  const layout = { turnRad, speakerSide: speakerSide(speaker, turnRad) };
  const throat: PartOutline =
    speaker.basket.kind === 'circle'
      ? { kind: 'circle', diameter: exactly(throatMm.length) }
      : { kind: 'oval', length: exactly(throatMm.length), width: exactly(throatMm.width) };
  const wallMm = leastWallMm(patternHoles(vehicle), vehicle.holeDiameterMm, layout, throat);
  if (wallMm < clearancesMm.wall - ROUNDING_MM) return null;
  return {
    kind: 'bracket',
    id: `plate-${thicknessMm}`,
    name: `plate cut from ${thicknessMm} mm sheet`,
    vehicleBolts: vehicle,
    speakerBolts: layout.speakerSide,
    throat,
    plate: { kind: 'circle', diameter: exactly(outsideMm) },
    height: rectangular(thicknessMm, sheet.halfWidthMm, 'catalogue'),
    offsetXMm: 0,
    offsetYMm: 0,
    notchRad: null,
    earMm: thicknessMm,
    bossMm: thicknessMm,
    copies: [],
    thicknessDoubt: exactly(0),
    screws: [],
    screwDoubt: exactly(0),
    pieceCostMinor: sheet.ringCostMinor,
  };
}

function vehicleSide(bolts: BoltPattern): BoltPattern {
  return cutTo(bolts, bolts.holeDiameterMm + DRILL_PLAY_MM);
}

function speakerSide(speaker: FitSpeaker, turnRad: number): BoltPattern {
  return turnedPattern(cutTo(speaker.bolts, screwOf(speaker)), turnRad);
}

type Layout = { readonly turnRad: number; readonly speakerSide: BoltPattern };

/** Drilled to the figures: what was measured is where its holes are. */
function cutTo(pattern: BoltPattern, holeDiameterMm: number): BoltPattern {
  const plain = mapPattern(pattern, (_, { valueMm }) => exactly(valueMm));
  return { ...plain, holeDiameterMm, slotMm: 0 };
}

function screwOf({ bolts }: FitSpeaker): number {
  return Math.max(2, bolts.holeDiameterMm - DRILL_PLAY_MM);
}

/** Evenly round, and along the hole. */
function turnsOf({ holeRad }: FitOpening): readonly number[] {
  const even = Array.from({ length: TURNS }, (_, at) => (2 * Math.PI * at) / TURNS);
  return holeRad === 0 ? even : [...even, holeRad, holeRad + Math.PI];
}

function turnedPattern(pattern: BoltPattern, turnRad: number): BoltPattern {
  const { shape } = pattern;
  switch (shape.kind) {
    case 'circle':
      return { ...pattern, shape: { ...shape, firstAngleRad: shape.firstAngleRad + turnRad } };
    case 'rectangle':
      return { ...pattern, shape: { ...shape, turnRad: (shape.turnRad ?? 0) + turnRad } };
    case 'free': {
      const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
      const holes = shape.holes.map((hole) => ({
        ...hole,
        xMm: hole.xMm * cos - hole.yMm * sin,
        yMm: hole.xMm * sin + hole.yMm * cos,
        slotRad: hole.slotRad + turnRad,
      }));
      return { ...pattern, shape: { ...shape, holes } };
    }
  }
}

/** A hole that lets a body through with the room that the shop asks. */
export function throatFor(basket: PartOutline, { clearancesMm }: FitRules): PartOutline {
  const wider = (mm: number) => exactly(mm + 2 * clearancesMm.hole);
  return basket.kind === 'circle'
    ? { kind: 'circle', diameter: wider(basket.diameter.valueMm) }
    : { kind: 'oval', length: wider(basket.length.valueMm), width: wider(basket.width.valueMm) };
}

function ellipseOf(outline: PartOutline, turnRad: number): EllipseMm {
  const { length, width } = extents(outline);
  return { xMm: 0, yMm: 0, halfLengthMm: length.valueMm / 2, halfWidthMm: width.valueMm / 2, angleRad: turnRad };
}

/** Between two holes, and between a hole and the throat, mm. */
function leastWallMm(
  screws: readonly HoleMm[],
  screwMm: number,
  { turnRad, speakerSide }: Layout,
  throat: PartOutline,
): number {
  const edge = ellipseOf(throat, turnRad);
  const others = patternHoles(speakerSide);
  const otherMm = speakerSide.holeDiameterMm;
  const toThroat = (diameterMm: number) => (hole: HoleMm) =>
    ellipseDistance(edge, hole.xMm, hole.yMm).distanceMm - diameterMm / 2;
  const between = screws.flatMap((a) =>
    others.map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) - (screwMm + otherMm) / 2),
  );
  return Math.min(...screws.map(toThroat(screwMm)), ...others.map(toThroat(otherMm)), ...between);
}

/** A round outside that covers the hole and leaves a wall beside everything. */
function outsideFor(
  hole: OutlineMm,
  holes: readonly HoleMm[],
  widestMm: number,
  throat: PartOutline,
  { clearancesMm }: FitRules,
): number {
  const { length, width } = extents(throat);
  const farthest = Math.max(...holes.map(({ xMm, yMm }) => Math.hypot(xMm, yMm)));
  const least = Math.max(
    2 * (farthestEdgeMm(hole) + clearancesMm.cover),
    2 * farthest + widestMm + 2 * clearancesMm.wall,
    Math.max(length.valueMm, width.valueMm) + 2 * clearancesMm.wall,
  );
  return Math.ceil(least + ROOM_FOR_DOUBT_MM);
}

/** From the middle of a hole to its farthest edge, mm. */
export function farthestEdgeMm(hole: OutlineMm): number {
  const half = halfExtentsMm(hole);
  return (spanOf(hole)?.longestMm ?? 2 * Math.hypot(half.x, half.y)) / 2;
}

/** What covers by a hair covers for nobody sure, mm. */
export const ROOM_FOR_DOUBT_MM = 2;

function isUnderFlange(screws: readonly HoleMm[], screwMm: number, flange: PartOutline, turnRad: number): boolean {
  // A head is about twice as wide as its screw (common practice, no source).
  return screws.some(({ xMm, yMm }) => ellipseDistance(ellipseOf(flange, turnRad), xMm, yMm).distanceMm < screwMm);
}
