/** Where what was seen at a plug's pins and what is written of its channel do not say the same, one of them is wrong. */
import { BAND_LABELS, type Band, isOnlyHeard, type PlugFace, placeLabel } from '../model';
import type { OpenPoint, PointJob, PointOpening } from './point';

/** Only where the car's own channels are what plays: past a bypassed amplifier another output feeds the wire. */
export function pinPoints(
  {
    vehicle: { channels },
    amplifierPlan,
  }: Pick<PointJob, 'amplifierPlan'> & {
    readonly vehicle: Pick<PointJob['vehicle'], 'channels'>;
  },
  openings: readonly PointOpening[],
): readonly OpenPoint[] {
  if (amplifierPlan?.kind === 'bypass') return [];
  return openings.flatMap(({ id, record }): OpenPoint[] => {
    const place = placeLabel(record);
    const seen = bandAtPins(record.plugFaces);
    const feeding = (channels ?? []).filter(({ places }) => places.includes(place));
    const [channel] = feeding;
    if (seen === null || !channel || feeding.length > 1 || channel.band === seen) return [];
    const { name, band } = channel;
    const written = band === null ? 'nobody noted the band of' : `${BAND_LABELS[band].toLowerCase()} is written of`;
    return [
      {
        id: `pins ${id}`,
        station: 'wire',
        askedAt: 'panelOff',
        words: `${place}: ${BAND_LABELS[seen].toLowerCase()} comes through its pins, and ${written} channel ${name}. Hear it, and put right what is wrong.`,
        stake: 'What is not sent is not heard, and what is sent to the wrong speaker breaks it.',
        settledAt: { kind: 'vehicle' },
        isHeld: false,
      },
    ];
  });
}

/** What was heard or seen to come through its first plug; null where nobody looked, or it says nothing of a band. */
function bandAtPins([first]: readonly PlugFace[]): Band | null {
  const seen = new Set((first?.pairs ?? []).filter(({ grade }) => !isOnlyHeard(grade)).map(({ carries }) => carries));
  if (seen.has('full') || (seen.has('bass') && seen.has('treble'))) return 'full';
  return (['bass', 'treble', 'voices'] as const).find((band) => seen.has(band)) ?? null;
}
