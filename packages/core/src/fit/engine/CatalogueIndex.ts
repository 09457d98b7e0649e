/**
 * A catalogue laid out for speed: rings of all bodies in one array, the doubt of every ring as a row of numbers, and parts
 * that share a bolt pattern as one class, so that a joint is turned once for thousands of parts. Made once, it serves
 * every opening.
 */
import type { BoltPattern } from '../../geometry/BoltPattern';
import { outlineLengths, type PartOutline } from '../../geometry/Outline';
import type { Dimension } from '../../uncertainty/Dimension';
import type { Quantity } from '../../uncertainty/Quantity';
import type { FitBracket, FitCatalogue, FitOpening, FitSpeaker } from '../shapes';
import { newBody } from '../speakerBody';
import { BracketColumns } from './BracketColumns';
import { SpeakerRows } from './SpeakerRows';

/** The dimensions of a speaker that its body can depend on, in the order of a doubt row. */
const BODY_DIMENSIONS = [
  'speaker.mountingDepth',
  'speaker.flangeThickness',
  'speaker.depthDatum',
  'speaker.profile',
  'speaker.widths',
  'speaker.magnetDiameter',
  'speaker.basketDiameter',
  'speaker.basketLength',
  'speaker.basketWidth',
] as const;
export const DOUBTS = BODY_DIMENSIONS.length;
/** Doubt rows of a ring: its depth, half length and half width. */
export const RING_DOUBTS = 3 * DOUBTS;

/** Windows lean less than this, mm a mm; for bounds that are worked out once. */
export const STEEP_SHEET = 0.35;

export type PatternClass<Part> = { readonly first: Part; readonly members: readonly number[] };

export class CatalogueIndex {
  /** In an order of its own: those of one bolt class side by side. */
  readonly speakers: readonly FitSpeaker[];
  /** Place of each in the catalogue. */
  readonly catalogueAt: Int32Array;
  readonly brackets: readonly FitBracket[];
  readonly bracketColumns: BracketColumns;
  /** Rings of all speakers, one after the other; of each speaker as a view of it, and their convex pieces. */
  readonly allRings: Float64Array;
  readonly rings: readonly Float64Array[];
  readonly pieces: readonly Int32Array[];
  /** Where a speaker's rings begin in `allRings` and `ringDoubts`, counted in rings; one place more than speakers. */
  readonly firstRing: Int32Array;
  /** Sensitivity times standard uncertainty, for each ring's three lengths and each body dimension. */
  readonly ringDoubts: Float64Array;
  /** The body dimensions that a speaker's rings depend on, as places in a doubt row. */
  readonly doubtColumns: readonly Int32Array[];
  /** For each ring, whether it can be what is tight in a hole. */
  readonly isWide: Uint8Array;
  /** For each ring, whether it is round and as sure along as across; then what its radius adds to a variance, with the square. */
  readonly isRound: Uint8Array;
  readonly radiusVariance: Float64Array;
  readonly radiusFourth: Float64Array;
  /** What the whole catalogue is asked first. */
  readonly row: SpeakerRows;
  /** Variance of flange and front height together, and the sum of the squares of its parts. */
  readonly frontVariance: Float64Array;
  readonly frontFourth: Float64Array;
  /** How many kinds of doubt about a front there are. */
  readonly frontDoubts: number;
  /** What a ring can add to the variance of a gap, whatever the direction, and to that of a room by its widths alone, mm². */
  readonly ringGapVariance: Float64Array;
  readonly ringWidthVariance: Float64Array;
  /** The most of the former that a ring of any body can add. */
  readonly greatestGapVariance: number;
  /** What a section of each body can add to the variance of a room where its sides run aslant through a hole, mm². */
  readonly aslantVariance: Float64Array;
  /** The most that the lengths of a bracket's or spacer's own hole can add to the variance of a room, mm². */
  readonly plateVariance: number;
  /** The steepest rise of each body's sides, mm a mm. */
  readonly bodySteep: Float64Array;
  /** The farthest that any body reaches from the hole's centre, offset by brackets as far as they can, mm. */
  readonly farthestMm: number;
  readonly hasBoxes: Uint8Array;
  /** Bolt class of each speaker; speakers of one class turn alike on every pattern. */
  readonly speakerClass: Int32Array;
  readonly speakerClasses: readonly PatternClass<FitSpeaker>[];
  /** Brackets whose vehicle side, or speaker side, is alike; and the number of the pattern that vehicle sides share. */
  readonly vehicleSide: Int32Array;
  readonly vehicleSides: readonly PatternClass<FitBracket>[];
  readonly vehiclePattern: Int32Array;
  readonly speakerSide: Int32Array;
  readonly speakerSides: readonly PatternClass<FitBracket>[];
  /** Speakers with the same terminals, and of the same nominal size. */
  readonly terminalsClasses: readonly PatternClass<FitSpeaker>[];
  readonly sizeClass: Int32Array;
  readonly sizeClasses: readonly PatternClass<FitSpeaker>[];
  /** Place of each speaker in the order of names. */
  readonly nameRank: Int32Array;

