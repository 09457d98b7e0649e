/**
 * A dimension as the program carries it everywhere: a value, how sure it is, and where it came from.
 */
export type Origin = 'takenHere' | 'carriedOver' | 'catalogue' | 'classDefault' | 'guess' | 'whatIf';

/** An error that all readings with one instrument have in common: it is not averaged away by reading again. */
export type SharedError = {
  /** Of the instrument, as margins name it. */
  readonly name: string;
  /** Standard uncertainty, mm; rectangular, as an instrument's limits are. */
  readonly uncertaintyMm: number;
};

export type Dimension = {
  /** Best estimate in mm. */
  readonly valueMm: number;
  /** Standard uncertainty (one standard deviation) in mm, at least 0, without the shared error. */
  readonly uncertaintyMm: number;
  /** Left out where no other reading can share it. */
  readonly shared?: SharedError;
  /** Degrees of freedom of the uncertainty; null where it is taken as exactly known (JCGM 100:2008, G.4.3). */
  readonly degreesOfFreedom: number | null;
  readonly origin: Origin;
  /** Set where the value is equally likely anywhere within its limits, and nowhere beyond: an instrument, a rounding. */
  readonly isRectangular?: boolean;
};

/** A dimension with no uncertainty at all: something set, not measured (a what-if on the slider). */
export function exactly(valueMm: number, origin: Origin = 'whatIf'): Dimension {
  return { valueMm, uncertaintyMm: 0, degreesOfFreedom: null, origin };
}

/**
 * A dimension whose value is equally likely anywhere within ± the half-width: a catalogue's rounding, a scale's division.
 *
 * @param valueMm middle of the interval, mm
 * @param halfWidthMm a in u = a/√3, mm, at least 0
 * @see JCGM 100:2008, 4.3.7
 */
export function rectangular(valueMm: number, halfWidthMm: number, origin: Origin): Dimension {
  return { valueMm, uncertaintyMm: halfWidthMm / Math.sqrt(3), degreesOfFreedom: null, origin, isRectangular: true };
}

/** Standard uncertainty, mm, the shared error counted in. */
export function wholeUncertaintyMm({ uncertaintyMm, shared }: Pick<Dimension, 'uncertaintyMm' | 'shared'>): number {
  return shared ? Math.hypot(uncertaintyMm, shared.uncertaintyMm) : uncertaintyMm;
}

/** A shared error as a dimension of its own, value 0. */
export function sharedDimension({ uncertaintyMm }: SharedError, origin: Origin): Dimension {
  return { valueMm: 0, uncertaintyMm, degreesOfFreedom: null, origin, isRectangular: true };
}
