/** What the records of parts hold, in a few of the trade's words: what its maker does not say is said too. */
import type { z } from 'zod';
import type { outlineSchema } from '../outline';
import { printed } from './figures';

/** Such as "tapping screw" of `tappingScrew`. */
export function apart(value: string): string {
  return value.replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
}

/** Such as "142 mm", or of an oval "218 × 152 mm". */
export function outlineWords(outline: z.infer<typeof outlineSchema>): string {
  return outline.kind === 'circle'
    ? `${printed(outline.diameterMm)} mm`
    : `${printed(outline.lengthMm)} × ${printed(outline.widthMm)} mm`;
}

type Rated = {
  readonly impedanceOhm: number | null;
  readonly rmsW: number | null;
  readonly otherRating?: { readonly watt: number; readonly kind: 'peak' | 'range' | 'unstated' } | null;
};

/** Such as "4 Ω, 60 W RMS", or "impedance not stated, 300 W peak (no RMS)". */
export function ratingWords({ impedanceOhm, rmsW, otherRating }: Rated): string {
  const impedance = impedanceOhm === null ? 'impedance not stated' : `${impedanceOhm} Ω`;
  if (rmsW !== null) return `${impedance}, ${rmsW} W RMS`;
  if (!otherRating) return `${impedance}, power not stated`;
  const { watt, kind } = otherRating;
  const words = { peak: `${watt} W peak`, range: `up to ${watt} W`, unstated: `${watt} W of an unstated kind` }[kind];
  return `${impedance}, ${words} (no RMS)`;
}