  constructor(readonly catalogue: FitCatalogue) {
    const { brackets } = catalogue;
    const speakers = neighbours(catalogue.speakers, speakerKey);
    this.speakers = speakers;
    const places = new Map(catalogue.speakers.map((speaker, at) => [speaker, at]));
    this.catalogueAt = Int32Array.from(speakers, (speaker) => places.get(speaker) ?? -1);
    this.brackets = brackets;
    this.bracketColumns = new BracketColumns(brackets);
    const bodies = speakers.map(newBody);
    const counts = bodies.map(({ rings }) => rings.length);
    const total = counts.reduce((sum, each) => sum + each, 0);
    const all = new Float64Array(total * 3);
    this.ringDoubts = new Float64Array(total * RING_DOUBTS);
    this.isWide = new Uint8Array(total);
    this.isRound = new Uint8Array(total);
    this.radiusVariance = new Float64Array(total);
    this.radiusFourth = new Float64Array(total);
    this.ringGapVariance = new Float64Array(total);
    this.ringWidthVariance = new Float64Array(total);
    this.firstRing = new Int32Array(speakers.length + 1);
    const rings: Float64Array[] = [];
    const pieces = new Map<string, Int32Array>();
    const piecesOf: Int32Array[] = [];
    let at = 0;
    bodies.forEach((body, index) => {
      this.firstRing[index] = at;
      const view = all.subarray(at * 3, (at + body.rings.length) * 3);
      view.set(body.ringsMm);
      this.isWide.set(body.isWide, at);
      rings.push(view);
      const key = body.pieces.join();
      const shared = pieces.get(key) ?? body.pieces;
      pieces.set(key, shared);
      piecesOf.push(shared);
      body.rings.forEach(({ depth, halfLength, halfWidth }) => {
        [depth, halfLength, halfWidth].forEach((each, row) => {
          this.setDoubts(at * RING_DOUBTS + row * DOUBTS, each);
        });
        this.noteRadius(at, halfLength.valueMm === halfWidth.valueMm);
        this.noteVariances(at);
        at++;
      });
    });
    this.firstRing[speakers.length] = at;
    this.allRings = all;
    this.rings = rings;
    const columns = new Map<string, Int32Array>();
    this.doubtColumns = rings.map((_, speaker) => {
      const used = this.usedColumns(speaker);
      const shared = columns.get(used.join()) ?? used;
      columns.set(used.join(), shared);
      return shared;
    });
    this.pieces = piecesOf;
    const column = (of: (speaker: FitSpeaker) => number) => Float64Array.from(speakers, of);
    this.frontVariance = column(
      ({ flangeThickness, frontHeight }) => flangeThickness.uncertaintyMm ** 2 + frontHeight.uncertaintyMm ** 2,
    );
    this.frontFourth = column(
      ({ flangeThickness, frontHeight }) => flangeThickness.uncertaintyMm ** 4 + frontHeight.uncertaintyMm ** 4,
    );
    const [frontDoubt, frontDoubts] = classify(
      speakers,
      ({ flangeThickness, frontHeight }) => `${flangeThickness.uncertaintyMm}/${frontHeight.uncertaintyMm}`,
    );
    this.frontDoubts = frontDoubts.length;
    this.bodySteep = Float64Array.from(this.rings, steepest);
    const mostOf = (of: Float64Array) =>
      Float64Array.from(speakers, (_, speaker) => {
        const first = this.firstRing[speaker] as number;
        return of.subarray(first, first + (counts[speaker] as number)).reduce((a, b) => Math.max(a, b), 0);
      });
    const mostGapVariance = mostOf(this.ringGapVariance);
    this.greatestGapVariance = mostGapVariance.reduce((a, b) => Math.max(a, b), 0);
    this.aslantVariance = Float64Array.from(speakers, (_, speaker) => this.aslant(speaker));
    this.plateVariance = [
      ...brackets.map(({ throat }) => throat),
      ...catalogue.spacers.map(({ inner }) => inner),
    ].reduce((most, outline) => Math.max(most, lengthsVariance(outline)), 0);
    this.farthestMm = farthest(all) + farthestOffset(brackets);
    this.hasBoxes = Uint8Array.from(speakers, ({ boxes }) => (boxes.length > 0 ? 1 : 0));
    [this.speakerClass, this.speakerClasses] = classify(speakers, speakerKey);
    [this.vehicleSide, this.vehicleSides] = classify(brackets, ({ vehicleBolts, throat, notchRad }) =>
      patternKey(vehicleBolts, `${throat.kind}/${notchRad}`),
    );
    [this.vehiclePattern] = classify(
      this.vehicleSides.map(({ first }) => first),
      ({ vehicleBolts, throat }) => patternKey(vehicleBolts, throat.kind),
    );
    [this.speakerSide, this.speakerSides] = classify(brackets, ({ speakerBolts }) => patternKey(speakerBolts, ''));
    const [terminalsClass, terminalsClasses] = classify(speakers, ({ terminals }) => terminals);
    this.terminalsClasses = terminalsClasses;
    const ofRings = (of: (rings: Float64Array) => number) => Float64Array.from(rings, of);
    this.row = new SpeakerRows({
      terminalsClass,
      frontMm: column(({ flangeThickness, frontHeight }) => flangeThickness.valueMm + frontHeight.valueMm),
      frontDoubt,
      isAllRound: rings.map((_, speaker) => (this.isRoundThroughout(speaker) ? 1 : 0)),
      bodyReachMm: ofRings(farthest),
      mostWidthVariance: mostOf(this.ringWidthVariance),
      fullWidthTo: ofRings(fullWidthTo),
      firstRing: this.firstRing,
      firstEndRing: rings.map((each, speaker) => (this.firstRing[speaker] as number) + firstEnd(each)),
      endRing: this.firstRing.subarray(1),
      deepMm: ofRings((each) => each[each.length - 3] ?? 0),
      endNarrowMm: ofRings((each) => endRings(each, Math.min)),
      endWideMm: ofRings((each) => endRings(each, Math.max)),
      endGapVariance: rings.map((_, speaker) => this.mostAtEnd(speaker)),
      mostGapVariance,
      costMinor: column(({ pieceCostMinor }) => pieceCostMinor),
    });
    [this.sizeClass, this.sizeClasses] = classify(speakers, ({ nominalSize }) => nominalSize);
    this.nameRank = nameRanks(speakers);
  }

