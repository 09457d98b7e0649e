/**
 * What a fitter would write down about an opening: each reading by its instrument's error model.
 *
 * Error models (from memory, as the shop's half-widths are): an instrument is off by up to its half-width, evenly, at each
 * place by another amount or, in some families, everywhere by the same; several readings of one place share that and scatter by
 * a third of it; a figure that was carried over, taken from a catalogue, a class default or a guess is off by up to its
 * half-width, evenly.
 */
import type { FitOpening } from '../../fit/shapes';
import type { Measurement } from '../../model/measurement';
import type { OpeningRecord } from '../../model/opening';
import { SOURCE_HALF_WIDTHS_MM, SOURCES, type SourceId } from '../../model/source';
import { toFitOpening } from '../../model/toFitOpening';
import { PLAIN_OPENING } from '../plainOpening';
import type { Ways } from './families';
import { stickDepthMm, type TrueOpening } from './TrueOpening';

export const CONNECTOR = 'plug';

/** Another measurement of a dimension with an instrument: the record with it. */
export type Measure = (record: OpeningRecord, key: string, source: SourceId) => OpeningRecord;

/** The written record as the engine sees it. */
export function writtenOpening(record: OpeningRecord): FitOpening {
  return toFitOpening(record, SOURCE_HALF_WIDTHS_MM, String);
}

/** Which figures a shop has before the order: some measured, some carried over, some from a class, some guessed. */
export function writeDown(
  truth: TrueOpening,
  ways: Ways,
  random: () => number,
): { readonly record: OpeningRecord; readonly measure: Measure } {
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
  const sticks = new Map<SourceId, number>();
  const offOf = (source: SourceId) => {
    const own = SOURCE_HALF_WIDTHS_MM[source] * (2 * random() - 1);
    if (!ways.isStickCommon || SOURCES[source].origin !== 'takenHere') return own;
    if (!sticks.has(source)) sticks.set(source, own);
    return sticks.get(source) as number;
  };
  const read = (before: OpeningRecord, key: string, source: SourceId, count = 1): OpeningRecord => {
    const value = trueValueMm(truth, ways, before, key);
    const off = offOf(source);
    const third = SOURCE_HALF_WIDTHS_MM[source] / 3;
    const readingsMm = Array.from({ length: count }, () => {
      const scatter = count > 1 ? third * (random() + random() + random() - 1.5) * 2 : 0;
      return value + off + scatter;
    });
    const entered = readingsMm.join('; ');
    return withReading(before, key, { readingsMm, source, entered, takenBy: null, takenAt: null });
  };
  const plan: readonly (readonly [string, readonly SourceId[]])[] = [
    ...(ways.hole === 'circle' ? [['holeDiameter', ['calliper', 'tapeMm', 'carriedOver']] as const] : []),
    ['boltCircle', ['calliper']],
    ['frontGap', ['depthStick', 'carriedOver', 'classDefault']],
    // Who reads on all round has read the middle too.
    ['depthBehind', ways.furtherDepths === 1 ? ['depthStick'] : DEPTH_SOURCES],
    ...(ways.behind === 'glass' ? [['lowerEdge', ['tapeMm', 'carriedOver']] as const] : []),
  ];
  let record = plan.reduce(
    (before, [key, sources]) => read(before, key, pick(sources), random() < 0.3 ? 3 : 1),
    blank(truth, ways),
  );
  for (const key of FURTHER_DEPTHS) if (random() < ways.furtherDepths) record = read(record, key, 'depthStick');
  if (random() < ways.beamShare) {
    const source = pick(['depthStick', 'carriedOver', 'guess'] as const);
    record = read(withBeam(record, truth, ways, random), BEAM_DEPTH, source);
  }
  return { record, measure: read };
}

