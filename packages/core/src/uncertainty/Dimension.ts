/**
 * A dimension as the program carries it everywhere: a value, how sure it is, and where it came from.
 */
export type Origin = 'takenHere' | 'carriedOver' | 'catalogue' | 'classDefault' | 'guess' | 'whatIf';

/**
 * An error that several readings have in common: of an instrument, of a face that they were all read from. It is not
 * averaged away by reading again.
 */
export type SharedError = {
  /** As margins name it. */
  readonly name: string;
  /** Standard uncertainty, mm; rectangular, as an instrument's limits are. */
  readonly uncertaintyMm: number;
  /** How many times it enters: 1 for what is read, −1 for what is taken off. */
  readonly by: number;
};

export type Dimension = {
  /** Best estimate in mm. */
  readonly valueMm: number;
  /** Standard uncertainty (one standard deviation) in mm, at least 0, without the shared errors. */
  readonly uncertaintyMm: number;
  /** Left out where no other reading can share one. */
  readonly shared?: readonly SharedError[];
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

/** Standard uncertainty, mm, the shared errors counted in. */
export function wholeUncertaintyMm({ uncertaintyMm, shared }: Pick<Dimension, 'uncertaintyMm' | 'shared'>): number {
  return shared ? Math.hypot(uncertaintyMm, sharedUncertaintyMm({ shared })) : uncertaintyMm;
}

/** Standard uncertainty of all that a dimension shares, mm. */
export function sharedUncertaintyMm({ shared = [] }: Pick<Dimension, 'shared'>): number {
  return Math.hypot(...shared.map(({ uncertaintyMm, by }) => by * uncertaintyMm));
}

/**
 * A reading from something that stands off where the length counts from: a + by · b, where b was read once for all readings
 * that count from there, so that its error is one that they share.
 *
 * @param name of b's own error, as margins name it
 */
export function plusShared(a: Dimension, b: Dimension, by: number, name: string): Dimension {
  const own = { name, uncertaintyMm: b.uncertaintyMm, by };
  const errors = new Map<string, SharedError>();
  for (const each of [
    ...(a.shared ?? []),
    own,
    ...(b.shared ?? []).map((error) => ({ ...error, by: by * error.by })),
  ]) {
    const before = errors.get(each.name);
    errors.set(each.name, before ? { ...before, by: before.by + each.by } : each);
  }
  const shared = [...errors.values()].filter((each) => each.by !== 0 && each.uncertaintyMm > 0);
  return { ...a, valueMm: a.valueMm + by * b.valueMm, shared };
}

/** A shared error as a dimension of its own, value 0. */
export function sharedDimension({ uncertaintyMm }: SharedError, origin: Origin): Dimension {
  return { valueMm: 0, uncertaintyMm, degreesOfFreedom: null, origin, isRectangular: true };
}