  /** Two neighbouring rings take part in a section between them, each by no more than the whole of its doubts. */
  private aslant(speaker: number): number {
    const first = this.firstRing[speaker] as number;
    const count = (this.rings[speaker] as Float64Array).length / 3;
    const steep = this.bodySteep[speaker] as number;
    let most = 0;
    for (let column = 0; column < DOUBTS; column++) {
      let widest = 0;
      for (let ring = first; ring < first + count; ring++) {
        widest = Math.max(widest, steep * this.doubt(ring, column, 0) + this.widthDoubt(ring, column));
      }
      most += widest * widest;
    }
    return most;
  }

  private isRoundThroughout(speaker: number): boolean {
    const [from, to] = [this.firstRing[speaker], this.firstRing[speaker + 1]];
    return this.isRound.subarray(from, to).every((each) => each === 1);
  }

  private usedColumns(speaker: number): Int32Array {
    const from = (this.firstRing[speaker] as number) * RING_DOUBTS;
    const rows = this.ringDoubts.subarray(from, (this.firstRing[speaker + 1] as number) * RING_DOUBTS);
    return Int32Array.from({ length: DOUBTS }, (_, column) => column).filter((column) =>
      rows.some((doubt, at) => doubt !== 0 && at % DOUBTS === column),
    );
  }

