/**
 * Makers who may count every depth from the top of the flange: theirs stand over what the other figures of each speaker let expect, on the
 * whole by as much as their flanges are thick. Of one speaker that could be anything; of twenty it is hardly chance.
 */
import { median } from '../math';

/** How far the depth of one speaker stands over what its other figures let expect, and how thick its flange is, mm. */
export type DepthOver = { readonly maker: string; readonly overMm: number; readonly flangeMm: number };
export type MakersDatum = {
  readonly maker: string;
  /** How many speakers of his that is seen by. */
  readonly speakers: number;
  readonly overMm: number;
  readonly flangeMm: number;
  /** How likely it is that he counts from the top, 0 to 1. */
  readonly chance: number;
};

const LEAST_SPEAKERS = 10;
const LEAST_MAKERS = 4;
/** Of makers, those who count so; common practice, no source. */
const SHARE = 0.1;
/** Speakers of one family say the same thing: so many times wider than of as many that do not. */
const WIDENED = 1.6;
/** Makers differ by themselves: their lines are slim or deep, mm. */
const LEAST_SPREAD_MM = 1.2;
const MAD_TO_SD = 1.4826;

export function makersDatum(depths: readonly DepthOver[]): readonly MakersDatum[] {
  const byMaker = new Map<string, DepthOver[]>();
  for (const each of depths) byMaker.set(each.maker, [...(byMaker.get(each.maker) ?? []), each]);
  const makers = [...byMaker].filter(([, own]) => own.length >= LEAST_SPEAKERS);
  if (makers.length < LEAST_MAKERS) return [];
  const middles = makers.map(([, own]) => median(own.map(({ overMm }) => overMm)));
  // Of all makers together nobody can say from where they count: one is seen beside the others.
  const usual = median(middles);
  const spread = Math.max(LEAST_SPREAD_MM, MAD_TO_SD * median(middles.map((middle) => Math.abs(middle - usual))));
  return makers.flatMap(([maker, own], at): MakersDatum[] => {
    const overMm = (middles[at] as number) - usual;
    const flangeMm = median(own.map((each) => each.flangeMm));
    const scatter = MAD_TO_SD * median(own.map((each) => Math.abs(each.overMm - (middles[at] as number))));
    const sigma = Math.hypot(spread, (WIDENED * scatter) / Math.sqrt(own.length));
    const ratio = Math.exp((overMm ** 2 - (overMm - flangeMm) ** 2) / (2 * sigma ** 2));
    const chance = (SHARE * ratio) / (SHARE * ratio + 1 - SHARE);
    const isNear = Math.abs(overMm - flangeMm) < Math.abs(overMm) && Math.abs(overMm - flangeMm) < 3 * sigma;
    return isNear && chance > 0.5 ? [{ maker, speakers: own.length, overMm, flangeMm, chance }] : [];
  });
}
