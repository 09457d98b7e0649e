/**
 * What plays over frequency on a whole channel: what of its voltage reaches each speaker, and what is likely to arrive at the driver's seat, now and as
 * the car came, with the bands in which 95 in 100 such cars lie.
 */
import { seededRandom } from '../../math';
import { type Band, bandOf, type Spread, spreadOf } from '../bands';
import type { Between } from '../channel/electrics';
import { audibleFrequencies } from '../network/solveNetwork';
import { type DrawnResponse, drawResponses, type HeardChannel } from './drawResponses';

export type RangeChange = {
  readonly name: HeardRange;
  readonly fromHz: number;
  readonly toHz: number;
  /** By how much it is louder than before, dB. */
  readonly db: Spread;
};

export type ChannelResponse = {
  readonly frequenciesHz: Float64Array;
  /** Of each load the voltage at the speaker against the channel's. */
  readonly electrical: readonly { readonly label: string; readonly band: Band }[];
  /** For 2.83 V of the channel; null where of something on it nobody knows how sensitive it is. */
  readonly seat: Band | null;
  readonly before: Band | null;
  readonly change: readonly RangeChange[] | null;
};

/** Where a car's sound is told by the ear (from memory). */
const RANGES = {
  bass: { least: 60, most: 250 },
  voices: { least: 250, most: 4000 },
  treble: { least: 4000, most: 16_000 },
} as const satisfies Readonly<Record<string, Between>>;
export type HeardRange = keyof typeof RANGES;

const HZ = audibleFrequencies(12);
const DRAWS = 2000;
const SEED = 16;

/**
 * @param now every load with its kind and its ohms
 * @param before every load with its kind; null where nobody knows what was there
 * @param draws how many cars are drawn; of fewer the edges of the bands are less sure
 * @returns null where of something that plays now nobody knows what it is, or its ohms
 */
export function channelResponse(now: HeardChannel, before: HeardChannel | null, draws = DRAWS): ChannelResponse | null {
  const drawn = drawResponses(now, before, draws, HZ, seededRandom(SEED));
  if (!drawn) return null;
  return {
    frequenciesHz: HZ,
    electrical: now.loads.map(({ load: { label } }, each) => ({
      label,
      band: bandOf(drawn.map(({ electrical }) => electrical[each] as Float64Array)),
    })),
    seat: everyBand(drawn.map(({ seat }) => seat)),
    before: everyBand(drawn.map((each) => each.before)),
    change: changeOf(drawn),
  };
}

/** In each range by itself the power of what is heard, each octave counting as much. */
function changeOf(drawn: readonly DrawnResponse[]): readonly RangeChange[] | null {
  const pairs = drawn.flatMap(({ seat, before }) => (seat && before ? [[seat, before] as const] : []));
  if (pairs.length === 0) return null;
  return (Object.keys(RANGES) as HeardRange[]).map((name) => {
    const { least: fromHz, most: toHz } = RANGES[name];
    const sorted = Float64Array.from(
      pairs,
      ([seat, before]) => meanDb(seat, fromHz, toHz) - meanDb(before, fromHz, toHz),
    ).sort();
    return { name, fromHz, toHz, db: spreadOf(sorted) };
  });
}

function meanDb(db: Float64Array, fromHz: number, toHz: number): number {
  let [power, count] = [0, 0];
  for (const [at, each] of db.entries()) {
    const hz = HZ[at] as number;
    if (hz < fromHz || hz > toHz) continue;
    power += 10 ** (each / 10);
    count++;
  }
  return 10 * Math.log10(power / count);
}

function everyBand(columns: readonly (Float64Array | null)[]): Band | null {
  const there = columns.filter((each) => each !== null);
  return there.length === 0 ? null : bandOf(there);
}
