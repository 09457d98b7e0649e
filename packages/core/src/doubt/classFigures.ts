/**
 * The figures of speakers as they are compared with those of their class: each on the scale on which its class lies evenly, logarithms for
 * all that is longer, heavier or stronger by a share.
 */
import type { FigureId, Figures, SpeakerRecord } from '../catalogue';

/** What is compared together; impedance has values of its own and is looked at alone. */
export const COMPARED = [
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
  'mass',
  'power',
  'sensitivity',
] as const satisfies readonly FigureId[];
export type Compared = (typeof COMPARED)[number];

/** A speaker as it is compared: of a list, or of the library. */
export type ComparedSpeaker = Pick<SpeakerRecord, 'maker' | 'speakerKind' | 'nominalSize'> & {
  readonly figures: Figures;
};

/** A front height may be nothing: so much is added before its logarithm, mm. */
const FRONT_MM = 3;

type Scale = {
  readonly to: (value: number) => number;
  readonly from: (scaled: number) => number;
  /** What rounding and habit alone leave of it, as a standard deviation on its scale. */
  readonly floor: number;
};

const share = (floor: number): Scale => ({ to: Math.log, from: Math.exp, floor });

export const SCALES: Readonly<Record<Compared, Scale>> = {
  cutout: share(0.008),
  flange: share(0.008),
  flangeThickness: share(0.06),
  depth: share(0.015),
  frontHeight: {
    to: (value) => Math.log(value + FRONT_MM),
    from: (scaled) => Math.exp(scaled) - FRONT_MM,
    floor: 0.06,
  },
  magnet: share(0.012),
  mass: share(0.03),
  power: share(0.08),
  sensitivity: { to: (value) => value, from: (scaled) => scaled, floor: 0.5 },
};

/** One a compared figure, NaN where it is not known. */
export function scaled(figures: Figures): Float64Array {
  return Float64Array.from(COMPARED, (id) => {
    const value = figures[id];
    return value === undefined ? Number.NaN : SCALES[id].to(value);
  });
}
