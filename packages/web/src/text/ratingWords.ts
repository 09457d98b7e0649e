/** What a speaker is rated at, in words: what its maker does not say is said too. */
import type { SpeakerRecord } from '@low-quarry/core/catalogue';

/** Such as "4 Ω, 60 W RMS", or "impedance not stated, 300 W peak (no RMS)". */
export function ratingWords({
  impedanceOhm,
  rmsW,
  otherRating,
}: Pick<SpeakerRecord, 'impedanceOhm' | 'rmsW'> & Partial<Pick<SpeakerRecord, 'otherRating'>>): string {
  const impedance = impedanceOhm === null ? 'impedance not stated' : `${impedanceOhm} Ω`;
  if (rmsW !== null) return `${impedance}, ${rmsW} W RMS`;
  if (!otherRating) return `${impedance}, power not stated`;
  const { watt, kind } = otherRating;
  const words = { peak: `${watt} W peak`, range: `up to ${watt} W`, unstated: `${watt} W of an unstated kind` }[kind];
  return `${impedance}, ${words} (no RMS)`;
}
