/**
 * The margin of the hole in numbers: everything that must enter passes the vehicle's hole, the ring of a bought spacer and
 * the throats of the brackets, each judged where its plate lies along the body.
 */
import { type OutlineMm, outlineLengths, outlineMm, type PartOutline } from '../../geometry/Outline';
import { type OutlineRoom, outlineRoom } from '../../geometry/outlineRoom';
import type { Pose } from '../../geometry/PlacedBody';
import type { Dimension } from '../../uncertainty/Dimension';
import { measured } from '../checks/holeCheck';
import type { FitBracket, FitOpening, FitRules, FitSpacer } from '../shapes';
import { type CatalogueIndex, DOUBTS, RING_DOUBTS } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import type { Expansion } from './Expansion';
import { clearMargin, keepWorse, type MarginMm } from './MarginMm';
import type { ThroatPlace } from './PlacedBrackets';
import type { Raise } from './Raise';

type CircleMm = Extract<OutlineMm, { kind: 'circle' }>;

/** A plate's opening with what its lengths are worth. */
type Plate = {
  readonly outline: OutlineMm;
  readonly lengths: readonly Dimension[];
  readonly askedMm: number;
  /** Rooms of sections that were asked before, by half length and half width. */
  readonly rooms: Map<number, OutlineRoom>;
};

/** Where a plate lies along and across the body; a machine calls with such an object quicker than with six numbers. */
type PlatePlace = Omit<ThroatPlace, 'bracket'>;

