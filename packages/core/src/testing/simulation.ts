/**
 * Openings whose true shapes are known, and what a fitter would write down about them: each true length drawn from what
 * cars and parts are like, each reading from its instrument's error model. For the calibration and for tests.
 *
 * Error models (from memory, as the shop's half-widths are): an instrument is off by up to its half-width, evenly; several
 * readings of one place share that and scatter by a third of it; a figure that was carried over, taken from a catalogue, a
 * class default or a guess is off by up to its half-width, evenly.
 */
import type { Judgement } from '../fit/Judgement';
import { judgeCandidate } from '../fit/judgeCandidate';
import { TYPICAL_SHOULDERS } from '../fit/layout/SpeakerShape';
import type { Candidate, FitOpening, FitRules } from '../fit/shapes';
import { seededRandom } from '../math/seededRandom';
import { type Measurement, type OpeningRecord, toFitOpening } from '../model/opening';
import { type PartRecord, type SpeakerRecord, toFitCatalogue } from '../model/parts';
import { sheetDefaults } from '../model/sheetDefaults';
import { SOURCE_HALF_WIDTHS_MM, type SourceId } from '../model/source';
import { exactly } from '../uncertainty/Dimension';
import { PLAIN_OPENING } from './plainOpening';

export type TrueOpening = {
  readonly holeMm: number;
  readonly circleMm: number;
  readonly frontMm: number;
  readonly depthMm: number;
  readonly lean: number;
  readonly sideLean: number;
  readonly curvature: number;
  readonly lowerEdgeMm: number;
  readonly beamDepthMm: number;
  readonly beamYMm: number;
};

export type SimulatedCar = {
  readonly truth: TrueOpening;
  /** What was written down. */
  readonly record: OpeningRecord;
  /** The opening as it is, every length exact. */
  readonly real: FitOpening;
  readonly speakers: readonly SimulatedSpeaker[];
  /** Takes one more reading of a dimension with an instrument: the record with it. */
  readonly measure: (record: OpeningRecord, key: string, source: SourceId) => OpeningRecord;
};

export type SimulatedSpeaker = { readonly claimed: Candidate; readonly real: Candidate };

export const SPEAKERS_A_CAR = 8;

const CONNECTOR = 'plug';

export function simulateCar(seed: number): SimulatedCar {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const { sideLean, lean, curvature } = sheetDefaults('glass');
  const usual = ({ valueMm, uncertaintyMm }: { valueMm: number; uncertaintyMm: number }) =>
    between(valueMm - uncertaintyMm * Math.sqrt(3), valueMm + uncertaintyMm * Math.sqrt(3));
  const truth: TrueOpening = {
    holeMm: between(134, 152),
    circleMm: between(154, 158),
    frontMm: between(14, 30),
    depthMm: between(58, 88),
    lean: usual(lean),
    sideLean: usual(sideLean),
    curvature: usual(curvature),
    lowerEdgeMm: between(-60, 10),
    beamDepthMm: between(48, 80),
    beamYMm: between(-70, -45),
  };
  const record = toRecord(truth, random);
  return {
    truth,
    record,
    real: realOpening(truth, record),
    speakers: Array.from({ length: SPEAKERS_A_CAR }, (_, at) => simulateSpeaker(at, random)),
    measure: (before, key, source) => withReading(before, key, reading(truth, before, key, source, random)),
  };
}

/** What the true opening has where a dimension's key says. */
function trueValue(truth: TrueOpening, record: OpeningRecord, key: string): number {
  switch (key) {
    case 'holeDiameter':
      return truth.holeMm;
    case 'boltCircle':
      return truth.circleMm;
    case 'frontGap':
      return truth.frontMm;
    case 'lowerEdge':
      return truth.lowerEdgeMm;
    case 'obstacle.beam.depth':
      return truth.beamDepthMm;
    case 'obstacle.beam.place':
      return 0;
    default: {
      const place = placeOf(record, key);
      return depthAt(truth, place.xMm, place.yMm);
    }
  }
}

function depthAt({ depthMm, lean, sideLean, curvature }: TrueOpening, xMm: number, yMm: number): number {
  return depthMm + sideLean * xMm + lean * yMm + curvature * yMm * yMm;
}

/** Where the stick stands for a depth's key: as the fitter finds the rim of the hole that was written down. */
function placeOf(record: OpeningRecord, key: string): { readonly xMm: number; readonly yMm: number } {
  const probe = { readingsMm: [50], source: 'depthStick', entered: '', takenBy: null, takenAt: null } as const;
  const { depths } = toFitOpening(
    { ...record, dimensions: { ...record.dimensions, [key]: probe } },
    SOURCE_HALF_WIDTHS_MM,
    String,
  );
  const found = depths.find((each) => each.key === key);
  if (!found) throw new Error(`simulation: expected the place of ${key}`);
  return found;
}

