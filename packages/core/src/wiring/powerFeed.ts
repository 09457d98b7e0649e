/** What feeds an amplifier that is added: its current, the cable from the battery, its fuse, and what of the voltage is lost on the way. */
import { areasUnder, feedAmpere, feedDropV, feedFuse, MOST_DROP_V } from './feedRules';

export type PowerFeed = {
  /** At full RMS power, A. */
  readonly ampere: number;
  /** Plus and minus each, mm². */
  readonly areaMm2: number;
  /** Beside the battery: the least that carries the current, and no more than the cable stands, A. */
  readonly fuseA: number;
  /** Both ways at full power, V. */
  readonly dropV: number;
};

/** So near the battery: what lies before the fuse nothing protects, cm (common practice, no source). */
export const FUSE_WITHIN_CM = 45;

/**
 * @param watt RMS of all channels together; above 0
 * @param lengthM from the battery to the amplifier, one way
 * @returns null where no single cable carries it: it is more than one amplifier's feed
 */
export function powerFeed(watt: number, lengthM: number): PowerFeed | null {
  const ampere = feedAmpere(watt);
  const fuseA = feedFuse(ampere);
  if (fuseA === null) return null;
  const areaMm2 = areasUnder(fuseA).find((area) => feedDropV(area, lengthM, ampere) <= MOST_DROP_V);
  return areaMm2 === undefined ? null : { ampere, areaMm2, fuseA, dropV: feedDropV(areaMm2, lengthM, ampere) };
}