export class HoleMargins {
  /** The place of the vehicle's hole and of a spacer, written over and over. */
  private readonly onMetal = { xMm: 0, yMm: 0, angleRad: 0, depthMm: 0, depthVariance: 0, depthFourth: 0 };
  private readonly doubts = new Float64Array(DOUBTS);
  private readonly plates = new Map<FitSpacer | FitBracket, Plate>();
  private readonly roundRoom = { roomMm: 0, nx: 1, ny: 0, outer: [0.5], innerAlong: 0, innerAcross: 0 };
  private hole: Plate | null = null;
  private holeKey = '';

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly expansion: Expansion,
  ) {}

  setOpening(opening: FitOpening): void {
    const key = JSON.stringify(opening.hole);
    if (key === this.holeKey) return;
    this.holeKey = key;
    const hole = measured(opening.hole);
    const outline = hole && outlineMm(hole);
    this.hole = hole && outline && toPlate(outline, hole, this.rules.clearancesMm.hole);
  }

  get isKnown(): boolean {
    return this.hole !== null;
  }

  /** Of a round hole, what is left of its radius beside the clearance, mm; NaN for any other. */
  get roundRadiusMm(): number {
    const { hole } = this;
    return hole?.outline.kind === 'circle' ? hole.outline.diameter / 2 - hole.askedMm : Number.NaN;
  }

  /** The worst of all passages of a stack: vehicle's hole, spacer, throats. */
  holes(out: MarginMm, speaker: number, mount: ClassMount, spacer: FitSpacer | null, raise: Raise): void {
    const { hole, onMetal } = this;
    if (!hole) throw new Error('HoleMargins.holes: expected a measured hole');
    clearMargin(out);
    onMetal.depthMm = raise.mm;
    onMetal.depthVariance = raise.variance;
    onMetal.depthFourth = raise.fourth;
    this.throughPlate(out, speaker, mount, hole, onMetal);
    if (spacer && !spacer.made) this.throughSpacer(out, speaker, mount, spacer, raise);
    const { throats } = mount;
    for (let at = 0; at < throats.length; at++) {
      const place = throats[at] as ThroatPlace;
      this.throughPlate(out, speaker, mount, this.throatPlate(place.bracket), place);
    }
  }

  /** Takes the hole of a bought spacer into a margin that holds the other passages already. */
  throughSpacer(out: MarginMm, speaker: number, mount: ClassMount, spacer: FitSpacer, raise: Raise): void {
    const { onMetal } = this;
    onMetal.depthMm = raise.mm - spacer.height.valueMm;
    onMetal.depthVariance = mount.raisedVariance;
    onMetal.depthFourth = mount.raisedFourth;
    this.throughPlate(out, speaker, mount, this.ringPlate(spacer), onMetal);
  }

  /** The least room of all passages of a stack less what is asked, mm: the margin's length without its uncertainty. */
  leastMm(speaker: number, mount: ClassMount, spacer: FitSpacer | null, raise: Pick<Raise, 'mm'>): number {
    const { hole, onMetal } = this;
    if (!hole) throw new Error('HoleMargins.leastMm: expected a measured hole');
    onMetal.depthMm = raise.mm;
    let least = this.leastThrough(speaker, mount, hole, onMetal);
    if (spacer) least = Math.min(least, this.ringMm(speaker, mount, spacer, raise));
    const { throats } = mount;
    for (let at = 0; at < throats.length; at++) {
      const place = throats[at] as ThroatPlace;
      least = Math.min(least, this.leastThrough(speaker, mount, this.throatPlate(place.bracket), place));
    }
    return least;
  }

  /** The room in the spacer of a stack; Infinity in a ring that is cut to suit. */
  ringMm(speaker: number, mount: ClassMount, spacer: FitSpacer, raise: Pick<Raise, 'mm'>): number {
    if (spacer.made) return Number.POSITIVE_INFINITY;
    const { onMetal } = this;
    onMetal.depthMm = raise.mm - spacer.height.valueMm;
    return this.leastThrough(speaker, mount, this.ringPlate(spacer), onMetal);
  }

  private leastThrough(speaker: number, mount: ClassMount, plate: Plate, place: PlatePlace): number {
    const rings = this.index.rings[speaker] as Float64Array;
    const { isWide } = this.index;
    const { depthMm } = place;
    const first = this.index.firstRing[speaker] as number;
    const count = rings.length / 3;
    let after = 0;
    while (after < count && (rings[after * 3] as number) <= depthMm) after++;
    if (after === count) return Number.POSITIVE_INFINITY;
    let least = Number.POSITIVE_INFINITY;
    if (after > 0) {
      const at = after * 3;
      const share = (depthMm - (rings[at - 3] as number)) / ((rings[at] as number) - (rings[at - 3] as number));
      const a = (rings[at - 2] as number) + share * ((rings[at + 1] as number) - (rings[at - 2] as number));
      const b = (rings[at - 1] as number) + share * ((rings[at + 2] as number) - (rings[at - 1] as number));
      least = this.roomMm(plate, mount, place, a, b, isStraight(rings, after));
    }
    for (let ring = after; ring < count; ring++) {
      if (isWide[first + ring] === 0) continue;
      const a = rings[ring * 3 + 1] as number;
      const b = rings[ring * 3 + 2] as number;
      least = Math.min(least, this.roomMm(plate, mount, place, a, b, true));
    }
    return least - plate.askedMm;
  }

  private roomMm(plate: Plate, mount: ClassMount, place: PlatePlace, a: number, b: number, keep: boolean): number {
    const { outline } = plate;
    if (a === b && outline.kind === 'circle') return outline.diameter / 2 - centresApart(mount.pose, place) - a;
    return this.room(plate, mount, place, a, b, keep).roomMm;
  }

  private ringPlate(spacer: FitSpacer): Plate {
    return this.plates.get(spacer) ?? this.newPlate(spacer, spacer.inner);
  }

  private throatPlate(bracket: FitBracket): Plate {
    return this.plates.get(bracket) ?? this.newPlate(bracket, bracket.throat);
  }

  private throughPlate(out: MarginMm, speaker: number, mount: ClassMount, plate: Plate, place: PlatePlace): void {
    const rings = this.index.rings[speaker] as Float64Array;
    const { isRound } = this.index;
    const { depthMm } = place;
    const count = rings.length / 3;
    let after = 0;
    while (after < count && (rings[after * 3] as number) <= depthMm) after++;
    if (after === count) return;
    const first = this.index.firstRing[speaker] as number;
    const isCircle = plate.outline.kind === 'circle';
    if (after > 0) {
      if (isCircle && isRound[first + after - 1] === 1 && isStraight(rings, after))
        this.keepRound(out, plate, mount, place, first + after - 1);
      else this.sectionBetween(out, speaker, mount, plate, place, after);
    }
    for (let ring = after; ring < count; ring++) {
      if (this.index.isWide[first + ring] === 0) continue;
      if (isCircle && isRound[first + ring] === 1) {
        this.keepRound(out, plate, mount, place, first + ring);
        continue;
      }
      const a = rings[ring * 3 + 1] as number;
      const b = rings[ring * 3 + 2] as number;
      const room = this.room(plate, mount, place, a, b, true);
      const base = (first + ring) * RING_DOUBTS;
      this.fillDoubts(base + DOUBTS, room.innerAlong, base + 2 * DOUBTS, room.innerAcross);
      this.keepRoom(out, plate, room, 0, 0);
    }
  }

  /** A round section in a round hole: the radii and the distance of their centres are all that counts. */
  private keepRound(
    out: MarginMm,
    { outline, lengths, askedMm }: Plate,
    { pose }: ClassMount,
    place: PlatePlace,
    ring: number,
  ): void {
    const radiusMm = this.index.allRings[ring * 3 + 1] as number;
    const roomMm = (outline as CircleMm).diameter / 2 - centresApart(pose, place) - radiusMm;
    const { uncertaintyMm, degreesOfFreedom, isRectangular } = lengths[0] as Dimension;
    const part = 0.25 * uncertaintyMm * uncertaintyMm;
    const square = part * part;
    const { radiusVariance, radiusFourth } = this.index;
    const variance = part + (radiusVariance[ring] as number);
    const rectangular = (radiusFourth[ring] as number) + (isRectangular ? square : 0);
    const fourth = degreesOfFreedom === null ? 0 : square / degreesOfFreedom;
    keepWorse(out, roomMm - askedMm, this.expansion.expand(variance, fourth, rectangular));
  }

  private sectionBetween(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    plate: Plate,
    place: PlatePlace,
    after: number,
  ): void {
    const { depthMm, depthVariance, depthFourth } = place;
    const rings = this.index.rings[speaker] as Float64Array;
    const value = (ring: number, column: number) => rings[ring * 3 + column] as number;
    const span = value(after, 0) - value(after - 1, 0);
    const share = (depthMm - value(after - 1, 0)) / span;
    const riseA = (value(after, 1) - value(after - 1, 1)) / span;
    const riseB = (value(after, 2) - value(after - 1, 2)) / span;
    const a = value(after - 1, 1) + share * (value(after, 1) - value(after - 1, 1));
    const b = value(after - 1, 2) + share * (value(after, 2) - value(after - 1, 2));
    const room = this.room(plate, mount, place, a, b, riseA === 0 && riseB === 0);
    const { innerAlong, innerAcross } = room;
    const before = ((this.index.firstRing[speaker] as number) + after - 1) * RING_DOUBTS;
    if (riseA === 0 && riseB === 0) {
      // Straight walls: the section is as sure as the ring before it, wherever it lies.
      this.fillDoubts(before + DOUBTS, innerAlong, before + 2 * DOUBTS, innerAcross);
      this.keepRoom(out, plate, room, 0, 0);
      return;
    }
    const steep = innerAlong * riseA + innerAcross * riseB;
    const next = before + RING_DOUBTS;
    const rows = this.index.ringDoubts;
    for (let at = 0; at < DOUBTS; at++) {
      this.doubts[at] =
        (1 - share) *
          (innerAlong * (rows[before + DOUBTS + at] as number) +
            innerAcross * (rows[before + 2 * DOUBTS + at] as number)) +
        share *
          (innerAlong * (rows[next + DOUBTS + at] as number) + innerAcross * (rows[next + 2 * DOUBTS + at] as number)) -
        steep * ((1 - share) * (rows[before + at] as number) + share * (rows[next + at] as number));
    }
    this.keepRoom(out, plate, room, steep * steep * depthVariance, (steep * steep) ** 2 * depthFourth);
  }

  private fillDoubts(first: number, by: number, second: number, bySecond: number): void {
    const rows = this.index.ringDoubts;
    for (let at = 0; at < DOUBTS; at++) {
      this.doubts[at] = by * (rows[first + at] as number) + bySecond * (rows[second + at] as number);
    }
  }

  private keepRoom(
    out: MarginMm,
    { lengths, askedMm }: Plate,
    room: OutlineRoom,
    moreVariance: number,
    moreFourth: number,
  ): void {
    let variance = moreVariance;
    let rectangular = moreFourth;
    let fourth = 0;
    for (let at = 0; at < lengths.length; at++) {
      const { uncertaintyMm, degreesOfFreedom, isRectangular } = lengths[at] as Dimension;
      const part = ((room.outer[at] ?? 0) * uncertaintyMm) ** 2;
      variance += part;
      if (isRectangular) rectangular += part * part;
      if (degreesOfFreedom !== null) fourth += (part * part) / degreesOfFreedom;
    }
    for (let at = 0; at < DOUBTS; at++) {
      const part = (this.doubts[at] as number) ** 2;
      variance += part;
      rectangular += part * part;
    }
    keepWorse(out, room.roomMm - askedMm, this.expansion.expand(variance, fourth, rectangular));
  }

  private room(
    plate: Plate,
    { pose }: ClassMount,
    { xMm, yMm, angleRad }: PlatePlace,
    a: number,
    b: number,
    keep: boolean,
  ): OutlineRoom {
    const dx = pose.xMm - xMm;
    const dy = pose.yMm - yMm;
    const turn = pose.angleRad - angleRad;
    if (dx === 0 && dy === 0 && plate.outline.kind === 'circle') {
      // A centred ellipse in a round hole is tight at the ends of its long axis.
      const { roundRoom } = this;
      roundRoom.roomMm = plate.outline.diameter / 2 - Math.max(a, b);
      roundRoom.innerAlong = a >= b ? -1 : 0;
      roundRoom.innerAcross = a >= b ? 0 : -1;
      return roundRoom;
    }
    const aligned = Math.abs(Math.sin(turn)) < 1e-12;
    const plain = dx === 0 && dy === 0 && (aligned || a === b);
    // Half axes in units of 0.1 µm as one whole number: sizes up to 400 mm stay exact.
    const key = plain && keep ? Math.round(a * 1e4) * 1e7 + Math.round(b * 1e4) : -1;
    const known = key >= 0 ? plate.rooms.get(key) : undefined;
    if (known) return known;
    const cos = Math.cos(angleRad);
    const sin = Math.sin(angleRad);
    const room = outlineRoom(plate.outline, {
      xMm: dx * cos + dy * sin,
      yMm: dy * cos - dx * sin,
      halfLengthMm: a,
      halfWidthMm: b,
      angleRad: aligned ? 0 : turn,
    });
    if (key >= 0) plate.rooms.set(key, room);
    return room;
  }

  private newPlate(part: FitSpacer | FitBracket, outline: PartOutline): Plate {
    const plate = toPlate(mustMm(outline), outline, 0);
    this.plates.set(part, plate);
    return plate;
  }
}

function centresApart(pose: Pose, place: PlatePlace): number {
  const dx = pose.xMm - place.xMm;
  const dy = pose.yMm - place.yMm;
  return Math.sqrt(dx * dx + dy * dy);
}

/** Whether the body keeps its size from the ring before to this one. */
function isStraight(rings: Float64Array, ring: number): boolean {
  const at = ring * 3;
  return rings[at + 1] === rings[at - 2] && rings[at + 2] === rings[at - 1];
}

function toPlate(outline: OutlineMm, of: Parameters<typeof measured>[0], askedMm: number): Plate {
  const lengths = outlineLengths(of).flatMap(([, length]) => (length ? [length] : []));
  return { outline, lengths, askedMm, rooms: new Map() };
}

function mustMm(outline: Parameters<typeof outlineMm>[0]): OutlineMm {
  const mm = outlineMm(outline);
  if (!mm) throw new Error('HoleMargins: expected a measured outline');
  return mm;
}