function reading(
  truth: TrueOpening,
  record: OpeningRecord,
  key: string,
  source: SourceId,
  random: () => number,
  count = 1,
): Measurement {
  const half = SOURCE_HALF_WIDTHS_MM[source];
  const off = half * (2 * random() - 1);
  const value = trueValue(truth, record, key);
  const readingsMm = Array.from({ length: count }, () => {
    const scatter = count > 1 ? (half / 3) * (random() + random() + random() - 1.5) * 2 : 0;
    return value + off + scatter;
  });
  return { readingsMm, source, entered: readingsMm.join('; '), takenBy: null, takenAt: null };
}

function withReading(record: OpeningRecord, key: string, measurement: Measurement): OpeningRecord {
  if (key === 'obstacle.beam.place') {
    return { ...record, obstacles: record.obstacles.map((each) => ({ ...each, placeHalfWidthMm: 1.5 })) };
  }
  if (key === 'obstacle.beam.depth') {
    return { ...record, obstacles: record.obstacles.map((each) => ({ ...each, depth: measurement })) };
  }
  return { ...record, dimensions: { ...record.dimensions, [key]: measurement } };
}

/** Which figures a shop has before the order: some measured, some carried over, some from a class, some guessed. */
function toRecord(truth: TrueOpening, random: () => number): OpeningRecord {
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
  const base: OpeningRecord = { ...PLAIN_OPENING, wiring: { kind: 'connector', connectorId: CONNECTOR } };
  const plan: readonly (readonly [string, readonly SourceId[]])[] = [
    ['holeDiameter', ['calliper', 'tapeMm', 'carriedOver']],
    ['boltCircle', ['calliper']],
    ['frontGap', ['depthStick', 'carriedOver', 'classDefault']],
    ['depthBehind', ['depthStick', 'depthStick', 'carriedOver', 'classDefault', 'guess']],
    ['lowerEdge', ['tapeMm', 'carriedOver']],
  ];
  let record: OpeningRecord = plan.reduce(
    (before, [key, sources]) =>
      withReading(before, key, reading(truth, before, key, pick(sources), random, random() < 0.3 ? 3 : 1)),
    base,
  );
  for (const key of ['depthTop', 'depthBottom', 'depthFront', 'depthRear']) {
    if (random() < 0.35) record = withReading(record, key, reading(truth, record, key, 'depthStick', random));
  }
  if (random() < 0.6) record = withBeam(record, truth, pick(['depthStick', 'carriedOver', 'guess']), random);
  return record;
}

function withBeam(record: OpeningRecord, truth: TrueOpening, source: SourceId, random: () => number): OpeningRecord {
  const placeHalfWidthMm = 5;
  const beam = {
    id: 'beam',
    label: 'beam',
    kind: 'beam' as const,
    xMm: 0,
    yMm: truth.beamYMm + placeHalfWidthMm * (2 * random() - 1),
    depth: reading(truth, record, 'obstacle.beam.depth', source, random),
    placeHalfWidthMm,
    angleDeg: 0,
    tiltDeg: 0,
    shape: { kind: 'rod' as const, diameterMm: 30 },
    thisSideOnly: false,
  };
  return { ...record, obstacles: [beam] };
}

function realOpening(truth: TrueOpening, record: OpeningRecord): FitOpening {
  const written = toFitOpening(record, SOURCE_HALF_WIDTHS_MM, String);
  return {
    ...written,
    hole: { kind: 'circle', diameter: exactly(truth.holeMm) },
    bolts: written.bolts && {
      ...written.bolts,
      shape: { kind: 'circle', count: 4, diameter: exactly(truth.circleMm), firstAngleRad: Math.PI / 4 },
    },
    depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: exactly(truth.depthMm) }],
    sheet: { sideLean: exactly(truth.sideLean), lean: exactly(truth.lean), curvature: exactly(truth.curvature) },
    lowerEdge: exactly(truth.lowerEdgeMm),
    frontGap: exactly(truth.frontMm),
    obstacles: written.obstacles.map((each) => ({
      ...each,
      yMm: truth.beamYMm,
      depth: exactly(truth.beamDepthMm),
      place: exactly(0),
    })),
  };
}