const DEPTH_SOURCES = ['depthStick', 'depthStick', 'carriedOver', 'classDefault', 'guess'] as const;
const FURTHER_DEPTHS = ['depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;
const BEAM_DEPTH = 'obstacle.beam.depth';
const EDGE = 'holeEdgeOffset';
const BEAM_PLACE = 'obstacle.beam.place';
/** How well a beam's place is known once somebody has measured it, mm. */
const MEASURED_PLACE_MM = 1.5;

function blank({ holeMm }: TrueOpening, { behind, hole }: Ways): OpeningRecord {
  const plain = { ...PLAIN_OPENING, behind, wiring: { kind: 'connector', connectorId: CONNECTOR } } as const;
  return hole === 'circle'
    ? plain
    : { ...plain, holeKind: 'polygon', trace: { source: 'calliper', corners: tabbed(holeMm / 2) } };
}

/** A round hole with three tabs that stand into it, every five degrees. */
function tabbed(radiusMm: number): { xMm: number; yMm: number; bulgeMm: number }[] {
  return Array.from({ length: 72 }, (_, at) => {
    const isTab = [8, 9, 10, 32, 33, 34, 56, 57, 58].includes(at);
    const radius = isTab ? radiusMm - 6 : radiusMm;
    const angle = (at * Math.PI) / 36;
    return { xMm: radius * Math.cos(angle), yMm: radius * Math.sin(angle), bulgeMm: 0 };
  });
}

function withBeam(record: OpeningRecord, truth: TrueOpening, ways: Ways, random: () => number): OpeningRecord {
  const placeHalfWidthMm = ways.beamPlaceHalfWidthMm;
  const beam = {
    id: 'beam',
    label: 'beam',
    kind: 'beam' as const,
    xMm: truth.beamXMm + placeHalfWidthMm * (2 * random() - 1),
    yMm: truth.beamYMm + placeHalfWidthMm * (2 * random() - 1),
    depth: { readingsMm: [0], source: 'guess' as const, entered: '0', takenBy: null, takenAt: null },
    placeHalfWidthMm,
    angleDeg: 0,
    tiltDeg: 0,
    shape: { kind: 'rod' as const, diameterMm: 30 },
    givesMm: 0,
    thisSideOnly: false,
  };
  return { ...record, obstacles: [beam] };
}

/** The record with a dimension as it was read; of a beam's place how far above the noted one it is, of a trace how far outside. */
export function withReading(record: OpeningRecord, key: string, measurement: Measurement): OpeningRecord {
  if (key === BEAM_PLACE) {
    const byMm = mean(measurement.readingsMm);
    const obstacles = record.obstacles.map((each) => ({
      ...each,
      yMm: each.yMm + byMm,
      placeHalfWidthMm: MEASURED_PLACE_MM,
    }));
    return { ...record, obstacles };
  }
  if (key === EDGE && record.trace) {
    const byMm = mean(measurement.readingsMm);
    const corners = record.trace.corners.map((corner) => movedOut(corner, byMm));
    return { ...record, trace: { source: measurement.source, corners } };
  }
  if (key === BEAM_DEPTH)
    return { ...record, obstacles: record.obstacles.map((each) => ({ ...each, depth: measurement })) };
  return { ...record, dimensions: { ...record.dimensions, [key]: measurement } };
}

function movedOut<Corner extends { readonly xMm: number; readonly yMm: number }>(corner: Corner, byMm: number): Corner {
  const factor = 1 + byMm / Math.hypot(corner.xMm, corner.yMm);
  return { ...corner, xMm: corner.xMm * factor, yMm: corner.yMm * factor };
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, each) => sum + each, 0) / values.length;
}

/** What the true opening has where a dimension's key says. */
function trueValueMm(truth: TrueOpening, ways: Ways, record: OpeningRecord, key: string): number {
  switch (key) {
    case 'holeDiameter':
      return truth.holeMm;
    case 'boltCircle':
      return truth.circleMm;
    case 'frontGap':
      return truth.frontMm;
    case 'lowerEdge':
      return truth.lowerEdgeMm;
    case BEAM_DEPTH:
      return truth.beamDepthMm;
    case EDGE:
      return truth.edgeMm;
    case BEAM_PLACE:
      return truth.beamYMm - (record.obstacles[0]?.yMm ?? 0);
    default: {
      const { xMm, yMm } = placeOf(record, key);
      return stickDepthMm(truth, ways, xMm, yMm);
    }
  }
}

/** Where the stick stands for a depth's key: as the fitter finds the rim of the hole that was written down. */
function placeOf(record: OpeningRecord, key: string): { readonly xMm: number; readonly yMm: number } {
  const probe = { readingsMm: [50], source: 'depthStick', entered: '', takenBy: null, takenAt: null } as const;
  const { depths } = writtenOpening({ ...record, dimensions: { ...record.dimensions, [key]: probe } });
  const found = depths.find((each) => each.key === key);
  if (!found) throw new Error(`simulation: expected the place of ${key}`);
  return found;
}