  private mostAtEnd(speaker: number): number {
    const rings = this.rings[speaker] as Float64Array;
    const first = this.firstRing[speaker] as number;
    let most = 0;
    for (let at = 0; at < rings.length; at += 3) {
      if (canMeetSheet(rings, at)) most = Math.max(most, this.ringGapVariance[first + at / 3] as number);
    }
    return most;
  }

  private doubt(ring: number, column: number, row: number): number {
    return Math.abs(this.ringDoubts[ring * RING_DOUBTS + row * DOUBTS + column] as number);
  }

  /** Along and across share one direction: of the two doubts the greater is a bound for both. */
  private widthDoubt(ring: number, column: number): number {
    return Math.max(this.doubt(ring, column, 1), this.doubt(ring, column, 2));
  }

  private noteVariances(ring: number): void {
    for (let column = 0; column < DOUBTS; column++) {
      const width = this.widthDoubt(ring, column) ** 2;
      this.ringWidthVariance[ring] = (this.ringWidthVariance[ring] as number) + width;
      this.ringGapVariance[ring] = (this.ringGapVariance[ring] as number) + width + this.doubt(ring, column, 0) ** 2;
    }
  }

  private noteRadius(ring: number, isCircle: boolean): void {
    const along = ring * RING_DOUBTS + DOUBTS;
    let isRound = isCircle;
    for (let column = 0; column < DOUBTS; column++) {
      const doubt = this.ringDoubts[along + column] as number;
      if (doubt !== this.ringDoubts[along + DOUBTS + column]) isRound = false;
      const part = doubt * doubt;
      this.radiusVariance[ring] = (this.radiusVariance[ring] as number) + part;
      this.radiusFourth[ring] = (this.radiusFourth[ring] as number) + part * part;
    }
    this.isRound[ring] = isRound ? 1 : 0;
  }

  private setDoubts(at: number, { terms }: Quantity): void {
    for (const { name, dimension, sensitivity } of terms) {
      const column = BODY_DIMENSIONS.indexOf(name as (typeof BODY_DIMENSIONS)[number]);
      if (column < 0) throw new Error(`CatalogueIndex: expected a dimension of the body, got ${name}`);
      requireExactDoubt(name, dimension);
      this.ringDoubts[at + column] = sensitivity * dimension.uncertaintyMm;
    }
  }
}

/** A room depends on each length of its outline by half at the most. */
export function lengthsVariance(outline: PartOutline | FitOpening['hole']): number {
  return outlineLengths(outline).reduce((sum, [, length]) => sum + ((length?.uncertaintyMm ?? 0) / 2) ** 2, 0);
}

/** Part figures come from catalogues, whose rounding is exactly known; repeated readings of a part would need more room here. */
function requireExactDoubt(name: string, { degreesOfFreedom, isRectangular, uncertaintyMm }: Dimension): void {
  if (degreesOfFreedom !== null || (uncertaintyMm > 0 && !isRectangular))
    throw new Error(`CatalogueIndex: expected ${name} as a catalogue's rounding`);
}

export function patternKey(bolts: BoltPattern, more: string): string {
  return `${JSON.stringify(bolts)}|${more}`;
}

function speakerKey({ bolts, basket }: FitSpeaker): string {
  return patternKey(bolts, basket.kind);
}