/** A catalogue's claim, and the part that comes in the box: every length off by up to the rounding. */
function simulateSpeaker(at: number, random: () => number): SimulatedSpeaker {
  const between = (low: number, high: number) => low + (high - low) * random();
  const roundingMm = 0.5;
  const stated = random() < 0.4;
  const half = (value: number) => Math.round(value * 2) / 2;
  const basketMm = half(between(126, 142));
  const depthMm = half(between(45, 74));
  const magnetMm = half(basketMm * between(0.55, 0.75));
  const shoulder = depthMm * 0.125 * (2 * random() - 1);
  const off = () => roundingMm * (2 * random() - 1);
  const datum = (['underside', 'underside', 'top', 'notStated'] as const)[Math.floor(random() * 4)] ?? 'underside';
  const flangeMm = half(between(3, 6));
  const sections = [
    { depthMm: 0, lengthMm: basketMm, widthMm: basketMm },
    { depthMm: half(depthMm * TYPICAL_SHOULDERS.basketTo), lengthMm: basketMm, widthMm: basketMm },
    { depthMm: half(depthMm * TYPICAL_SHOULDERS.magnetFrom), lengthMm: magnetMm, widthMm: magnetMm },
    { depthMm, lengthMm: magnetMm, widthMm: magnetMm },
  ];
  const claimed: SpeakerRecord = {
    kind: 'speaker',
    id: `speaker-${at}`,
    maker: 'Test',
    name: `Speaker ${at}`,
    supplier: 'Test',
    packSize: 1,
    packPriceMinor: 5000,
    roundingMm,
    speakerKind: 'coaxial',
    nominalSize: '6.5 in',
    basket: { kind: 'circle', diameterMm: basketMm },
    flange: { kind: 'circle', diameterMm: basketMm + 26 },
    flangeThicknessMm: flangeMm,
    mountingDepthMm: depthMm,
    depthDatum: datum,
    frontHeightMm: half(between(4, 12)),
    magnetDiameterMm: magnetMm,
    profile: stated ? sections : [],
    boxes: [],
    bolts: {
      shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: 45 },
      holeDiameterMm: 6.5,
      slotMm: 4,
      slotRuns: 'radial',
    },
    terminals: 'bare ends',
    impedanceOhm: 4,
    rmsW: 50,
    sensitivityDb: 90,
  };
  return { claimed: bare(claimed), real: bare(toReal(claimed, shoulder, off, random)) };
}

function toReal(claimed: SpeakerRecord, shoulder: number, off: () => number, random: () => number): SpeakerRecord {
  const flange = claimed.flangeThicknessMm + off();
  const width = off();
  const depths = off();
  const basketMm =
    claimed.basket.kind === 'circle' ? claimed.basket.diameterMm + (claimed.profile.length > 0 ? width : off()) : 0;
  const magnetMm = claimed.magnetDiameterMm + (claimed.profile.length > 0 ? width : off());
  const listed = claimed.mountingDepthMm + off();
  // Measured from the top, from the underside, or from either where the catalogue does not say.
  const below =
    claimed.depthDatum === 'top'
      ? listed - flange
      : claimed.depthDatum === 'underside'
        ? listed
        : listed - flange / 2 + (claimed.flangeThicknessMm / 2) * (2 * random() - 1);
  const stated = claimed.profile.map(({ depthMm, lengthMm, widthMm }, at) => ({
    depthMm: at === 0 ? 0 : at === claimed.profile.length - 1 ? below : depthMm + depths,
    lengthMm: lengthMm + width,
    widthMm: widthMm + width,
  }));
  const typical = [
    { depthMm: 0, lengthMm: basketMm, widthMm: basketMm },
    { depthMm: below * TYPICAL_SHOULDERS.basketTo + shoulder, lengthMm: basketMm, widthMm: basketMm },
    { depthMm: below * TYPICAL_SHOULDERS.magnetFrom + shoulder, lengthMm: magnetMm, widthMm: magnetMm },
    { depthMm: below, lengthMm: magnetMm, widthMm: magnetMm },
  ];
  return {
    ...claimed,
    roundingMm: 0,
    basket: { kind: 'circle', diameterMm: basketMm },
    flangeThicknessMm: flange,
    mountingDepthMm: below,
    depthDatum: 'underside',
    frontHeightMm: claimed.frontHeightMm + off(),
    magnetDiameterMm: magnetMm,
    profile: stated.length > 0 ? stated : typical,
  };
}

function bare(record: PartRecord): Candidate {
  const [speaker] = toFitCatalogue([record]).speakers;
  if (!speaker) throw new Error('simulation: expected a speaker');
  return { speaker, layers: [] };
}

const LEAD = {
  id: 'lead',
  name: 'Lead',
  fromConnectorId: CONNECTOR,
  to: { kind: 'terminals', terminals: 'bare ends' },
  pieceCostMinor: 100,
} as const;

export function judgeSimulated(opening: FitOpening, candidate: Candidate, rules: FitRules): Judgement {
  return judgeCandidate(opening, candidate, [LEAD], rules);
}

/** The written record as the engine sees it. */
export function writtenOpening(record: OpeningRecord): FitOpening {
  return toFitOpening(record, SOURCE_HALF_WIDTHS_MM, String);
}
