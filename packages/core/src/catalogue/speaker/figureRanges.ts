/** A list narrowed by figures: "depth:40-63,cutout:-145" as an address has it. */
import { FIGURE_IDS, type FigureId } from './figures';

/** What a list of parts is narrowed by, and put in order by. */
export const RANGED = [...FIGURE_IDS, 'cost'] as const;
export type Ranged = FigureId | 'cost';

/** In the figure's unit, a cost in minor units of the shop's currency; null where that end is open. */
export type FigureRange = { readonly least: number | null; readonly most: number | null };
export type FigureRanges = Readonly<Partial<Record<Ranged, FigureRange>>>;

const RANGE = /^([a-zA-Z]+):(\d{1,9}(?:\.\d{1,3})?)?-(\d{1,9}(?:\.\d{1,3})?)?$/;

/** @returns null where it is not what `writeRanges` writes, or a range ends before it begins */
export function readRanges(text: string): FigureRanges | null {
  const ranges: Partial<Record<Ranged, FigureRange>> = {};
  for (const each of text.split(',').filter(Boolean)) {
    const [, name, from, to] = RANGE.exec(each) ?? [];
    const ranged = RANGED.find((known) => known === name);
    if (!ranged) return null;
    const [least, most] = [endOf(from), endOf(to)];
    if (least !== null && most !== null && least > most) return null;
    if (least !== null || most !== null) ranges[ranged] = { least, most };
  }
  return ranges;
}

export function writeRanges(ranges: FigureRanges): string {
  return RANGED.flatMap((name) => {
    const { least, most } = ranges[name] ?? { least: null, most: null };
    return least === null && most === null ? [] : `${name}:${written(least)}-${written(most)}`;
  }).join(',');
}

function endOf(text: string | undefined): number | null {
  return text === undefined ? null : Number(text);
}

function written(end: number | null): string {
  return end === null ? '' : String(Math.round(end * 1000) / 1000);
}