/** Parts of one class side by side: what a class needs is then fetched once and not for every speaker. */
function neighbours<Part>(parts: readonly Part[], keyOf: (part: Part) => string): readonly Part[] {
  const groups = new Map<string, Part[]>();
  for (const part of parts) {
    const key = keyOf(part);
    const group = groups.get(key);
    if (group) group.push(part);
    else groups.set(key, [part]);
  }
  return [...groups.values()].flat();
}

function classify<Part>(
  parts: readonly Part[],
  keyOf: (part: Part) => string,
): [Int32Array, readonly PatternClass<Part>[]] {
  const known = new Map<string, number>();
  const classes: { first: Part; members: number[] }[] = [];
  const ofPart = Int32Array.from(parts, (part, index) => {
    const key = keyOf(part);
    let at = known.get(key);
    if (at === undefined) {
      at = classes.length;
      known.set(key, at);
      classes.push({ first: part, members: [] });
    }
    classes[at]?.members.push(index);
    return at;
  });
  return [ofPart, classes];
}

function fullWidthTo(rings: Float64Array): number {
  let to = 0;
  for (let at = 3; at < rings.length; at += 3) {
    if (rings[at + 1] !== rings[1] || rings[at + 2] !== rings[2]) break;
    to = rings[at] as number;
  }
  return to;
}

/** How fast a body's half length and half width together grow or shrink with the depth, at the steepest. */
function steepest(rings: Float64Array): number {
  let most = 0;
  for (let at = 3; at < rings.length; at += 3) {
    const off = (column: number) => Math.abs((rings[at + column] as number) - (rings[at - 3 + column] as number));
    if (off(0) > 0) most = Math.max(most, (off(1) + off(2)) / off(0));
  }
  return most;
}

function farthest(rings: Float64Array): number {
  let most = 0;
  for (let at = 0; at < rings.length; at += 3) {
    most = Math.max(most, rings[at + 1] as number, rings[at + 2] as number);
  }
  return most;
}

function firstEnd(rings: Float64Array): number {
  let at = 0;
  while (!canMeetSheet(rings, at)) at += 3;
  return at / 3;
}

/** The least or the greatest half width of the rings that can come nearest to a sheet of usual steepness. */
function endRings(rings: Float64Array, extreme: (...values: number[]) => number): number {
  let found = Number.NaN;
  for (let at = 0; at < rings.length; at += 3) {
    if (!canMeetSheet(rings, at)) continue;
    const [a, b] = [rings[at + 1] as number, rings[at + 2] as number];
    found = Number.isNaN(found) ? extreme(a, b) : extreme(found, a, b);
  }
  return found;
}

/**
 * Whether a ring can come nearest to a sheet no steeper than `STEEP_SHEET`: one that lies before the last ring, and is not so much
 * wider that the lean makes up for it, never does.
 *
 * @param at place of the ring's first number
 */
function canMeetSheet(rings: Float64Array, at: number): boolean {
  const last = rings.length - 3;
  if (at === last) return true;
  const narrow = Math.min(rings[last + 1] as number, rings[last + 2] as number);
  const wide = Math.max(rings[at + 1] as number, rings[at + 2] as number);
  return (rings[at] as number) - (rings[last] as number) + STEEP_SHEET * Math.max(0, wide - narrow) >= 0;
}

/** Two brackets may be offset the same way. */
function farthestOffset(brackets: readonly FitBracket[]): number {
  return 2 * brackets.reduce((most, { offsetXMm, offsetYMm }) => Math.max(most, Math.hypot(offsetXMm, offsetYMm)), 0);
}

function nameRanks(speakers: readonly FitSpeaker[]): Int32Array {
  const text = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  const order = speakers
    .map((_, index) => index)
    .sort((i, j) => {
      const a = speakers[i] as FitSpeaker;
      const b = speakers[j] as FitSpeaker;
      return text(a.name, b.name) || text(a.id, b.id);
    });
  const ranks = new Int32Array(speakers.length);
  order.forEach((index, rank) => {
    ranks[index] = rank;
  });
  return ranks;
}
